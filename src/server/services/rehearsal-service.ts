import type { RehearsalRequest, RehearsalResult } from '@/contracts/rehearsal';
import { plannerFor } from '@/core/job/plan-in-job';
import { modelsOfRoute } from '@/core/rehearsal/alternatives';
import { blanksFor, minutesFor, rehearsal, wilson } from '@/core/rehearsal/rehearse';
import type { Database } from '../database';
import { inSlices } from '../in-slices';
import { Refusal } from '../refusal';
import { existingJob } from './job-service';
import { routeOf } from './route-service';
import { shopNow } from './shop-service';

/** Holes rehearsed at most for one request, and between two looks at the clock. */
const MOST_HOLES = 2_000_000;
const SLICE_HOLES = 4_000;
const LEAST_JOBS = 20;
/** One job is made in one go: with more holes than this it would keep everybody else waiting. */
const MOST_OF_JOB = 20_000;

const refuse = (status: 422 | 429 | 503, title: string, detail: string, remedy: string): Refusal =>
  new Refusal(status, title, detail, [{ field: 'job', code: 'rehearsal-busy', detail, remedy }]);

/** One at a time: a second one would only make both slow. */
let isBusy = false;

/**
 * How a job would come out as it is planned now. Ends when whoever asked is gone.
 * @throws Refusal 404, 422 where it can’t be planned, 429 while another job is rehearsed, 503 when it takes too long
 */
export async function rehearsalOf(
  db: Database,
  jobId: string,
  { jobs, seed }: RehearsalRequest,
  signal: AbortSignal,
): Promise<RehearsalResult> {
  const job = await existingJob(db, jobId);
  const shop = await shopNow(db);
  if (isBusy) throw refuse(429, 'Busy', 'Another job is being rehearsed.', 'Ask again in a few seconds.');
  isBusy = true;
  try {
    const { models, besideS } = modelsOfRoute(routeOf(job, shop), job.holes, job, plannerFor(shop), shop);
    const holes = Math.max(1, job.quantity * models.reduce((n, m) => n + m.points.length, 0));
    if (holes > MOST_OF_JOB)
      throw refuse(
        422,
        'Too large',
        `With all its parts this job has ${holes} holes; at most ${MOST_OF_JOB} are rehearsed here.`,
        'Rehearse it in Route, where it runs beside the page, or with fewer parts.',
      );
    const most = Math.min(jobs, Math.max(LEAST_JOBS, Math.floor(MOST_HOLES / holes)));
    const run = rehearsal(models, { quantity: job.quantity, seed, besideS });
    const slice = Math.max(1, Math.floor(SLICE_HOLES / holes));
    function* slices(): Generator<number> {
      for (let done = 0; done < most && !signal.aborted; done += slice) yield Math.min(slice, most - done);
    }
    await inSlices(slices(), run.go);
    if (signal.aborted) throw refuse(503, 'Cancelled', 'The rehearsal was cancelled.', 'Ask again.');
    const rehearsed = run.now();
    const { worst: _, kinds: _k, minutes: _m, blanks: _b, ...found } = rehearsed;
    const [from, to] = wilson(found.clean, found.jobs);
    const blanks = blanksFor(rehearsed, job.quantity);
    return {
      ...found,
      seed,
      cleanShare: { from, to },
      ...(blanks === undefined ? {} : { blanks }),
      minutes: { half: minutesFor(rehearsed, 0.5), most: minutesFor(rehearsed, 0.95) },
    };
  } finally {
    isBusy = false;
  }
}
