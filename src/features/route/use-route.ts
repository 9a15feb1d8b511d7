'use client';

import { useCallback, useMemo } from 'react';
import type { Job } from '@/contracts/job';
import type { RouteSettings } from '@/contracts/route';
import { wholeShop, type Shop, type ShopWithCrib } from '@/core/shop/shop';
import { useRoutePlan } from '@/ui/use-route-plan';
import { useJob } from '../job-store/use-job';

/** The route of a job, planned whenever the job changes; what the user decides is kept with the job. */
export function useRoute(opened: Job, routeShop: ShopWithCrib) {
  const inHand = useJob(opened);
  const { job, edit } = inHand;
  const shop = useMemo<Shop>(() => wholeShop(routeShop), [routeShop]);
  const { holes, part, materialId, quantity, route: settings } = job;
  // A deadline or a cutting list changes nothing of the route itself.
  const { order, pinned, mode, joined, splits, first, after, cuts } = settings ?? {};
  const request = useMemo(
    () => ({
      features: holes,
      job: { part, materialId, quantity },
      shop,
      edits: { order, pinned, mode, joined, splits, first, after, cuts },
    }),
    [holes, part, materialId, quantity, shop, order, pinned, mode, joined, splits, first, after, cuts],
  );
  const planning = useRoutePlan(request);
  const decide = useCallback(
    (change: (settings: RouteSettings) => RouteSettings, typing = false) =>
      edit((draft) => {
        draft.head.route = change((draft.head.route ?? {}) as RouteSettings);
      }, typing),
    [edit],
  );
  return { inHand, shop, ...planning, decide, settings: settings ?? {} };
}
