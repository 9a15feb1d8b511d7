import type { WayState } from '@/contracts/way';
import { NOTHING_RECORDED } from '@/core/job/stage';
import type { Database } from '../database';
import { countRecords } from '../repositories/record-repository';
import { existingHead } from './job-service';
import { recordedOf } from './run-service';
import { summariesOf } from './summary-service';

/** How far a job is, view by view. @throws Refusal 404 when there is no such job */
export async function wayStateOf(db: Database, id: string): Promise<WayState> {
  const head = await existingHead(db, id);
  const [summaries, recorded, records] = await Promise.all([
    summariesOf(db, [head]),
    recordedOf(db, [id]),
    countRecords(db, id),
  ]);
  const summary = summaries.get(id);
  const { scribed, punched, issued, bench } = recorded.get(id) ?? NOTHING_RECORDED;
  return {
    part: head.part,
    features: summary?.features ?? 0,
    unplaced: summary?.unplaced ?? 0,
    kinds: summary ? summary.lines.length + summary.more : 0,
    holes: summary?.holes ?? 0,
    impossible: summary?.impossible ?? 0,
    scribed,
    punched,
    ...(issued ? { issued } : {}),
    ...(bench ? { bench } : {}),
    records,
  };
}
