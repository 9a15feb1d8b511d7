import { unitsHere } from '@/app/units-here';
import { logQuery } from '@/contracts/log';
import { LogView } from '@/features/log/log-view';
import { logPageOf } from '@/server/services/log-service';
import { database } from '@/server/start';

export const metadata = { title: 'Log · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function LogPage({ searchParams }: Props) {
  const { q, kind, job, page } = await searchParams;
  const read = logQuery.safeParse({ q, kind, job, page });
  const query = read.success ? read.data : logQuery.parse({});
  return (
    <LogView
      key={query.job ?? ''}
      query={query}
      found={await logPageOf(await database(), query)}
      units={await unitsHere()}
    />
  );
}
