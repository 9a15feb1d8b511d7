import { logQueryOf } from '@/contracts/log';
import { LogView } from '@/features/log/log-view';
import { usedTools } from '@/server/services/learned-view';
import { logPageOf } from '@/server/services/log-service';
import { shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Log · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function LogPage({ searchParams }: Props) {
  const query = logQueryOf(await searchParams);
  const db = await database();
  const [found, shop] = await Promise.all([logPageOf(db, query), shopNow(db)]);
  const narrow = {
    metals: shop.materials.map(({ id, label }) => ({ id, label })),
    tools: await usedTools(db, shop),
  };
  return <LogView query={query} found={found} narrow={narrow} />;
}
