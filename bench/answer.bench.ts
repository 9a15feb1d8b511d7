import { DRILL_SETS } from '../src/core/drills/drill-sets';
import { MATERIALS } from '../src/core/materials/materials';
import { planHole } from '../src/core/hole/plan-hole';
import { USUAL_HABITS } from '../src/core/shop/habits';

const CALLOUTS = ['M8 x 16 DEEP', '4x M3 THRU', '1/2-13 UNC x 1 DEEP', '2 BA', 'G 1/4', '1/8 NPT', 'M30x2 THRU'];
const pool = DRILL_SETS[DRILL_SETS.length - 1];

/** Median of the times of single runs, ms. */
function median(runs: number, work: (i: number) => void): number {
  const times = Array.from({ length: runs }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

const numbers = Array.from({ length: 10_000 }, (_, i) => (i * 7919) % 10_007);
/** The yardstick of the run: sorting ten thousand numbers. */
const reference = (): number => median(200, () => void Float64Array.from(numbers).sort());
const answer = (i: number): void => {
  const [callout, material] = [CALLOUTS[i % CALLOUTS.length], MATERIALS[i % MATERIALS.length]];
  planHole({ callout, material, pool, tap: 'auto', dry: false, parts: 1 }, { habits: USUAL_HABITS });
};

const cold = median(20, answer);
median(500, answer);
const warm = median(2000, answer);
const yardstick = reference();
console.log(
  JSON.stringify({
    name: 'full answer in core',
    coldMs: cold,
    warmMs: warm,
    yardstickMs: yardstick,
    ratio: warm / yardstick,
  }),
);
