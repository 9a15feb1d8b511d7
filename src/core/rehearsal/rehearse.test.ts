import fc from 'fast-check';
import { shareWithin } from '../units/normal-share';
import { blame } from './blame';
import { boltsFit, enclosingRadius } from './bolts-fit';
import type { HoleModel } from './hole-model';
import { blanksFor, minutesFor, rehearsal, shareWithinMinutes, troublesOf, wilson, type Rehearsed } from './rehearse';
import { troubleWords } from './rehearsal-words';
import { tell } from '../units/show';

const DRAWS = 1_000_000;
/** Three standard errors of a share. */
const near = (share: number, n = DRAWS): number => 3 * Math.sqrt((share * (1 - share)) / n);

const model = (over: Partial<HoleModel> = {}): HoleModel => ({
  letter: 'A',
  featureId: 'a',
  callout: 'M8 THRU',
  face: 'top',
  points: [{ x: 10, y: 10 }],
  isPlaced: true,
  placing: { means: 'height-gauge', punching: 'eye', starting: 'punch' },
  lineSigma: 0,
  ownSigma: 0,
  slip: { mm: 1, oneIn: Infinity },
  zoneMm: 0,
  isJoint: false,
  seconds: 60,
  isFirstThrough: false,
  ...over,
});
const size = { mean: 6.8, drillSigma: 0, holeSigma: 0.05, min: 6.647, max: 6.912, tool: 'd', stepMm: 0.1, againS: 30 };
const life = { typical: 1e9, squares: 0, failures: 0, done: 0 };
const tap = {
  key: 't',
  torqueNm: 4,
  breakingNm: 6,
  perMm: 0,
  leanMean: 0.2,
  leanSigma: 0.1,
  use: 1,
  life,
  countsTurns: false,
};
/** So many holes that share no line. */
const apart = (n: number) => Array.from({ length: n }, (_, i) => ({ x: 10 + 10 * i, y: 50 + 7 * i }));
const plan = (quantity = 1, seed = 5) => ({ quantity, seed, besideS: 0 });
function run(models: readonly HoleModel[], jobs: number, quantity = 1, seed = 5): Rehearsed {
  const made = rehearsal(models, plan(quantity, seed));
  made.go(jobs);
  return made.now();
}

test('against closed forms, a million draws each: a round zone, several independent holes, a class', () => {
  // Rayleigh: e^(−0.4² ÷ (2 × 0.2²)) = e^−2. Scrap is made again; what went wrong is counted on the first part alone.
  const four = model({ lineSigma: 0.12, ownSigma: 0.16, zoneMm: 0.8, points: apart(4) });
  const placed = run([four], DRAWS / 4);
  expect(Math.abs(placed.often.place / DRAWS - Math.exp(-2))).toBeLessThan(near(Math.exp(-2)));
  const any = 1 - (1 - Math.exp(-2)) ** 4;
  expect(Math.abs(placed.with.place / (DRAWS / 4) - any)).toBeLessThan(near(any, DRAWS / 4));
  // The pin adds 0.004 of its own.
  const outside = 1 - shareWithin(6.8, Math.hypot(0.05, 0.004), 6.647, 6.912);
  const { often } = run([model({ size, points: apart(4) })], DRAWS / 4);
  expect(Math.abs((often.large + often.small) / DRAWS - outside)).toBeLessThan(near(outside));
  expect(often.missed).toBeGreaterThan(0);
}, 30_000);

test('a slip of the scale moves all holes on its line; holes on one line lie off together', () => {
  const slipping = model({ zoneMm: 1, slip: { mm: 5, oneIn: 50 } });
  const either = 1 - (1 - 1 / 50) ** 2;
  expect(Math.abs(run([slipping], 100_000).with.place / 100_000 - either)).toBeLessThan(near(either, 100_000));
  const there = { x: 10, y: 10 };
  const shared = run([model({ lineSigma: 0.2, zoneMm: 0.8, points: [there, there] })], 5000);
  expect(shared.often.place).toBe(2 * shared.with.place);
});

test('a tap breaks where torque exceeds what it holds, and at the end of its life, by closed forms; it ages through the run', () => {
  // Torque is lognormal, what it holds half-normal over the least: 4 e^(0.15 a) > 6 (1 + 0.35 |b|), summed by hand over b.
  let share = 0;
  for (let b = -6; b < 6; b += 0.001) {
    const a = Math.log((6 * (1 + 0.35 * Math.abs(b))) / 4) / 0.15;
    share += 0.001 * (Math.exp((-b * b) / 2) / Math.sqrt(2 * Math.PI)) * (1 - shareWithin(0, 1, -9, a));
  }
  expect(Math.abs(run([model({ tap })], 200_000).often['tap-broken'] / 200_000 - share)).toBeLessThan(
    near(share, 200_000),
  );
  // Half done, thirty holes more. Of many lives of 90 on a Weibull law of shape 2: 1 − e^−((80² − 50²) ÷ 90²).
  const ends = (life: typeof tap.life, expected: number): void => {
    const ageing = model({ points: apart(30), tap: { ...tap, torqueNm: 0.1, life } });
    expect(Math.abs(run([ageing], 20_000).with['tap-broken'] / 20_000 - expected)).toBeLessThan(near(expected, 20_000));
  };
  ends({ typical: 0, squares: 1e6 * 90 ** 2, failures: 1e6, done: 50 }, 1 - Math.exp(-(80 ** 2 - 50 ** 2) / 90 ** 2));
  // One of which nothing is known but that such taps last 100: rate (200 ÷ π)² + 50².
  const rate = (200 / Math.PI) ** 2 + 50 ** 2;
  ends({ typical: 100, squares: 0, failures: 0, done: 50 }, 1 - rate / (rate + 80 ** 2 - 50 ** 2));
  const breaks = (typical: number): number =>
    run([model({ tap: { ...tap, life: { ...life, typical, failures: 1e6, squares: 1e16 } } })], 500, 40).often[
      'tap-broken'
    ];
  expect(breaks(40)).toBeGreaterThan(2 * breaks(1e9));
});

test('the first hole through tells the drill: the rest are drilled with the next one', () => {
  const large = { ...size, mean: 6.93, holeSigma: 0.01 };
  const six = { size: large, points: apart(6) };
  const without = run([model(six)], 2000);
  const first = run([model({ ...six, isFirstThrough: true })], 2000);
  expect(without.often.large / 2000).toBeGreaterThan(5);
  expect(first.often.large).toBeLessThan(2 * 2000);
  expect(
    troublesOf([model({ ...six, isFirstThrough: true })], plan(), 0).map((t) => tell(troubleWords(t), 'mm')),
  ).toEqual([expect.stringMatching(/^A1 came out at 6\.9\d+ mm, over 6\.912 mm/)]);
});

test('the same seed makes the same jobs, in whatever slices and whoever makes them; more of them never widen the interval', () => {
  const models = [model({ size, tap, ownSigma: 0.1, zoneMm: 0.5 })];
  const sliced = rehearsal(models, plan(3));
  for (const n of [1, 99, 400]) sliced.go(n);
  expect(sliced.now()).toEqual(run(models, 500, 3));
  const late = rehearsal(models, plan(3), 200);
  late.go(300);
  const [a, b, all] = [run(models, 200, 3), late.now(), run(models, 500, 3)];
  expect([a.clean + b.clean, a.badParts + b.badParts]).toEqual([all.clean, all.badParts]);
  expect(a.minutes.jobs.map((n, i) => n + b.minutes.jobs[i])).toEqual(all.minutes.jobs);
  expect(run(models, 500, 3, 6)).not.toEqual(all);
  // Wilson’s own figures for 10 of 100.
  expect(wilson(10, 100).map((x) => +x.toFixed(4))).toEqual([0.0552, 0.1744]);
  const width = (n: number): number => wilson(0.3 * n, n)[1] - wilson(0.3 * n, n)[0];
  expect([100, 1000, 10_000].map(width)).toEqual([100, 1000, 10_000].map(width).sort((x, y) => y - x));
});

test('tighter means never raise the spoiled share, a hole added never lowers it: on the same luck, job by job', () => {
  const bad = (models: readonly HoleModel[], job: number): number => troublesOf(models, plan(2, 9), job).length;
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1e6 }), fc.double({ min: 0, max: 1, noNaN: true }), (job, share) => {
      const loose = model({ ownSigma: 0.2, lineSigma: 0.1, zoneMm: 0.5 });
      const tight = { ...loose, ownSigma: 0.2 * share, lineSigma: 0.1 * share };
      expect(bad([tight], job)).toBeLessThanOrEqual(bad([loose], job));
      const more = model({ letter: 'B', featureId: 'b', size });
      expect(bad([loose, more], job)).toBeGreaterThanOrEqual(bad([loose], job));
    }),
  );
});

test('time and blanks: one part in five is scrap; a job is done in its minutes, scrap made again', () => {
  const scrap = model({
    size: { ...size, holeSigma: 0.1, max: 6.8 + (0.0842 * Math.hypot(1, 0.04) * 10) / 10, min: 0 },
    seconds: 600,
  });
  const found = run([scrap], 20_000, 10);
  const share = found.badParts / found.parts;
  expect(share).toBeCloseTo(0.2, 2);
  // Of fourteen blanks at least ten are good in 87 of 100 jobs, of sixteen in 97, of fifteen in 94.
  expect([0.87, 0.93, 0.96].map((sure) => blanksFor(found, 10, sure))).toEqual([14, 15, 16]);
  expect(blanksFor(run([model({ size: { ...size, max: 0 } })], 50), 1)).toBeUndefined();
  const [half, late] = [0.5, 0.95].map((s) => minutesFor(found, s));
  // Ten good parts take 12.5 parts of ten minutes; a lognormal of 0.22 is 2.4 % longer on the average.
  expect(half).toBeGreaterThan(118);
  expect(half).toBeLessThan(134);
  expect([shareWithinMinutes(found, half), shareWithinMinutes(found, late)].map((s) => +s.toFixed(2))).toEqual([
    0.5, 0.95,
  ]);
});

test('what to blame: one cause alone has all of it, two add up to less than all alone and more than all together', () => {
  const placed = model({ ownSigma: 0.2, zoneMm: 0.6 });
  const [most, ...rest] = blame([placed], plan(), 1500);
  expect(most).toMatchObject({ cause: 'start', alone: expect.closeTo(1, 9), total: expect.closeTo(1, 1) });
  expect(rest.every((b) => b.alone === 0 && b.total === 0)).toBe(true);
  const both = blame([placed, model({ featureId: 'b', size: { ...size, mean: 6.86 } })], plan(), 3000);
  const sum = (of: 'alone' | 'total') => both.reduce((all, b) => all + b[of], 0);
  expect(
    both
      .slice(0, 2)
      .map((b) => b.cause)
      .sort(),
  ).toEqual(['hole', 'start']);
  expect(sum('alone')).toBeLessThan(1.02);
  expect(sum('total')).toBeGreaterThan(1);
  expect(sum('total') - sum('alone')).toBeLessThan(0.5);
});

test('bolts: the part is shifted and turned until all go in; against a search by brute force', () => {
  const [a, b, c] = [
    [0, 0],
    [6, 0],
    [3, 1],
  ].map(([x, y]) => ({ x, y }));
  expect(enclosingRadius([a, b, c])).toBeCloseTo(3, 9);
  expect(enclosingRadius([a, { x: 3, y: 0 }, b])).toBeCloseTo(3, 9);
  // An equilateral triangle of side 6: 6 ÷ √3.
  expect(enclosingRadius([a, b, { x: 3, y: 3 * Math.sqrt(3) }])).toBeCloseTo(6 / Math.sqrt(3), 9);
  const points = [
    [0, 0],
    [60, 0],
    [30, 50],
  ].map(([x, y]) => ({ x, y }));
  const far = fc.double({ min: -0.4, max: 0.4, noNaN: true });
  const off = fc.record({ x: far, y: far });
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 3 }), fc.tuple(off, off, off), (n, offs) => {
      const [at, errors] = [points.slice(0, n), offs.slice(0, n)];
      let least = Infinity;
      for (let turn = -0.02; turn <= 0.02; turn += 0.001)
        for (let dx = -0.5; dx <= 0.5; dx += 0.05)
          for (let dy = -0.5; dy <= 0.5; dy += 0.05)
            least = Math.min(
              least,
              Math.max(...errors.map((e, i) => Math.hypot(e.x - dx - turn * at[i].y, e.y - dy + turn * at[i].x))),
            );
      // The coarse search misses the best by less than its steps.
      expect(boltsFit(at, errors, least + 1e-3)).toBe(true);
      expect(least > 0.1 && boltsFit(at, errors, least - 0.1)).toBe(false);
    }),
    { numRuns: 25 },
  );
});
