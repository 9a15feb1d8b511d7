import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { HoleModel } from '../src/core/rehearsal/hole-model';
import { rehearsal } from '../src/core/rehearsal/rehearse';

const HOLES = 13;
const JOBS = 100_000;

const models: HoleModel[] = [4, 4, 3, 2].map((n, i) => ({
  letter: 'ABCD'[i],
  featureId: `feature ${i}`,
  points: Array.from({ length: n }, (_, k) => ({ x: 10 + 20 * k, y: 15 * (i + 1) })),
  placing: { means: 'height-gauge', punching: 'eye', starting: 'punch' },
  lineSigma: 0.03,
  ownSigma: 0.1,
  slip: { mm: 1, oneIn: 400 },
  zoneMm: 0.5,
  isJoint: true,
  size: { mean: 5.1, sigma: 0.03, min: 4.92, max: 5.15, tool: `drill ${i}`, stepMm: 0.1 },
  tap: { key: `tap ${i}`, torqueNm: 3, breakingNm: 8, leanMean: 0.3, leanSigma: 0.2, wear: 0.001, countsTurns: false },
  seconds: 120,
  isFirstThrough: false,
}));

const ms = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
rehearsal(models, { quantity: 1, seed: 2 }).go(3000);
const ours = ms(() => rehearsal(models, { quantity: 1, seed: 1 }).go(JOBS));
/** The same random numbers, and nothing made of them: a line, own scatter twice, drill, lean, torque, holding, a count. */
const NUMBERS = HOLES * 10;
const bare = ms(() => {
  const generator = xoroshiro128plus(1);
  let sum = 0;
  for (let i = 0; i < JOBS * NUMBERS; i++) sum += uniformFloat64(generator);
  if (sum < 0) throw new Error('never');
});
console.log(
  JSON.stringify({
    name: '13 holes, 100,000 jobs, against a bare loop that makes the same random numbers; one core',
    ms: ours,
    bareMs: bare,
    drawsOfBare: bare / ours,
    holesASecond: Math.round((1000 * HOLES * JOBS) / ours),
  }),
);
if (ours / 2 > 3000) process.exitCode = 1;
