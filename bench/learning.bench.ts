import { yardstickMs } from './measure';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { expected, type Learned, type LearnedFigure, type Spread } from '../src/core/answer/estimate';
import { learn, learning, type Reading } from '../src/core/learning/learning';
import { lifeLeft } from '../src/core/shop/tool-life';
import { shareWithin } from '../src/core/units/normal-share';

/** Simulated shops, each with truths that it does not know. */
const SHOPS = 20;
const DRILLS = 12;
const HOLES_EACH = 30;

function drawsOf(seed: number) {
  // Seeds that lie close begin alike.
  const generator = xoroshiro128plus(Math.imul(seed, 0x9e3779b1));
  const uniform = (): number => uniformFloat64(generator);
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  return { uniform, normal };
}
type Draws = ReturnType<typeof drawsOf>;

let made = 0;
const reading = (figure: LearnedFigure, levels: string[], value: number, typical: Spread, tool?: string): Reading => ({
  figure,
  levels,
  tool,
  value,
  typical,
  recordId: `r${++made}`,
  happenedAt: new Date(1.7e12 + made * 1000).toISOString(),
});

/** Shares of the next ones that lie in the range that was stated before them. */
const stated = { oversize: [0, 0], seconds: [0, 0], life: [0, 0] } as Record<string, [inside: number, all: number]>;
function count(of: keyof typeof stated, inside: boolean): void {
  stated[of][0] += Number(inside);
  stated[of][1] += 1;
}

/** Holes out of class, chosen by typical figures and by what was learned. */
const spoiled = { typical: 0, learned: 0, holes: 0 };

/** Drills of one size and their smaller neighbours: each shop’s metal, spindle and grinding move them all, and each a little. */
function drilling({ normal }: Draws): void {
  const typical: Spread = { mean: 5.07, sigma: 0.022 };
  const levels = ['hss|to 6|m', 'hss|to 6|m|spot'];
  // Half of what differs belongs to the shop, half to the drill.
  const shop = 0.7 * normal();
  const truth = Array.from({ length: DRILLS }, () => shop + 0.7 * normal());
  const hole = (drill: number): number => typical.mean + typical.sigma * (truth[drill] + 0.7 * normal());
  const readings: Reading[] = [];
  for (let n = 0; n < HOLES_EACH; n++)
    for (let drill = 0; drill < DRILLS; drill++) {
      const value = hole(drill);
      if (n > 2) {
        const learned = learn(readings);
        const { range = [0, 0] } = expected(
          'oversize',
          typical,
          () => [...levels, `d${drill}`, `${levels[1]}|d${drill}`],
          learned,
        );
        count('oversize', value >= range[0] && value <= range[1]);
      }
      readings.push(reading('oversize', levels, value, typical, `d${drill}`));
    }
  // A class 0.09 wide, and drills every 0.05: which one is taken for the next hole.
  const learned = learn(readings);
  const limits = [5.02, 5.11] as const;
  const steps = [-0.1, -0.05, 0, 0.05, 0.1];
  for (let drill = 0; drill < DRILLS; drill++) {
    const choose = (by: Learned | undefined): number =>
      steps
        .map((step) => {
          const { mean, sigma } = expected(
            'oversize',
            typical,
            () => [...levels, `d${drill}`, `${levels[1]}|d${drill}`],
            by,
          );
          return { step, share: shareWithin(mean + step, sigma, ...limits) };
        })
        .reduce((best, s) => (s.share > best.share ? s : best)).step;
    const [plain, own] = [choose(undefined), choose(learned)];
    for (let n = 0; n < 50; n++) {
      const at = hole(drill);
      const isOut = (step: number): number => Number(at + step < limits[0] || at + step > limits[1]);
      spoiled.typical += isOut(plain);
      spoiled.learned += isOut(own);
      spoiled.holes += 1;
    }
  }
}

function timing({ normal }: Draws): void {
  const typical: Spread = { mean: 1, sigma: 0.3 };
  const machines = Array.from({ length: 4 }, () => 0.25 * normal());
  const readings: Reading[] = [];
  for (let n = 0; n < 40; n++)
    machines.forEach((pace, m) => {
      const value = Math.exp(pace + 0.22 * normal());
      const levels = ['drill', `drill|m${m}`];
      if (n > 2) {
        const { range = [0, 0] } = expected('seconds', typical, () => levels, learn(readings));
        count('seconds', value >= range[0] && value <= range[1]);
      }
      readings.push(reading('seconds', levels, value, typical));
    });
}

function lives({ uniform }: Draws): void {
  // What is typical is only that: this shop’s taps last between half and twice as long.
  const typical = 500;
  const mean = typical * 2 ** (2 * uniform() - 1);
  const rate = Math.PI / (4 * mean ** 2);
  const draw = (): number => Math.sqrt(-Math.log(1 - uniform()) / rate);
  let squares = 0;
  let failures = 0;
  for (let tap = 0; tap < 25; tap++) {
    const life = draw();
    const { range } = lifeLeft({ typical, squares, failures }, 0);
    if (tap > 0) count('life', life >= range[0] && life <= range[1]);
    squares += life ** 2;
    failures += 1;
  }
}

for (let seed = 1; seed <= SHOPS; seed++) {
  const draws = drawsOf(seed);
  drilling(draws);
  timing(draws);
  lives(draws);
}
for (const [of, [inside, all]] of Object.entries(stated)) {
  const share = inside / all;
  console.log(
    JSON.stringify({ name: `next ${of} inside its stated nine of ten`, share, cases: all, from: 0.85, to: 0.95 }),
  );
  if (share < 0.85 || share > 0.95) process.exitCode = 1;
}
console.log(
  JSON.stringify({
    name: 'holes out of class, with learning and without',
    ...spoiled,
    ratio: spoiled.learned / spoiled.typical,
    limit: 1,
  }),
);
if (spoiled.learned >= spoiled.typical) process.exitCode = 1;

/** A hundred thousand records: a whole fold, and one record more, against a bare pass over the rows. */
const draws = drawsOf(99);
const many = Array.from({ length: 100_000 }, (_, i) => {
  const kind = `hss|to ${[3, 6, 10][i % 3]}|metal ${i % 12}`;
  const typical = { mean: 5, sigma: 0.02 };
  return reading(
    'oversize',
    [kind, `${kind}|${['spot', 'punch'][i % 2]}`],
    5 + 0.02 * draws.normal(),
    typical,
    `drill ${i % 150}`,
  );
});
const ms = (work: () => void): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
/** Of the yardstick: all of them, and one more. */
const MOST_FOLD = 2600;
const MOST_MORE = 0.5;
const barePass = Math.min(
  ...Array.from({ length: 20 }, () => ms(() => void JSON.stringify(many.reduce((sum, r) => sum + r.value, 0)))),
);
const fold = ms(() => void learn(many));
const book = learning();
for (const r of many) book.add(r);
book.learned();
const one = Array.from({ length: 200 }, (_, i) => ms(() => book.add({ ...many[i], recordId: `more ${i}` }))).sort(
  (a, b) => a - b,
);
const again = Array.from({ length: 20 }, (_, i) => {
  book.add({ ...many[i], recordId: `again ${i}` });
  return ms(() => void book.learned());
}).sort((a, b) => a - b);
console.log(
  JSON.stringify({
    name: 'what 100,000 readings teach, against a bare pass over them',
    foldMs: fold,
    barePassMs: barePass,
    yardstickMs,
    ratio: fold / yardstickMs,
    limit: MOST_FOLD,
  }),
);
const more = one[190] / yardstickMs;
console.log(
  JSON.stringify({
    name: 'one record more',
    addedMs: one[190],
    askedAgainMs: again[10],
    ratio: more,
    limit: MOST_MORE,
  }),
);
if (fold / yardstickMs > MOST_FOLD || more > MOST_MORE) process.exitCode = 1;
