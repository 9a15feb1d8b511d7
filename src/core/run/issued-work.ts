import type { JobFeature, JobHead } from '../job/plan-in-job';
import type { Route } from '../route/route';
import type { Shop } from '../shop/shop';

/** An issued route with the job and the shop as they were frozen. */
export interface IssuedWork {
  route: Route;
  job: JobHead & { holes: readonly (JobFeature & { id: string })[]; route?: { checkEvery?: number } };
  shop: Pick<Shop, 'habits' | 'taps' | 'tools' | 'learned'> & Partial<Pick<Shop, 'machines'>>;
}
