import type { Problem } from '../core/answer/answer';
import { plannerFor, type JobHead } from '../core/job/plan-in-job';
import { modelsOfRoute } from '../core/rehearsal/alternatives';
import type { HoleModel } from '../core/rehearsal/hole-model';
import { machineChoices, type MachineChoice } from '../core/route/machine-choices';
import { planRoute, type RouteEdits } from '../core/route/route';
import { parcelsOf, type RouteParcel } from '../core/route/route-parcels';
import type { RoutedFeature } from '../core/route/work-item';
import { workOfJob } from '../core/route/work-of-job';
import type { Shop } from '../core/shop/shop';

export interface RouteRequest {
  features: RoutedFeature[];
  job: JobHead;
  shop: Shop;
  edits: RouteEdits;
}
export type RouteMessage =
  | { share: number }
  | RouteParcel
  | { models: HoleModel[]; besideS: number }
  | { machines: MachineChoice[] }
  | { problems: Problem[] }
  | { fault: string };

self.onmessage = ({ data: { features, job, shop, edits } }: MessageEvent<RouteRequest>): void => {
  const say = (message: RouteMessage): void => self.postMessage(message);
  try {
    const planner = plannerFor(shop);
    const work = workOfJob(features, job, shop, planner, edits);
    if (!work.ok) return say({ problems: work.problems });
    say({ share: 0.3 });
    const route = planRoute(work.value, job.quantity, shop.habits, edits, (done) => say({ share: 0.3 + 0.5 * done }));
    parcelsOf(route).forEach(say);
    say(modelsOfRoute(route, features, job, planner, shop));
    // The route is there to work with; whether another machine would be quicker comes after.
    say({ machines: machineChoices(features, job, shop, planner, edits, route.seconds) });
  } catch (error) {
    say({ fault: error instanceof Error ? error.message : String(error) });
  }
};
