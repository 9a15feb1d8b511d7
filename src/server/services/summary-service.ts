import type { ListedJob } from '@/contracts/job';
import { CORE_VERSION } from '@/core/answer/answer';
import { plannerFor, type Planner } from '@/core/job/plan-in-job';
import { kindsOfHoles, summaryOf, type JobSummary } from '@/core/job/summary';
import type { Shop } from '@/core/shop/shop';
import type { Database } from '../database';
import { inSlices } from '../in-slices';
import { findCribRevision } from '../repositories/crib-repository';
import { findJob } from '../repositories/job-repository';
import { findSummaries, keepSummary, type MadeFrom } from '../repositories/summary-repository';
import { learnedMark } from './learned-service';
import { shopNow } from './shop-service';

async function make(
  db: Database,
  jobId: string,
  shop: Shop,
  planner: Planner,
  from: Omit<MadeFrom, 'jobVersion'>,
): Promise<JobSummary | undefined> {
  const job = await findJob(db, jobId);
  if (!job) return undefined;
  const kinds = await inSlices(kindsOfHoles(job.holes, job, planner, shop), (kind) => kind);
  const summary = summaryOf(kinds, job, job.holes);
  await keepSummary(db, jobId, { jobVersion: job.version, ...from }, summary);
  return summary;
}

/** Summaries of jobs by id: as they were kept, or made anew where job, crib, rules or what was learned have changed since. */
export async function summariesOf(
  db: Database,
  jobs: readonly Pick<ListedJob, 'id' | 'version'>[],
): Promise<Map<string, JobSummary>> {
  const from = {
    cribRevision: await findCribRevision(db),
    coreVersion: CORE_VERSION,
    learnedMark: await learnedMark(db),
  };
  const ids = jobs.map((j) => j.id);
  const kept = await findSummaries(db, ids, from);
  const found = new Map(
    kept
      .filter((k) => jobs.some((j) => j.id === k.jobId && j.version === k.jobVersion))
      .map((k) => [k.jobId, k.summary]),
  );
  const stale = jobs.filter((j) => !found.has(j.id));
  if (stale.length === 0) return found;
  const shop = await shopNow(db);
  const planner = plannerFor(shop);
  for (const { id } of stale) {
    const summary = await make(db, id, shop, planner, from);
    if (summary) found.set(id, summary);
  }
  return found;
}
