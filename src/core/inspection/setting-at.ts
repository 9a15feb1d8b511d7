import type { HolePlan } from '../hole/hole-plan';
import { jointZone, USUAL_ZONE_MM } from '../layout/joint-zone';
import type { Point } from '../layout/part';
import type { Shop } from '../shop/shop';
import type { HoleAt } from './bench-record';
import type { CheckSetting } from './checks-of';

/** Zone that the joint leaves a hole, mm. */
function zoneOfPlan({ thread, hole }: HolePlan): number {
  const bored = hole.bores[0]?.feature.diameterMm;
  const zone = thread
    ? jointZone(thread.thread.majorMm, true)
    : bored === undefined
      ? undefined
      : jointZone(bored, false);
  return zone?.value ?? USUAL_ZONE_MM;
}

/**
 * Where a hole of a job belongs, and what it is held against.
 * @param drawn places of the holes of each feature, as the drawing has them
 */
export function settingAt(
  drawn: ReadonlyMap<string, readonly Point[]>,
  { featureId, holeNumber }: Pick<HoleAt, 'featureId' | 'holeNumber'>,
  plan: HolePlan,
  { habits }: Pick<Shop, 'habits'>,
): CheckSetting {
  const place = drawn.get(featureId)?.[holeNumber - 1];
  return {
    ...(place ? { drawn: place, zoneMm: zoneOfPlan(plan) } : {}),
    notGoTurns: Number(habits.notGoTurns ?? 2),
  };
}
