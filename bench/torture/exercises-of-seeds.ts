import { exerciseOf, type ExerciseKind } from '../../src/core/practice/kinds-of-exercise';
import { sameAs } from '../../src/core/practice/exercise';
import { shop } from '../../src/core/tests/bench-shop';
import { exerciseFaults } from '../../src/core/tests/exercise-faults';

// KIND SEEDS: makes an exercise of a kind from each seed, twice, and says as JSON what is wrong with any.
const [kind, seeds] = [process.argv[2] as ExerciseKind, Number(process.argv[3])];
const seen = new Set<string>();
const faults: string[] = [];
const times: number[] = [];
for (let seed = 0; seed < seeds; seed++) {
  const begun = performance.now();
  const one = exerciseOf(kind, seed, { shop });
  times.push(performance.now() - begun);
  const again = exerciseOf(kind, seed, { shop });
  if (!one || !again) {
    faults.push(`${seed}: none can be asked`);
    continue;
  }
  seen.add(sameAs(one));
  faults.push(...exerciseFaults(one, again).map((fault) => `${seed}: ${fault}`));
}
times.sort((a, b) => a - b);
const p99Ms = times[Math.floor(0.99 * times.length)];
console.log(JSON.stringify({ different: seen.size, p99Ms, faulty: faults.length, faults: faults.slice(0, 5) }));
