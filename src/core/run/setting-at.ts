import type { HolePlan } from '../hole/hole-plan';
import { zoneOf, type Positioned } from '../layout/joint-zone';
import type { Point } from '../layout/part';
import type { Shop } from '../shop/shop';
import type { HoleAt } from './bench-record';
import type { CheckSetting } from '../gauging/checks-of';

/** What is positioned of a hole; a hole without a bore of its own is held to the usual zone. */
const positioned = ({ thread, hole }: HolePlan): Omit<Positioned, 'zoneMm'> => ({
  diameterMm: thread?.thread.majorMm ?? hole.bores[0]?.feature.diameterMm ?? 0,
  tapped: thread !== undefined,
});

/**
 * Where a hole of a job belongs, and what it is held against.
 * @param drawn places of the holes of each feature, as the drawing has them
 * @param of position zone of the drawing, a diameter, mm; letter of the bore that it is meant to meet
 */
export function settingAt(
  drawn: ReadonlyMap<string, readonly Point[]>,
  { featureId, holeNumber }: Pick<HoleAt, 'featureId' | 'holeNumber'>,
  plan: HolePlan,
  { habits, tools }: Pick<Shop, 'habits' | 'tools'>,
  { zoneMm, meets }: { zoneMm?: number; meets?: string } = {},
): CheckSetting {
  const place = drawn.get(featureId)?.[holeNumber - 1];
  return {
    ...(place ? { drawn: place, zoneMm: zoneOf({ ...positioned(plan), zoneMm }).value } : {}),
    notGoTurns: Number(habits.notGoTurns ?? 2),
    ...(meets === undefined ? {} : { meets }),
    ...(tools ? { tools } : {}),
  };
}
