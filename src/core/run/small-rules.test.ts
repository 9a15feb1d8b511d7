import { classLimits } from '../threads/class-limits';
import { threadNamed } from '../threads/thread-named';
import type { Thread } from '../threads/thread';
import type { HolePlan } from '../hole/hole-plan';
import type { RunStep } from '../route/run-steps';
import type { ShopHabits } from '../shop/habits';
import { planned } from '../tests/bench-shop';
import { ownTap } from '../tests/bench-taps';
import { isOfHole, toolChanged, type BenchRecord, type HoleAt } from './bench-record';
import { onceMore } from './bench-step';
import { largerThread } from './choice-change';
import { logWords } from './log-words';
import { isRedone } from './plan-at-bench';
import { changeFor, partInHand } from './run';
import type { Remedy } from './run-records';
import { featuresByTool } from './same-tool';
import { settingAt } from './setting-at';
import { toThreadsDecided } from './thread-decided';

const at = (featureId: string, holeNumber = 1, part = 1): HoleAt => ({ featureId, holeNumber, part });
const record = (kind: string, body: object, featureId?: string): BenchRecord =>
  ({ id: 'r', kind, featureId, holeNumber: featureId && 1, body: { part: 1, ...body } }) as never;
const step = (featureId: string, opKey: string, code: string, hole = 1, part = 1): RunStep =>
  ({ key: `${featureId}/${hole}/${opKey}/${part}`, part, item: { featureId, hole, opKey, code } }) as never;

test('a record is about its own hole of its own part, and about none where it names none', () => {
  const found = [
    record('note', {}, 'f'),
    record('note', { part: 2 }, 'f'),
    record('note', {}, 'g'),
    record('note', {}),
  ];
  expect(found.map((r) => isOfHole(r, at('f')))).toEqual([true, false, false, false]);
});

test('a tool is new after a dull drill, a broken tap, a remedy with other taps; not after a remedy of the drill', () => {
  expect(
    [
      record('drill-dull', { tool: '6.8 mm' }),
      record('tap-broken', {}, 'f'),
      record('remedy', { change: { taps: 'spare' } }, 'f'),
      record('remedy', { change: { drill: '6.9' } }, 'f'),
      record('note', {}, 'f'),
    ].map((r) => toolChanged(r, 4)),
  ).toEqual([
    { order: 4, tool: '6.8 mm' },
    { order: 4, featureId: 'f', taps: true },
    { order: 4, featureId: 'f', taps: true },
    undefined,
    undefined,
  ]);
});

test('a remedy for the rest reaches the holes after its own, those of later parts, and like features after it in their order', () => {
  const rest: Remedy = {
    id: 'm',
    at: at('g', 2),
    scope: 'rest',
    label: '',
    change: { drill: '6.9' },
    alike: ['f', 'g', 'h'],
  };
  const reached = (hole: HoleAt): boolean => changeFor([rest], hole).drill === '6.9';
  expect(
    [at('g', 1), at('g', 2), at('g', 3), at('g', 1, 2), at('f', 9), at('h', 1), at('f', 1, 2), at('x', 3)].map(reached),
  ).toEqual([false, true, true, true, false, true, true, false]);
  expect(reached(at('h', 1, 0))).toBe(false);
  // Where one hole was decided for a larger thread, what is found on another says nothing of it.
  const larger: Remedy = {
    id: 'd',
    at: at('g', 3),
    scope: 'hole',
    label: '',
    change: { callout: 'M10' },
    decided: true,
  };
  expect(changeFor([larger, rest], at('g', 3))).toEqual({ callout: 'M10' });
  expect(changeFor([larger, rest], at('g', 4))).toEqual({ drill: '6.9' });
});

test('a hole is made when nothing of it is left to cut; what is cut between holes makes none', () => {
  const steps = [
    step('', 'saw', 'cut-between'),
    ...['drill', 'tap'].map((k) => step('f', k, k)),
    step('f', 'check', 'check'),
  ];
  const hand = (...done: string[]) =>
    partInHand({ steps, settled: new Map(done.map((k) => [k, {} as never])), next: steps[1] });
  expect(hand()).toBeUndefined();
  expect(hand('/1/saw/1')).toBeUndefined();
  expect(hand('f/1/tap/1')).toEqual({ part: 1, made: {}, done: { tap: 1 } });
  expect(hand('f/1/drill/1', 'f/1/tap/1')?.made).toEqual({ f: [1] });
});

test('made to another thread: each operation takes the step of its own name, a new one stands beside its like', () => {
  const routed = ['tap-1', 'tap-2'].map((k) => step('f', k, 'tap')).concat(step('f', 'check', 'check'));
  const decision = record('decision', { choice: 'larger', change: { callout: 'M10' } }, 'f');
  const now = [
    { key: 'tap-2', code: 'tap' },
    { key: 'chamfer', code: 'chamfer' },
  ] as const;
  const { steps } = toThreadsDecided(routed, [decision], new Map([['f/1/tap-1/1', decision]]), () => now as never);
  const again = steps.filter((s) => s.again);
  expect(again.map((s) => s.key)).toContain('f/1/tap-2/1~r');
  expect(again.map((s) => s.item?.opKey)).toEqual(['tap-2', 'chamfer']);
  expect(steps.some((s) => s.key === 'f/1/tap-1/1')).toBe(true);
});

test('done once more by another plan: another drill or depth; never a smaller drill, nor what leaves no trace', () => {
  const plan = (drill: string) => ({
    ok: true as const,
    value: planned({ callout: 'M6 THRU', thickness: '12', drills: 'metric-1-13-by-0.1', drill }),
  });
  expect(isRedone('drill', plan('5.0'), plan('5.1'))).toBe(true);
  expect(isRedone('drill', plan('5.1'), plan('5.0'))).toBe(false);
  expect(isRedone('drill', plan('5.0'), plan('5.0'))).toBe(false);
  expect(isRedone('deburr', plan('5.0'), plan('5.1'))).toBe(false);
});

// M5 to M8 is 1.6 times, the most; M10 is twice.
test('a larger thread is at most 1.6 times as large, and one that the crib can tap goes first', () => {
  const next = (of: string, ...own: string[]) =>
    largerThread(
      threadNamed(of) as Thread,
      own.map((t) => ownTap(t, t, 'straight', 4)),
    )?.thread.designation;
  expect([next('M5x0.8'), next('M5x0.8', 'M8x1.25'), next('M5x0.8', 'M10x1.5')]).toEqual(['M6x1', 'M8x1.25', 'M6x1']);
  expect(classLimits(threadNamed('M6x1') as Thread)).toMatchObject({
    ok: true,
    value: { minorMaxMm: expect.closeTo(5.153, 3) },
  });
});

// A hole of 9 over a bolt of 8 leaves a zone of 1 where both are clearance; of no bore nothing is told.
test('a hole is held against its own bore where it has no thread, and against what it is to meet where the drawing says so', () => {
  const plan = planned({ callout: 'ø9 THRU', thickness: '12' });
  const of = (p: HolePlan, over?: object) =>
    settingAt(new Map([['f', [{ x: 1, y: 2 }]]]), at('f'), p, { habits: {} as ShopHabits, tools: [] }, over);
  expect(of(plan).zoneMm).toBeGreaterThan(0);
  expect(of(plan).zoneMm).not.toBe(of({ ...plan, hole: { ...plan.hole, bores: [] } } as HolePlan).zoneMm);
  expect([of(plan).meets, of(plan, { meets: 'B' }).meets]).toEqual([undefined, 'B']);
  expect('meets' in of(plan)).toBe(false);
});

test('what is looked for: what people call it is found by what is recorded, spaces and capitals aside', () => {
  expect(logWords('  Drilled   not good in the A2 ')).toEqual(['step-done', '/drill', '"bad"', 'a2']);
});

test('what is done once more is a step of its own: its tool is fetched, its speed set where it has one', () => {
  const again = onceMore(step('f', 'drill', 'drill'), 'r9', 'too small');
  expect(again).toMatchObject({ key: 'f/1/drill/1~r9', again: 'too small', newTool: true, newSpeed: false });
  const turned = { ...step('f', 'drill', 'drill'), item: { rpm: 560 } } as never;
  expect(onceMore(turned, 'r9', '').newSpeed).toBe(true);
});

test('features share a tool that gives them their size, not one that only opens mouths or cuts between', () => {
  const item = (featureId: string, code: string, tool: string) => ({ featureId, code, tool });
  const items = [
    item('f', 'drill', '6.8'),
    item('g', 'drill', '6.8'),
    item('g', 'tap', 'M8'),
    item('h', 'tap', 'M8'),
    item('f', 'chamfer', 'sink'),
    item('k', 'chamfer', 'sink'),
    item('k', 'cut-between', '6.8'),
  ];
  const found = featuresByTool({ setUps: [{ visits: [{ items }] }] } as never);
  expect([...found].map(([id, ids]) => [id, [...ids].sort()])).toEqual([
    ['f', ['f', 'g']],
    ['g', ['f', 'g', 'h']],
    ['h', ['g', 'h']],
  ]);
});
