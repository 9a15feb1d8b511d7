import { z } from 'zod';
import type { Route } from '@/core/route/route';
import type { ShopWithCrib } from '@/core/shop/shop';
import type { Job } from './job';
import { rowId } from './text';

/** Issues the route as it is now, under an id of the sender: the same one sent again issues once. */
export const routeIssueRequest = z.strictObject({
  id: rowId,
  jobVersion: z.number().int().min(1).describe('Version of the job that was looked at'),
  who: z.string().trim().max(60).optional(),
});

/** A frozen route of a job. */
export const routeIssue = z.object({
  id: z.string(),
  jobId: z.string(),
  number: z.number().int().describe('From 1 within its job'),
  jobVersion: z.number().int(),
  coreVersion: z.string(),
  issuedAt: z.string(),
  who: z.string().nullable(),
  seconds: z.number(),
  quantity: z.number().int(),
});
export type RouteIssue = z.infer<typeof routeIssue>;
export const routeIssueList = z.object({ routes: z.array(routeIssue) });
/** With everything that it was made from. */
export const routeIssueWhole = routeIssue.extend({
  route: z.unknown().describe('Set-ups, visits and items in their order'),
  inputs: z.unknown().describe('The job and the shop as they were'),
});
/** What a route was made from. */
export interface RouteInputs {
  job: Job;
  shop: ShopWithCrib;
}
export interface FrozenRoute extends RouteIssue {
  route: Route;
  inputs: RouteInputs;
}
