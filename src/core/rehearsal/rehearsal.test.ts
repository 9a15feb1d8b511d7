import type { Learned } from '../answer/estimate';
import { checksOf, type CheckKind } from '../gauging/checks-of';
import type { HolePlan } from '../hole/hole-plan';
import { shareOutside, type Placing } from '../layout/means-of-layout';
import { planned } from '../tests/bench-shop';
import { shareWithin } from '../units/normal-share';
import { drawHole, type TrueHole } from './draw-hole';
import { readingsOf } from './readings-of';

const N = 20_000;
/** Four sigma of a share of N draws. */
const near = (share: number): number => 4 * Math.sqrt((share * (1 - share)) / N);
function seeded(seed: number): () => number {
  let a = seed;
  return () => (a = (a * 48_271) % 2_147_483_647) / 2_147_483_647;
}
const SETTING = { drawn: { x: 40, y: 30 }, zoneMm: 0.5, notGoTurns: 2 };
const placing: Placing = { means: 'scriber', punching: 'eye', starting: 'punch' };

/** Share of drawn holes that the check of this kind finds bad. */
function badShare(plan: HolePlan, kind: CheckKind, learned?: Learned, seed = 7): number {
  const random = seeded(seed);
  const check = checksOf(plan, SETTING).find((c) => c.kind === kind);
  const holes = Array.from({ length: N }, () => drawHole(plan, placing, learned, random) as TrueHole);
  const bad = holes.filter((hole) => check?.judge(readingsOf(kind, hole, SETTING) ?? {}).state === 'bad');
  return bad.length / N;
}

test('places scatter as the closed form says: of a round zone so many miss, scribed, or as this shop measured', () => {
  const plan = planned({ callout: 'M8 THRU', thickness: '12', start: 'punch' });
  // Scriber, eye and punch: √(0.175² + 0.06² + 0.075²) = 0.1996.
  const typical = shareOutside(0.5, Math.hypot(0.175, 0.06, 0.075));
  expect(Math.abs(badShare(plan, 'position') - typical)).toBeLessThan(near(typical));
  const closer = shareOutside(0.5, 0.1);
  const share = 0.1 / Math.hypot(0.175, 0.06, 0.075);
  const learned = { place: { 'scriber|eye|punch': { mean: 0, sigma: share, n: 12, own: 0, range: [-2, 2] as const } } };
  expect(Math.abs(badShare(plan, 'position', learned) - closer)).toBeLessThan(near(closer));
});

test('holes out of their class come as often as the plan says of its drill; the same seed draws the same', () => {
  const plan = planned({ callout: 'M8 THRU', thickness: '12', start: 'punch', drill: '6.9', drills: 'crib' });
  const { limits, tapDrill } = plan.thread as NonNullable<HolePlan['thread']>;
  const { value, sigma } = tapDrill.hole;
  const outside = 1 - shareWithin(value, sigma, limits?.minorMinMm ?? 0, limits?.minorMaxMm ?? 0);
  expect(outside).toBeGreaterThan(0.5);
  // Pins are a hundredth apart, so that the limit is read to within one.
  expect(Math.abs(badShare(plan, 'minor') - outside)).toBeLessThan(0.12);
  const draw = (seed: number) => drawHole(plan, placing, undefined, seeded(seed));
  expect(draw(3)).toEqual(draw(3));
  expect(draw(3)).not.toEqual(draw(4));
  expect(drawHole(planned({ callout: 'M8 STUD x 20' }), placing, undefined, seeded(1))).toBeUndefined();
});
