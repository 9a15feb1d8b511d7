import type { z } from 'zod';
import type { Job } from '@/contracts/job';
import type { FrozenRoute, RouteIssue, routeIssueRequest } from '@/contracts/route-issue';
import { CORE_VERSION } from '@/core/answer/answer';
import { plannerFor } from '@/core/job/plan-in-job';
import { planRoute, type Route } from '@/core/route/route';
import { tooManySteps } from '@/core/route/run-steps';
import { workOfJob } from '@/core/route/work-of-job';
import type { Shop } from '@/core/shop/shop';
import type { Database } from '../database';
import { findIssue, findRoute, insertRoute, lastNumber, listRoutes } from '../repositories/route-repository';
import { writing } from '../writing';
import { fieldErrorOf } from './answer-service';
import { existingJob } from './job-service';
import { Refusal } from '../refusal';
import { shopForView, shopNow } from './shop-service';

/** The route of a job as the shop is now. @throws Refusal 422 with every feature that can’t be made */
export function routeOf(job: Job, shop: Shop): Route {
  const work = workOfJob(job.holes, job, shop, plannerFor(shop), job.route);
  if (!work.ok)
    throw new Refusal(
      422,
      'No route',
      'This job can’t be planned yet.',
      work.problems.map((p) => fieldErrorOf(p, job.units ?? 'mm')),
    );
  return planRoute(work.value, job.quantity, shop.habits, job.route);
}

/** Freezes the route of a job as it is now, under the next number. @throws Refusal 409 when the job is not as it was looked at */
export async function issueRoute(
  db: Database,
  jobId: string,
  { id, jobVersion, who }: z.infer<typeof routeIssueRequest>,
): Promise<RouteIssue> {
  const job = await existingJob(db, jobId);
  const before = await findIssue(db, id);
  if (before) return before;
  if (job.version !== jobVersion)
    throw new Refusal(409, 'Changed elsewhere', `This job was changed (version ${job.version}, yours ${jobVersion}).`, [
      {
        field: 'jobVersion',
        code: 'version-old',
        detail: 'The version is old.',
        remedy: 'Look at the route again, then issue it.',
      },
    ]);
  const shop = await shopNow(db);
  const route = routeOf(job, shop);
  const tooMany = tooManySteps(route);
  if (tooMany) {
    const error = fieldErrorOf(tooMany, job.units ?? 'mm');
    throw new Refusal(422, 'Too many parts', `${error.detail} ${error.remedy}`, [error]);
  }
  return writing(db, async (tx) => {
    const number = (await lastNumber(tx, jobId)) + 1;
    await insertRoute(tx, {
      id,
      jobId,
      number,
      jobVersion,
      coreVersion: CORE_VERSION,
      route,
      inputs: { job, shop: shopForView(shop) },
      who: who ?? null,
    });
    const issued = await findIssue(tx, id);
    if (!issued) throw new Error('The route was not written.');
    return issued;
  });
}

/** Issued routes of a job, newest first. @throws Refusal 404 */
export async function issuesOf(db: Database, jobId: string): Promise<RouteIssue[]> {
  await existingJob(db, jobId);
  return listRoutes(db, jobId);
}

/** One issued route, whole. @param number as in its address; what is no number is of no route @throws Refusal 404 */
export async function issuedRoute(db: Database, jobId: string, number: number | string): Promise<FrozenRoute> {
  const asked = Number(number);
  const route = Number.isSafeInteger(asked) ? await findRoute(db, jobId, asked) : undefined;
  if (!route)
    throw new Refusal(404, 'No such route', `Route ${number} of this job was never issued.`, [
      {
        field: 'number',
        code: 'route-unknown',
        detail: 'No such route.',
        remedy: 'Open the job’s route and pick an issue.',
      },
    ]);
  return route;
}
