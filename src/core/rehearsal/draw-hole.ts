import type { Learned } from '../answer/estimate';
import { expectedHoleMm } from '../drills/expected-hole';
import type { HolePlan } from '../hole/hole-plan';
import { expectedPlace, type Placing } from '../layout/means-of-layout';
import { mainOperation } from '../operation/operation';
import { expectedMinor } from '../tap-drill/forming';

/** Uniform numbers from 0 up to 1: seeded, so that the same seed draws the same holes. */
export type Random = () => number;

/** A hole as it came out, mm. */
export interface TrueHole {
  /** How far it lies from where it is drawn. */
  off: { x: number; y: number };
  /** Diameter that its drill left, or the existing hole; of a formed thread the finished minor diameter besides. */
  holeMm: number;
  minorMm: number;
}

/** A number of the normal distribution with mean 0 and sigma 1. */
export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * One hole as it could come out: place and diameter, each from what is expected of it.
 * @param placing how its place is found and begun
 * @returns undefined where nothing is drilled
 */
export function drawHole(
  plan: HolePlan,
  placing: Placing,
  learned: Learned | undefined,
  random: Random,
): TrueHole | undefined {
  const drill = mainOperation(plan.operations)?.cut?.spec.drill;
  if (!drill) return undefined;
  const { start, material, thread } = plan;
  const place = expectedPlace(placing, learned);
  const hole = expectedHoleMm({ drill, start, material }, learned);
  const off = { x: place.mean + place.sigma * normal(random), y: place.mean + place.sigma * normal(random) };
  const holeMm = hole.mean + hole.sigma * normal(random);
  if (thread?.kind !== 'form') return { off, holeMm, minorMm: holeMm };
  const minor = expectedMinor({ thread: thread.thread, material }, holeMm, learned);
  return { off, holeMm, minorMm: minor.mean + minor.sigma * normal(random) };
}
