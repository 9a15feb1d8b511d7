import type { Route } from './route';
import type { WorkItem } from './work-item';

/** A route in pieces small enough that taking in one never holds up a page; the whole comes last. */
export type RouteParcel = { items: WorkItem[] } | { route: Route; visits: number[] };

/** So many items are taken in within some 25 ms on a bench computer. */
const ITEMS = 2500;

/** A route as parcels, in the order in which they are to be sent. */
export function parcelsOf(route: Route): RouteParcel[] {
  const visits = route.setUps.flatMap((s) => s.visits);
  const items = visits.flatMap((v) => v.items);
  const parcels: RouteParcel[] = [];
  for (let i = 0; i < items.length; i += ITEMS) parcels.push({ items: items.slice(i, i + ITEMS) });
  const setUps = route.setUps.map((s) => ({ ...s, visits: s.visits.map((v) => ({ ...v, items: [] })) }));
  return [...parcels, { route: { ...route, setUps }, visits: visits.map((v) => v.items.length) }];
}

/** The route of its last parcel, with the items that came before it. */
export function unpacked({ route, visits }: Extract<RouteParcel, { route: Route }>, items: WorkItem[]): Route {
  let at = 0;
  let n = 0;
  const next = (): WorkItem[] => items.slice(at, (at += visits[n++]));
  return {
    ...route,
    setUps: route.setUps.map((s) => ({ ...s, visits: s.visits.map((v) => ({ ...v, items: next() })) })),
  };
}
