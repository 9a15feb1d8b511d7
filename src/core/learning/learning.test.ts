import fc from 'fast-check';
import { expected, inSigmas, type Learned } from '../answer/estimate';
import { expectedHoleMm, holeLevels, typicalHoleMm } from '../drills/expected-hole';
import { sizedDrill, type Drill } from '../drills/drill';
import { material } from '../tests/bench-shop';
import { learn, learning, type Reading } from './learning';
import { pooled, TYPICAL } from './pooled';

const steel = material('steel-low-carbon');
const drill = (id: string, mm = 5): Drill => ({ ...sizedDrill(mm), id });
let at = 0;
/** A hole so many typical sigmas from the typical one. */
function reading(
  z: number,
  id = 'a',
  over: Partial<Reading> & { metal?: string; start?: 'punch' | 'spot' } = {},
): Reading {
  const hole = {
    drill: drill(id),
    start: over.start ?? ('punch' as const),
    material: material(over.metal ?? steel.id),
  };
  const typical = typicalHoleMm(hole);
  const [kind, started] = holeLevels(hole);
  return {
    recordId: `r${++at}`,
    happenedAt: new Date(1e12 + at * 1000).toISOString(),
    figure: 'oversize',
    levels: [kind, started],
    tool: `drill ${id}`,
    value: typical.mean + z * typical.sigma,
    typical,
    ...over,
  };
}
const holeOf = (learned: Learned, id = 'a', start: 'punch' | 'spot' = 'punch') =>
  expectedHoleMm({ drill: drill(id), start, material: steel }, learned);
const zOf = (learned: Learned, id = 'a', start: 'punch' | 'spot' = 'punch'): number =>
  inSigmas('oversize', holeOf(learned, id, start).mean, typicalHoleMm({ drill: drill(id), start, material: steel }));

test('one level: mean and spread by hand, the range by Student’s t', () => {
  // (3 × 0 + 2 + 4) ÷ 5; spread: (4 × 1 + 2 + 3 × 2 ÷ 5 × 9) ÷ 6.
  const { mean, sigma, n, range } = pooled(TYPICAL, [2, 4]);
  expect([mean, n]).toEqual([1.2, 2]);
  expect(sigma ** 2).toBeCloseTo((4 + 2 + (6 / 5) * 9) / 6, 9);
  // t of 6 degrees at 95 %: 1.943; the next scatters by √(1 + 1/5) more.
  expect(range[1] - mean).toBeCloseTo(1.9432 * sigma * Math.sqrt(1.2), 3);
  expect(pooled(TYPICAL, []).mean).toBe(0);
});

test('one reading far out weighs less, is not dropped, and does not carry the rest with it', () => {
  const steady = [-0.4, -0.2, -0.1, 0, 0.1, 0.2, 0.3];
  const { mean, weights } = pooled(TYPICAL, [...steady, 12]);
  expect(weights.slice(0, -1)).toEqual(steady.map(() => 1));
  expect(weights.at(-1)).toBeGreaterThan(0);
  expect(weights.at(-1)).toBeLessThan(0.2);
  expect(mean).toBeLessThan(0.25);
});

test('one hole, one reading: the latest, however often it was read; taken back, the one before counts again', () => {
  const hole = 'job feature 1 1';
  const [first, second] = [reading(1, 'a', { hole }), reading(3, 'a', { hole })];
  const often = learning();
  for (const r of [
    second,
    first,
    ...Array.from({ length: 50 }, () => reading(2, 'a', { hole, happenedAt: '2000-01-01' })),
  ])
    often.add(r);
  expect(often.learned()).toEqual(learn([second]));
  often.remove(second.recordId);
  expect(often.learned()).toEqual(learn([first]));
  expect(zOf(often.learned())).toBeGreaterThan(0);
  // Two deeds in one hole are two: each took its time.
  const timed = {
    figure: 'seconds' as const,
    levels: ['drill'],
    tool: undefined,
    value: 2,
    typical: { mean: 1, sigma: 0.3 },
    hole,
  };
  expect(learn([reading(0, 'a', timed), reading(0, 'a', timed)]).seconds?.drill.n).toBe(2);
});

test('levels pool: one hole moves little, twenty decide; two drills of one size part where they differ', () => {
  expect(zOf(learn([reading(2)]))).toBeCloseTo(0.5, 9);
  const twenty = learn(Array.from({ length: 20 }, (_, i) => reading(i % 2 ? 1.8 : 2.2)));
  expect(zOf(twenty)).toBeCloseTo((20 / 23) * 2, 2);
  // Another drill of the kind is expected between.
  expect(zOf(twenty, 'b')).toBeCloseTo((20 / 23) * 2, 2);
  const both = learn([
    ...Array.from({ length: 15 }, () => reading(2)),
    ...Array.from({ length: 15 }, () => reading(-1, 'b')),
  ]);
  expect(zOf(both)).toBeGreaterThan(1.5);
  expect(zOf(both, 'b')).toBeLessThan(-0.5);
  const third = zOf(both, 'c');
  expect(third).toBeGreaterThan(0);
  expect(third).toBeLessThan(1);
  // Of another start, the kind alone is known, and what this drill does anywhere.
  expect(zOf(both, 'c', 'spot')).toBeCloseTo(third, 1);
  expect(zOf(both, 'a', 'spot')).toBeGreaterThan(1.5);
});

test('sharpened, a drill begins anew; what it did before stays with its kind', () => {
  const before = Array.from({ length: 12 }, () => reading(3));
  const sharpened = new Date(1e12 + at * 1000 + 500).toISOString();
  const after = [reading(0), reading(0)];
  const learned = learn([...before, ...after], [['drill a', sharpened]]);
  expect(holeOf(learned).n).toBe(2);
  expect(zOf(learned)).toBeLessThan(zOf(learn([...before, ...after])));
  expect(zOf(learned, 'b')).toBeGreaterThan(1.5);
});

const readings = fc
  .array(fc.tuple(fc.double({ min: -3, max: 3, noNaN: true }), fc.constantFrom('a', 'b', 'c')), {
    minLength: 1,
    maxLength: 40,
  })
  .map((all) => all.map(([z, id]) => reading(z, id)));

test('the order of arrival makes no difference; what is taken back leaves nothing; learned set aside, all is typical', () => {
  fc.assert(
    fc.property(readings, fc.integer(), (all, seed) => {
      const whole = learn(all);
      const mixed = [...all].sort((a, b) => (a.recordId + seed).localeCompare(b.recordId) * (seed % 2 || 1));
      expect(learn(mixed)).toEqual(whole);
      const book = learning();
      for (const r of all) book.add(r);
      expect(book.learned()).toEqual(whole);
      const extra = reading(2.5, 'b');
      book.add(extra);
      book.add(extra);
      expect(book.learned()).toEqual(learn([...all, extra]));
      book.remove(extra.recordId);
      expect(book.learned()).toEqual(whole);
      for (const r of all) book.remove(r.recordId);
      expect(expected('oversize', { mean: 1, sigma: 2 }, () => ['x'], book.learned())).toEqual({
        mean: 1,
        sigma: 2,
        n: 0,
      });
      expect(holeOf(book.learned())).toEqual(holeOf({}));
    }),
    { numRuns: 60 },
  );
});

test('readings that agree never widen a spread; no mean leaves what was seen and what is typical', () => {
  const some = fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(some, (values) => {
      const sorted = [...values].sort((a, b) => a - b);
      const { mean } = pooled(TYPICAL, sorted);
      expect(mean).toBeGreaterThanOrEqual(Math.min(0, sorted[0]) - 1e-12);
      expect(mean).toBeLessThanOrEqual(Math.max(0, sorted[sorted.length - 1]) + 1e-12);
      const agreeing = sorted.map((x) => x / 3);
      expect(pooled(TYPICAL, agreeing).sigma).toBeLessThanOrEqual(1 + 1e-12);
    }),
  );
});
