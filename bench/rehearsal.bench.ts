import type { HoleModel } from '../src/core/rehearsal/hole-model';
import { fillLuck, generatorOf } from '../src/core/rehearsal/luck';
import { readied } from '../src/core/rehearsal/rehearse-job';
import { rehearsal } from '../src/core/rehearsal/rehearse';

const HOLES = 13;
const JOBS = 100_000;
const PLAN = { quantity: 1, seed: 1, besideS: 600 };

const models: HoleModel[] = [4, 4, 3, 2].map((n, i) => ({
  letter: 'ABCD'[i],
  featureId: `feature ${i}`,
  callout: '',
  face: 'top',
  points: Array.from({ length: n }, (_, k) => ({ x: 10 + 20 * k, y: 15 * (i + 1) })),
  isPlaced: true,
  placing: { means: 'height-gauge', punching: 'eye', starting: 'punch' },
  lineSigma: 0.03,
  ownSigma: 0.07,
  slip: { mm: 1, oneIn: 400 },
  zoneMm: 0.5,
  isJoint: true,
  size: {
    mean: 5.04,
    drillSigma: 0.02,
    holeSigma: 0.02,
    min: 4.92,
    max: 5.15,
    tool: `drill ${i}`,
    stepMm: 0.1,
    againS: 30,
  },
  tap: {
    key: `tap ${i}`,
    torqueNm: 3,
    breakingNm: 8,
    perMm: 4,
    leanMean: 0.3,
    leanSigma: 0.2,
    use: 1,
    life: { typical: 500, squares: 0, failures: 0, done: 10 },
    pitchTolMm: 0.13,
    countsTurns: false,
  },
  seconds: 120,
  isFirstThrough: false,
}));

const ms = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
rehearsal(models, { ...PLAN, seed: 2 }).go(3000);
const ours = ms(() => rehearsal(models, PLAN).go(JOBS));
/** The same random numbers, and nothing made of them. */
const { plans } = readied(models, 1).lots;
const bare = ms(() => {
  const buffers = plans.map(({ length }) => new Float64Array(length));
  let sum = 0;
  for (let job = 0; job < JOBS; job++)
    plans.forEach(({ of, normals }, k) => {
      fillLuck(generatorOf(PLAN.seed, job, of), buffers[k], normals);
      sum += buffers[k][0];
    });
  if (Number.isNaN(sum)) throw new Error('never');
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
