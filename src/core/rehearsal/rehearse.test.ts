import fc from 'fast-check';
import { material, shop } from '../tests/bench-shop';
import { BLANK_FORM } from '../hole/form';
import { plannerFor } from '../job/plan-in-job';
import { shareWithin } from '../units/normal-share';
import { boltsFit, enclosingRadius } from './bolts-fit';
import { holeModels, type HoleModel } from './hole-model';
import { proposalsFor } from './proposals';
import { rehearsal, rehearseJob, wilson, type Rehearsed } from './rehearse';

const N = 40_000;
/** Four standard errors of a share. */
const near = (share: number, n = N): number => 4 * Math.sqrt((share * (1 - share)) / n);

const model = (over: Partial<HoleModel> = {}): HoleModel => ({
  letter: 'A',
  featureId: 'a',
  points: [{ x: 10, y: 10 }],
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
const size = { mean: 6.8, sigma: 0.05, min: 6.647, max: 6.912, tool: 'd', stepMm: 0.1 };
const tap = { key: 't', torqueNm: 4, breakingNm: 6, leanMean: 0.2, leanSigma: 0.1, wear: 0, countsTurns: false };
function run(models: readonly HoleModel[], jobs = N, quantity = 1, seed = 5): Rehearsed {
  const made = rehearsal(models, { quantity, seed });
  made.go(jobs);
  return made.now();
}

test('against closed forms: a round zone, a class, several independent holes, a slip of the scale', () => {
  const placed = model({ lineSigma: 0.12, ownSigma: 0.16, zoneMm: 0.8 });
  // Rayleigh: e^(−0.4² ÷ (2 × 0.2²)) = e^−2.
  expect(Math.abs(run([placed]).with.place / N - Math.exp(-2))).toBeLessThan(near(Math.exp(-2)));
  const outside = 1 - shareWithin(6.8, 0.05, 6.647, 6.912);
  expect(Math.abs(run([model({ size })]).with.class / N - outside)).toBeLessThan(near(outside));
  const four = model({ ...placed, points: [10, 20, 30, 40].map((x, i) => ({ x, y: 50 + 7 * i })) });
  const all = 1 - (1 - Math.exp(-2)) ** 4;
  expect(Math.abs(run([four]).with.place / N - all)).toBeLessThan(near(all));
  const slipping = model({ zoneMm: 1, slip: { mm: 5, oneIn: 50 } });
  const either = 1 - (1 - 1 / 50) ** 2;
  expect(Math.abs(run([slipping]).with.place / N - either)).toBeLessThan(near(either));
  // A line that two holes share is off for both: they lie off together as often as one does.
  const shared = model({
    lineSigma: 0.2,
    zoneMm: 0.8,
    points: [
      { x: 10, y: 10 },
      { x: 10, y: 10 },
    ],
  });
  expect(run([shared]).often.place).toBe(2 * run([shared]).with.place);
});

test('a tap breaks where torque exceeds what it holds; it ages through the run, and a new one follows', () => {
  // Torque is lognormal, what it holds half-normal over the least: 4 e^(0.15 a) > 6 (1 + 0.35 |b|), summed by hand over b.
  let share = 0;
  for (let b = -6; b < 6; b += 0.001) {
    const a = Math.log((6 * (1 + 0.35 * Math.abs(b))) / 4) / 0.15;
    share += 0.001 * (Math.exp((-b * b) / 2) / Math.sqrt(2 * Math.PI)) * (1 - shareWithin(0, 1, -9, a));
  }
  expect(Math.abs(run([model({ tap })]).with['tap-broken'] / N - share)).toBeLessThan(near(share));
  const breaks = (wear: number): number => run([model({ tap: { ...tap, wear } })], 500, 40).often['tap-broken'];
  expect(breaks(0.02)).toBeGreaterThan(2 * breaks(0));
});

test('the same seed makes the same jobs, in whatever slices; another makes others; more of them never widen the interval', () => {
  const models = [model({ size, tap, ownSigma: 0.1, zoneMm: 0.5 })];
  const sliced = rehearsal(models, { quantity: 3, seed: 5 });
  for (const n of [1, 99, 400]) sliced.go(n);
  expect(sliced.now()).toEqual(run(models, 500, 3));
  expect(run(models, 500, 3, 6)).not.toEqual(run(models, 500, 3));
  expect(rehearseJob(models, { quantity: 3, seed: 5 }, 7)).toEqual(rehearseJob(models, { quantity: 3, seed: 5 }, 7));
  // Wilson’s own figures for 10 of 100.
  expect(wilson(10, 100).map((x) => +x.toFixed(4))).toEqual([0.0552, 0.1744]);
  const width = (n: number): number => wilson(0.3 * n, n)[1] - wilson(0.3 * n, n)[0];
  expect([100, 1000, 10_000].map(width)).toEqual([100, 1000, 10_000].map(width).sort((a, b) => b - a));
});

test('tighter means never raise the spoiled share, a hole added never lowers it: on the same luck, job by job', () => {
  const bad = (models: readonly HoleModel[], job: number): number =>
    rehearseJob(models, { quantity: 2, seed: 9 }, job).troubles.length;
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

test('bolts: the part is shifted and turned until all go in; against a search by brute force', () => {
  expect(
    enclosingRadius([
      { x: 0, y: 0 },
      { x: 6, y: 0 },
      { x: 3, y: 1 },
    ]),
  ).toBeCloseTo(3, 9);
  // An equilateral triangle of side 6: 6 ÷ √3.
  expect(
    enclosingRadius([
      { x: 0, y: 0 },
      { x: 6, y: 0 },
      { x: 3, y: 3 * Math.sqrt(3) },
    ]),
  ).toBeCloseTo(6 / Math.sqrt(3), 9);
  const points = [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 30, y: 50 },
  ];
  const off = fc.record({
    x: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
    y: fc.double({ min: -0.4, max: 0.4, noNaN: true }),
  });
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
      expect(boltsFit(at, errors, Math.max(0, least - 0.1))).toBe(false);
    }),
    { numRuns: 25 },
  );
});

test('a job of the shop: what would help is found on the same luck, and does', () => {
  const question = {
    ...BLANK_FORM,
    callout: '6x M5 THRU',
    machine: 'press',
    drill: '4.3',
    drills: 'metric-1-13-by-0.1',
  };
  const place = { kind: 'row' as const, x: 20, y: 20, count: 6, pitch: 15, angleDeg: 0 };
  const features = [{ id: 'f', letter: 'A', name: '', face: 'top' as const, question, place }];
  const part = {
    stock: { shape: 'plate' as const, widthMm: 120, heightMm: 40, thicknessMm: 10 },
    condition: '',
    datums: {},
  };
  const job = { materialId: material('steel-low-carbon').id, quantity: 4, part };
  const models = holeModels(features, job, plannerFor(shop), { isFirstThrough: false });
  expect(models[0]).toMatchObject({ letter: 'A', isJoint: true, placing: { means: 'height-gauge' } });
  const plan = { quantity: 4, seed: 3 };
  const proposals = proposalsFor(models, plan, 300);
  // 4.3 comes out at 4.36, over 4.334: the next smaller drill helps most, or one hole through first tells.
  expect(proposals.map((p) => p.id)).toEqual(expect.arrayContaining(['drill-down']));
  expect(proposals[0].after).toBeLessThan(proposals[0].before);
  expect(proposals.map((p) => p.after)).toEqual(proposals.map((p) => p.after).sort((a, b) => a - b));
});
