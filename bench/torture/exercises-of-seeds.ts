import { exerciseOf, type ExerciseKind } from '../../src/core/practice/kinds-of-exercise';
import { sameAs } from '../../src/core/practice/exercise';
import { shop } from '../../src/core/tests/bench-shop';
import { exerciseFaults } from '../../src/core/tests/exercise-faults';

// KIND SEEDS: makes an exercise of a kind from each seed, twice, and says as JSON what is wrong with any.
const [kind, seeds] = [process.argv[2] as ExerciseKind, Number(process.argv[3])];
const seen = new Set<string>();
const faults: string[] = [];
for (let seed = 0; seed < seeds; seed++) {
  const [one, again] = [exerciseOf(kind, seed, { shop }), exerciseOf(kind, seed, { shop })];
  if (!one || !again) {
    faults.push(`${seed}: none can be asked`);
    continue;
  }
  seen.add(sameAs(one));
  faults.push(...exerciseFaults(one, again).map((fault) => `${seed}: ${fault}`));
}
console.log(JSON.stringify({ different: seen.size, faulty: faults.length, faults: faults.slice(0, 5) }));
