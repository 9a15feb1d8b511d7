import { shop } from '../tests/bench-shop';
import { tell } from '../units/show';
import {
  act,
  feelWords,
  freshTap,
  hardenedBy,
  holdsNm,
  leanOf,
  whyBroken,
  type BreakCause,
  type TapState,
  type TapTask,
} from './simulated-tap';
import { practiceHole } from './tap-task';

const RUNS = 1000;
const STEP = 0.25;
const tasks: TapTask[] = [];
for (let seed = 0; tasks.length < 40; seed++) {
  const hole = practiceHole({ shop }, seed);
  if (hole) tasks.push(hole.task);
}
/** The same hole with another tap and another hand on it. */
const taskOf = (run: number): TapTask => {
  const task = tasks[run % tasks.length];
  const at = (Math.imul(run + 1, 0x9e3779b1) >>> 0) / 2 ** 32;
  return { ...task, holds: 1 + 0.8 * at ** 2, harder: Math.exp(0.5 * (at - 0.5)) };
};

interface Hand {
  bites: boolean;
  looks: boolean;
  oils: boolean;
  cleans: boolean;
  counts: boolean;
}
const CAREFUL: Hand = { bites: true, looks: true, oils: true, cleans: true, counts: true };
const CARELESS: Hand = { bites: false, looks: false, oils: false, cleans: false, counts: false };

/** A hand that turns until it thinks that the hole is done. */
function tapped(task: TapTask, hand: Hand): TapState {
  let s = freshTap(task);
  const most = hand.counts ? task.turns : task.bottomTurns + 1;
  while (!s.broken && s.deepest < most) {
    if (hand.looks && s.deepest < 2 && leanOf(s) > 0.2)
      s = act(task, s, { do: 'lean', front: -0.6 * s.front, side: -0.6 * s.side });
    if (hand.bites && task.biteTurns > 0 && s.bite >= task.biteTurns) s = act(task, s, { do: 'back' });
    if (hand.oils && s.sinceOil >= 4) s = act(task, s, { do: 'oil' });
    if (hand.cleans && s.packed > 3.5) s = act(task, s, { do: 'clean' });
    s = act(task, s, { do: 'turn', turns: STEP });
  }
  return act(task, s, { do: 'stop' });
}

test('a careful hand breaks under two taps in a hundred, a careless one over sixty; each break names what would have saved it', () => {
  const saves: Record<BreakCause, Partial<Hand>> = {
    packed: { bites: true, cleans: true },
    lean: { looks: true },
    dry: { oils: true },
    bottom: { counts: true },
  };
  let [careful, careless] = [0, 0];
  const causes = new Set<BreakCause>();
  for (let run = 0; run < RUNS; run++) {
    const task = taskOf(run);
    if (tapped(task, CAREFUL).broken) careful += 1;
    const broken = tapped(task, CARELESS);
    if (!broken.broken) continue;
    careless += 1;
    causes.add(broken.broken);
    expect(tell(whyBroken(broken)?.why ?? { text: '' }, 'mm')).not.toMatch(/[{}]/);
    // Without its cause this very run goes further, or to the end.
    let hand = CARELESS;
    let s = broken;
    const removed: BreakCause[] = [];
    while (s.broken && removed.length < 4) {
      expect(removed).not.toContain(s.broken);
      removed.push(s.broken);
      causes.add(s.broken);
      hand = { ...hand, ...saves[s.broken] };
      const next = tapped(task, hand);
      expect(next.broken ? next.deepest : Infinity).toBeGreaterThanOrEqual(s.deepest - STEP);
      s = next;
    }
    expect(s.broken).toBeUndefined();
  }
  expect(careful).toBeLessThan(0.02 * RUNS);
  expect(careless).toBeGreaterThan(0.6 * RUNS);
  expect(causes.size).toBeGreaterThan(2);
});

test('what the hand feels: the model’s torque when all is right, harder by each cause', () => {
  const [task] = tasks;
  const right = { at: 5, deepest: 5, bite: 0.1, packed: 1, sinceOil: 1, front: 0, side: 0 };
  expect(hardenedBy(task, right)).toEqual({ packed: 1, lean: 1, dry: 1, bottom: 1 });
  expect(hardenedBy(task, { ...right, sinceOil: 7 }).dry).toBe(1.5);
  // A degree over half a degree, five turns deep: 0.12 each.
  expect(hardenedBy(task, { ...right, front: 1.5 }).lean).toBeCloseTo(1.6, 9);
  expect(hardenedBy(task, { ...right, packed: 6 }).packed).toBeCloseTo(1.7, 9);
  expect(hardenedBy(task, { ...right, at: task.bottomTurns + 0.1 }).bottom).toBeCloseTo(4, 9);
  let s = freshTap(task);
  expect(tell(feelWords(task, s), 'mm')).toMatch(/^loose/);
  s = act(task, s, { do: 'turn', turns: 9 });
  expect(s.at).toBe(0.25);
  expect(s.torqueNm).toBeLessThan(holdsNm(task));
  const back = act(task, s, { do: 'back' });
  expect([back.at, back.bite, back.torqueNm]).toEqual([0, 0, 0]);
  expect(act(task, act(task, s, { do: 'stop' }), { do: 'turn', turns: 1 })).toMatchObject({ at: 0.25, isDone: true });
});
