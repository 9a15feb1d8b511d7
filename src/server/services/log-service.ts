import type { LogEntry, LogPage, LogQuery } from '@/contracts/log';
import { LOG_KINDS, logWords } from '@/core/run/log-words';
import type { HoleAt } from '@/core/run/bench-record';
import type { Database } from '../database';
import { countLog, findLog } from '../repositories/log-repository';
import { dayBegins, zoneNow } from './zone-service';

/** So many a page. */
const PAGE = 100;
/** So many are read at a time for a file. */
const SLICE = 500;

const DAY_MS = 86_400_000;
/** @param zone whose days are asked for */
const looked = ({ q, kind, job, metal, tool, from, to }: LogQuery, zone: string) => ({
  materialId: metal,
  tool,
  from: from && new Date(dayBegins(from, zone)).toISOString(),
  until: to && new Date(dayBegins(new Date(Date.parse(to) + DAY_MS).toISOString().slice(0, 10), zone)).toISOString(),
  words: logWords(q),
  kinds: kind && LOG_KINDS[kind],
  jobId: job,
});
const byMoment = (a: LogEntry, b: LogEntry): number => b.record.happenedAt.localeCompare(a.record.happenedAt);

/** A page of the shop's log, the newest first. */
export async function logPageOf(db: Database, query: LogQuery): Promise<LogPage> {
  const found = await findLog(db, looked(query, await zoneNow(db)), {
    limit: PAGE + 1,
    offset: (query.page - 1) * PAGE,
  });
  return { entries: found.slice(0, PAGE).sort(byMoment), more: found.length > PAGE };
}

/** Everything that was looked for, for a file: how many there are, and they themselves some at a time, what arrived last first. */
export async function wholeLog(
  db: Database,
  query: LogQuery,
): Promise<{ count: number; slices: AsyncGenerator<LogEntry[]> }> {
  const of = looked(query, await zoneNow(db));
  return { count: await countLog(db, of), slices: slices() };

  async function* slices(): AsyncGenerator<LogEntry[]> {
    let before: number | undefined;
    for (;;) {
      const found = await findLog(db, of, { limit: SLICE, before });
      if (found.length > 0) yield found;
      if (found.length < SLICE) return;
      before = found.at(-1)?.record.arrival;
    }
  }
}

/** Everything of one hole, in the order in which it happened. */
export const logOfHole = async (db: Database, jobId: string, hole: HoleAt): Promise<LogEntry[]> =>
  (await findLog(db, { words: [], jobId, hole }, { limit: PAGE })).sort(byMoment).reverse();
