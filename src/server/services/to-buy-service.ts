import { toBuy, type ToBuy } from '@/core/job/to-buy';
import type { Database } from '../database';
import { listJobs } from '../repositories/job-repository';
import { existingHead } from './job-service';
import { recordedOf } from './run-service';
import { summariesOf } from './summary-service';

/** So many jobs, those changed last, go into the list of all. */
export const MOST_JOBS = 100;

/** What the crib lacks for one job. @throws Refusal 404 */
export async function toBuyFor(db: Database, jobId: string): Promise<{ name: string; list: ToBuy[] }> {
  const { name, version } = await existingHead(db, jobId);
  const summary = (await summariesOf(db, [{ id: jobId, version }])).get(jobId);
  return { name, list: toBuy(summary?.lacks ?? []) };
}

/** What the crib lacks for all jobs that are not made yet. */
export async function toBuyForAll(db: Database): Promise<{ jobs: number; list: ToBuy[] }> {
  const { jobs } = await listJobs(db, [], { limit: MOST_JOBS, offset: 0 });
  const recorded = await recordedOf(
    db,
    jobs.map((j) => j.id),
  );
  const open = jobs.filter(({ id }) => {
    const bench = recorded.get(id)?.bench;
    return !bench || bench.done < bench.steps;
  });
  const summaries = await summariesOf(db, open);
  return {
    jobs: open.length,
    list: toBuy(
      open.flatMap(({ id, name }) =>
        (summaries.get(id)?.lacks ?? []).map((from) => ({ ...from, hole: `${name} ${from.hole}` })),
      ),
    ),
  };
}
