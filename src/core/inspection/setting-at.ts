import type { HolePlan } from '../hole/hole-plan';
import { boltThrough, CLEARANCE_HOLES, rowFor } from '../layout/heads.table';
import { positionZone } from '../layout/means-of-layout';
import { expandPlaces, type Place } from '../layout/place';
import type { Shop } from '../shop/shop';
import type { HoleAt } from './bench-record';
import type { CheckSetting } from './checks-of';

/** A hole under a usual clearance, where the table has no row for it, mm. */
const USUAL_ZONE_MM = 0.4;

/** Zone that the joint leaves a hole, mm: a tapped one under its usual clearance hole, a clearance hole over its bolt. */
export function zoneOfPlan(plan: HolePlan): number {
  const tapped = plan.thread?.thread.majorMm;
  const bored = plan.hole.bores[0]?.feature.diameterMm;
  const bolt = tapped ?? (bored === undefined ? undefined : boltThrough(bored));
  const row = bolt === undefined ? undefined : rowFor(CLEARANCE_HOLES, bolt);
  return row ? positionZone('fixed', row[2], row[0]).value : USUAL_ZONE_MM;
}

/** Where a hole of a job belongs, and what it is held against. */
export function settingAt(
  features: readonly { id: string; place?: Place }[],
  { featureId, holeNumber }: Pick<HoleAt, 'featureId' | 'holeNumber'>,
  plan: HolePlan,
  shop: Pick<Shop, 'habits'> | undefined,
): CheckSetting {
  const { points } = expandPlaces(features.filter((f) => f.place));
  const drawn = points.get(featureId)?.[holeNumber - 1];
  return {
    ...(drawn ? { drawn, zoneMm: zoneOfPlan(plan) } : {}),
    notGoTurns: Number(shop?.habits.notGoTurns ?? 2),
  };
}
