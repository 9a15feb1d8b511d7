import { gaugeSteps } from '../layout/height-list';
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
import {
  atGauge,
  freshHeight,
  heightTask,
  heightTold,
  HIGHEST_MM,
  shownMm,
  type HeightAct,
  type HeightState,
  type HeightTask,
} from './simulated-height-gauge';
import {
  atTable,
  dialShows,
  freshTable,
  reachOf,
  tableTask,
  tableTold,
  touchOfEdge,
  type TableAct,
  type TableState,
  type TableTask,
} from './simulated-table';
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

describe('height gauge', () => {
  const done = (task: HeightTask, ...acts: HeightAct[]): HeightState =>
    acts.reduce((s, act) => atGauge(task, s, act), freshHeight(task));
  const careful = (task: HeightTask, heightMm = task.heightMm): HeightAct[] => [
    { do: 'plate' },
    { do: 'zero' },
    { do: 'move', mm: heightMm },
    { do: 'lock' },
    { do: 'scribe' },
  ];
  const tasksOf = Array.from({ length: 60 }, (_, seed) => heightTask(seed));
  const unzeroed = tasksOf.filter((t) => t.showsMm !== 0);
  const says = (task: HeightTask, s: HeightState): string => tell(heightTold(task, s).says, 'mm');

  test('touched, zeroed, set, locked, scribed: every line lies where it should', () => {
    for (const task of tasksOf) {
      const s = done(task, ...careful(task));
      expect([task, s.lineMm]).toEqual([task, expect.closeTo(task.heightMm, 9)]);
      expect(heightTold(task, s).right).toBe(true);
    }
    expect(new Set(tasksOf.map((t) => t.gauge)).size).toBe(4);
    expect([unzeroed.length > 20, unzeroed.length < 50]).toEqual([true, true]);
  });

  test('each slip is told by its own name', () => {
    const [task] = unzeroed;
    const { wholeMm } = gaugeSteps(task.gauge);
    const trusted = done(
      task,
      { do: 'move', mm: task.heightMm - task.showsMm - task.startMm },
      { do: 'lock' },
      { do: 'scribe' },
    );
    expect(shownMm(trusted)).toBeCloseTo(task.heightMm, 9);
    expect(says(task, trusted)).toContain('touch the plate and zero it');
    expect(says(task, done(task, ...careful(task, task.heightMm + wholeMm)))).toContain('a whole division');
    expect(says(task, done(task, ...careful(task).filter((a) => a.do !== 'lock')))).toContain('not locked');
    expect(heightTold(task, done(task, ...careful(task, task.heightMm + 0.05))).right).toBe(true);
    expect(heightTold(task, done(task, ...careful(task, task.heightMm + 0.06))).right).toBe(false);
  });

  test('locked it stands, scribed it stays, and under the plate there is nothing', () => {
    const [task] = tasksOf;
    const locked = done(task, { do: 'lock' });
    expect(atGauge(task, locked, { do: 'move', mm: 5 }).atMm).toBe(task.startMm);
    expect(atGauge(task, locked, { do: 'plate' }).atMm).toBe(task.startMm);
    expect(done(task, { do: 'move', mm: -500 })).toMatchObject({ atMm: 0 });
    expect(done(task, { do: 'move', mm: 500 }).atMm).toBe(HIGHEST_MM);
    const line = done(task, ...careful(task));
    expect(atGauge(task, line, { do: 'zero' })).toBe(line);
  });
});

describe('edge and dial', () => {
  const done = (task: TableTask, acts: readonly TableAct[]): TableState =>
    acts.reduce((s, act) => atTable(task, s, act), freshTable(task));
  const turn = (mm: number): TableAct => ({ do: 'turn', mm });
  const toTouch = (task: TableTask): TableAct[] => [
    turn(-reachOf(task.finder) - task.startMm),
    { do: 'zero' },
    { do: 'lift' },
  ];
  const onBy = (task: TableTask, mm: number): TableState => done(task, [...toTouch(task), turn(mm), { do: 'spot' }]);
  const tasksOf = Array.from({ length: 60 }, (_, seed) => tableTask(seed));
  const says = (task: TableTask, s: TableState): string => tell(tableTold(task, s).says, 'mm');

  test('touch, zero, lift, half the tool and the shim, on to the place: always right', () => {
    for (const task of tasksOf) {
      const touched = done(task, toTouch(task).slice(0, 1));
      expect([touched.found, touchOfEdge(task, touched)]).toEqual([true, 'touch']);
      const s = onBy(task, reachOf(task.finder) + task.targetMm);
      expect([task, s.atMm]).toEqual([task, expect.closeTo(task.targetMm, 9)]);
      expect(tableTold(task, s).right).toBe(true);
    }
    expect(tasksOf.some((t) => t.dial.inch) && tasksOf.some((t) => t.finder.kind === 'shim')).toBe(true);
  });

  test('each slip is told by its own name', () => {
    const task = tasksOf.find(
      (t) => t.finder.kind === 'finder' && t.finder.diameterMm === 10 && !t.dial.inch,
    ) as TableTask;
    const shim = tasksOf.find((t) => t.finder.kind === 'shim' && t.finder.shimMm === 0.25) as TableTask;
    const reach = reachOf(task.finder);
    expect(says(task, onBy(task, task.targetMm))).toContain('Half the tool was left out');
    expect(says(task, onBy(task, task.targetMm - reach))).toContain('wrong side');
    expect(says(task, onBy(task, reach + task.targetMm + task.dial.travelMm))).toContain('miscounted');
    expect(says(shim, onBy(shim, shim.finder.diameterMm / 2 + shim.targetMm))).toContain('it counts too');
    expect(says(task, done(task, [turn(2), { do: 'spot' }]))).toContain('never found');
    // Past it by 3 and back by 3: the screw bears on its other side.
    const back = done(task, [...toTouch(task), turn(reach + task.targetMm + 3), turn(-3), { do: 'spot' }]);
    expect(back.atMm - task.targetMm).toBeCloseTo(task.backlashMm, 9);
    expect(says(task, back)).toContain('lost motion');
    // Past and on again from the left: taken up.
    const again = done(task, [...toTouch(task), turn(reach + task.targetMm + 1), turn(-3), turn(2), { do: 'spot' }]);
    expect(tableTold(task, again).right).toBe(true);
    expect(says(task, done(task, [turn(-reach - task.startMm + 1.1)]))).toContain('run into the edge');
    expect(done(task, [{ do: 'lift' }, turn(20)])).toMatchObject({ found: false, ran: false });
    // Over the part there is no way down.
    expect(done(task, [{ do: 'lift' }, turn(20), { do: 'lift' }]).isDown).toBe(false);
    expect(done(task, [{ do: 'lift' }, turn(0.5), { do: 'lift' }]).isDown).toBe(true);
  });

  test('the dial shows divisions from its zero, whatever the turns, also back over zero', () => {
    const [task] = tasksOf;
    const { travelMm, divisions } = task.dial;
    const shows = (mm: number) => dialShows(task, done(task, [{ do: 'zero' }, turn(mm)]));
    expect(shows(2.25 * travelMm)).toBeCloseTo(divisions / 4, 6);
    expect(shows(-0.25 * travelMm)).toBeCloseTo(0.75 * divisions, 6);
  });
});
