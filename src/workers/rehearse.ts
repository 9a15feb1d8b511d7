import { plannerFor, type JobHead } from '../core/job/plan-in-job';
import { holeModels } from '../core/rehearsal/hole-model';
import { proposalsFor, type Proposal } from '../core/rehearsal/proposals';
import { rehearsal, type Rehearsed } from '../core/rehearsal/rehearse';
import type { RoutedFeature } from '../core/route/work-item';
import type { Shop } from '../core/shop/shop';

export interface RehearsalRequest {
  features: RoutedFeature[];
  job: JobHead;
  shop: Shop;
  isFirstThrough: boolean;
  seed: number;
}
export type RehearsalMessage = { rehearsed: Rehearsed; share: number } | { proposals: Proposal[] } | { fault: string };

/** Jobs after which something is shown, and at which it ends. */
const FIRST = 200;
const MOST = 20_000;
/** Holes rehearsed at most, so that large jobs end too. */
const MOST_HOLES = 4_000_000;
/** Holes rehearsed for each proposal. */
const PROPOSED_HOLES = 40_000;

self.onmessage = ({ data: { features, job, shop, isFirstThrough, seed } }: MessageEvent<RehearsalRequest>): void => {
  const say = (message: RehearsalMessage): void => self.postMessage(message);
  try {
    const { learned } = shop;
    const models = holeModels(features, job, plannerFor(shop), { learned, isFirstThrough });
    const holes = Math.max(1, job.quantity * models.reduce((n, m) => n + m.points.length, 0));
    const jobs = Math.max(FIRST, Math.min(MOST, Math.floor(MOST_HOLES / holes)));
    const rehearsing = { quantity: job.quantity, seed };
    const run = rehearsal(models, rehearsing);
    for (let done = 0; done < jobs;) {
      const next = Math.min(
        jobs - done,
        done === 0 ? Math.min(FIRST, Math.ceil(5_000 / holes)) : Math.ceil(100_000 / holes),
      );
      run.go(next);
      done += next;
      say({ rehearsed: run.now(), share: done / jobs });
    }
    say({ proposals: proposalsFor(models, rehearsing, Math.max(100, Math.floor(PROPOSED_HOLES / holes))) });
  } catch (error) {
    say({ fault: error instanceof Error ? error.message : String(error) });
  }
};
