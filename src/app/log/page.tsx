import { logQueryOf } from '@/contracts/log';
import { LogView } from '@/features/log/log-view';
import { logPageOf } from '@/server/services/log-service';
import { database } from '@/server/start';

export const metadata = { title: 'Log · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function LogPage({ searchParams }: Props) {
  const query = logQueryOf(await searchParams);
  return <LogView query={query} found={await logPageOf(await database(), query)} />;
}
