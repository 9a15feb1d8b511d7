import type { CribKind } from '@/contracts/crib';
import type { Database } from '../database';
import { SAMPLE_CASES, SAMPLE_DRILLS } from './sample-drills';
import { PAST_JOBS } from './past-jobs';
import { SAMPLE_JOBS } from './sample-jobs';
import { SAMPLE_MACHINES } from './sample-machines';
import { OWN_NAME, SAMPLE_NAME } from './sample-shop';
import { SAMPLE_TAPS } from './sample-taps';
import { SAMPLE_TOOLS } from './sample-tools';
import { removeItem } from '../repositories/crib-repository';
import { markDeleted } from '../repositories/job-repository';
import { anyOfCases, anyOfJobs, holdsDrills, isMachineUsed, renameShop } from '../repositories/sample-repository';
import { forgetObserved } from '../repositories/observation-repository';
import { forgetLearned } from '../services/learned-service';
import { writing } from '../writing';

/** An entry of the sample that nobody has changed still has its first version. */
const UNTOUCHED = 1;

const ids = (list: readonly { id: string }[]): string[] => list.map(({ id }) => id);

/** Whether anything of the sample shop is still there. */
export const isSampleThere = async (db: Database): Promise<boolean> =>
  (await anyOfJobs(db, ids(SAMPLE_JOBS))) || anyOfCases(db, ids(SAMPLE_CASES));

/**
 * Takes the sample shop out: its jobs (they can be restored), and every entry of its crib that nobody has changed. A machine
 * that one's own job is made on stays, and a case that holds a drill of one's own.
 */
export async function takeSampleOut(db: Database, now = new Date()): Promise<{ jobs: number; entries: number }> {
  const jobs = [...SAMPLE_JOBS, ...PAST_JOBS];
  const taken = await writing(db, async (tx) => {
    const out = { jobs: 0, entries: 0 };
    for (const { id } of jobs) if (await markDeleted(tx, id, now.toISOString())) out.jobs += 1;
    const remove = async (kind: CribKind, id: string): Promise<void> => {
      if (await removeItem(tx, kind, id, UNTOUCHED)) out.entries += 1;
    };
    for (const id of ids(SAMPLE_DRILLS as { id: string }[])) await remove('drills', id);
    for (const id of ids(SAMPLE_TOOLS)) await remove('tools', id);
    for (const id of ids(SAMPLE_TAPS)) await remove('taps', id);
    for (const { id } of SAMPLE_MACHINES) if (!(await isMachineUsed(tx, id))) await remove('machines', id);
    await renameShop(tx, SAMPLE_NAME, OWN_NAME);
    for (const { id } of SAMPLE_CASES) if (!(await holdsDrills(tx, id))) await remove('cases', id);
    // What was made there teaches nothing here.
    await forgetObserved(tx, ids(jobs));
    return out;
  });
  forgetLearned(db);
  return taken;
}
