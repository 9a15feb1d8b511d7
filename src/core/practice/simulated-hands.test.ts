import { shop } from '../tests/bench-shop';
import { tell } from '../units/show';
import {
  atPress,
  chipNow,
  endMm,
  freshPress,
  pressTask,
  pressTold,
  type PressFault,
  type PressState,
  type PressTask,
} from './simulated-press';
import { freshPunch, MOST_LIGHT, offMm, punch, punchTask, punchTold, seenFrom } from './simulated-punch';

const tasks: PressTask[] = [];
for (let seed = 0; tasks.length < 40; seed++) {
  const task = pressTask({ shop }, seed);
  if (task) tasks.push(task);
}
const blind = (t: PressTask): boolean => !t.through;
const rightBelt = ({ steps, idealRpm }: PressTask): number =>
  [...steps].reverse().find((s) => s <= 1.1 * idealRpm) ?? steps[0];

interface Hand {
  rpm?: number;
  share?: number;
  stopMm?: number;
  clears?: boolean;
  eases?: boolean;
}
function drilled(
  task: PressTask,
  { rpm = rightBelt(task), share = 1, stopMm = endMm(task), clears = true, eases = true }: Hand,
): PressState {
  let s = atPress(task, freshPress(), { do: 'belt', rpm });
  s = atPress(task, s, { do: 'stop', mm: stopMm });
  for (let n = 0; n < 4000 && !s.isOver && s.deepMm < stopMm - 1e-9; n++) {
    if (clears && s.sinceOutMm > 0.5 * task.diameterMm) s = atPress(task, s, { do: 'out' });
    const nearEnd = task.through && s.deepMm > task.fullMm - 0.02;
    s = atPress(task, s, { do: 'feed', share: eases && nearEnd ? 0.55 : share });
  }
  return atPress(task, s, { do: 'end' });
}

test('a careful hand drills every hole without a fault; each mistake has its own sign and its own reason', () => {
  for (const task of tasks) {
    const s = drilled(task, {});
    expect([task, s.faults]).toEqual([task, []]);
    expect(pressTold(task, s)).toEqual([]);
  }
  const faultOf = (task: PressTask | undefined, hand: Hand): PressFault[] =>
    task ? [...drilled(task, hand).faults] : [];
  const fast = tasks.find((t) => t.material.group === 'steel' && t.steps.some((r) => r > 1.5 * t.idealRpm));
  const tooFast = fast?.steps.find((r) => r > 1.5 * fast.idealRpm);
  expect(faultOf(fast, { rpm: tooFast })).toEqual(['burnt']);
  expect(fast && chipNow(fast, { ...freshPress(), rpm: tooFast ?? 0, lastShare: 1 })).toBe('blue');
  const deep =
    tasks.find((t) => t.fullMm > 5 * t.diameterMm * (t.material.chips === 'stringy' ? 1 : 1.2) && blind(t)) ??
    tasks.find((t) => t.material.chips === 'stringy' && endMm(t) > 3 * t.diameterMm);
  if (deep) expect(faultOf(deep, { clears: false })).toContain('packed');
  const through = tasks.find((t) => t.through && t.diameterMm > 3);
  expect(faultOf(through, { eases: false })).toContain('grabbed');
  const hardens = tasks.find((t) => t.material.group === 'stainless' && t.material.chips === 'stringy' && blind(t));
  expect(faultOf(hardens, { share: 0.2 })).toContain('hardened');
  const one = tasks.find(blind) as PressTask;
  // The point left out of the stop: the hole is short by it; added twice, it is too deep.
  const short = drilled(one, { stopMm: one.fullMm });
  expect(short.faults).toEqual(one.tipMm > 0.3 ? ['short'] : []);
  expect(tell(pressTold(one, short)[0].says, 'mm')).toMatch(/short of full depth/);
  expect(drilled(one, { stopMm: one.fullMm + 2 * one.tipMm + 0.5 }).faults).toEqual(['deep']);
});

test('a belt is changed and a stop is set before it cuts, not in the hole', () => {
  const [task] = tasks;
  let s = atPress(task, freshPress(), { do: 'feed', share: 1 });
  expect(s.deepMm).toBe(0);
  s = atPress(task, s, { do: 'belt', rpm: rightBelt(task) });
  s = atPress(task, s, { do: 'feed', share: 1 });
  expect(s.deepMm).toBeCloseTo((task.feed * s.rpm * 0.25) / 60, 9);
  expect(atPress(task, s, { do: 'belt', rpm: 9999 }).rpm).toBe(s.rpm);
  expect(atPress(task, s, { do: 'stop', mm: 3 }).stopMm).toBe(0);
});

test('a punch mark is drawn across by what is seen from above; from the side it seems to lie elsewhere', () => {
  let inside = 0;
  for (let seed = 0; seed < 200; seed++) {
    const task = punchTask(seed);
    const start = freshPunch(task);
    expect(offMm(start)).toBeGreaterThan(0.14);
    const by = (from: 'above' | 'side') => {
      let s = start;
      for (let n = 0; n < MOST_LIGHT; n++) {
        const [x, y] = seenFrom(task, s, from);
        s = punch(task, s, { do: 'look', from });
        s = punch(task, s, { do: 'draw', x: -x, y: -y });
      }
      return punch(task, punch(task, s, { do: 'look', from }), { do: 'firm' });
    };
    const above = by('above');
    // Three blows of seven tenths at least leave 0.027 of it.
    expect(punchTold(task, above).right).toBe(true);
    expect(offMm(above)).toBeLessThan(0.03 * offMm(start));
    const side = by('side');
    if (punchTold(task, side).right) inside += 1;
    else expect(tell(punchTold(task, side).says, 'mm')).toMatch(/Look straight down/);
    expect(punch(task, side, { do: 'draw', x: 1, y: 1 })).toBe(side);
    expect(punch(task, { ...start, light: MOST_LIGHT }, { do: 'draw', x: 1, y: 1 }).x).toBe(start.x);
  }
  expect(inside).toBeLessThan(100);
});
