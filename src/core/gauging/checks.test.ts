import type { HolePlan } from '../hole/hole-plan';
import { BLANK_FORM, type AskForm } from '../hole/form';
import { plannerFor } from '../job/plan-in-job';
import { tapShop } from '../tests/bench-taps';
import type { WorkItem } from '../route/work-item';
import { tell } from '../units/show';
import { headline, whereOf } from '../run/bench-words';
import { checksOf, isComplete, type CheckSetting } from './checks-of';
import { judgeHoleDepth, judgeSize, judgeThreadDepth } from './depth-and-size';
import { judgeSquare } from './squareness';
import { judgeGo, judgeNotGo, judgePins } from './thread-gauge';
import type { Verdict } from './verdict';
import type { Tool } from '../shop/tool';
import { settingAt } from '../run/setting-at';

const shop = tapShop();
const plate = {
  stock: { shape: 'plate' as const, widthMm: 80, heightMm: 40, thicknessMm: 20 },
  condition: '',
  datums: {},
};
function planOf(callout: string, materialId = 'steel-low-carbon', over: Partial<AskForm> = {}): HolePlan {
  const question = { ...BLANK_FORM, callout, machine: 'press', drills: 'metric-1-13-by-0.1', ...over };
  const job = { materialId, quantity: 20, part: plate };
  const made = plannerFor(shop).plan({ question, face: 'top', place: { kind: 'point', x: 20, y: 20 } }, job);
  if (!made.ok) throw new Error(made.problems.map((p) => tell(p, 'mm')).join(' '));
  return made.value;
}
const LAID: CheckSetting = { drawn: { x: 20, y: 20 }, zoneMm: 0.5, notGoTurns: 2 };
const kinds = (plan: HolePlan, setting = LAID): string =>
  checksOf(plan, setting)
    .map((c) => c.kind)
    .join(' ');
const check = (plan: HolePlan, kind: string) => checksOf(plan, LAID).filter((c) => c.kind === kind)[0];

test('what is gauged, in its order: thread or size, depth where there is a bottom, square, place, the mating part last', () => {
  expect(kinds(planOf('M8 x 12 DEEP'))).toBe('go not-go minor depth square position mating');
  expect(kinds(planOf('M8 THRU'))).toBe('go not-go minor square position mating');
  expect(kinds(planOf('M8 THRU'), { notGoTurns: 2 })).toBe('go not-go minor square mating');
  // The crib has a gauge of M6 alone: an M8 is held against its own bolt first, with what that proves.
  const m6: Tool = { id: 'g', kind: 'thread-gauge', name: 'Plug gauge M6', thread: 'M6x1' };
  expect(kinds(planOf('M6 THRU'), { notGoTurns: 2, tools: [m6] })).toBe('go not-go minor square mating');
  expect(kinds(planOf('M8 THRU'), { notGoTurns: 2, tools: [m6] })).toBe('mating minor square go not-go');
  expect(checksOf(planOf('M8 THRU'), { notGoTurns: 2, tools: [m6] }).filter((c) => c.isMissing)).toHaveLength(2);
  expect(kinds(planOf('ø9 THRU'))).toBe('size position mating');
  expect(kinds(planOf('ø9 x 12 DEEP'))).toBe('size depth position mating');
  expect(kinds(planOf('1/8 NPT', 'iron-grey'))).toBe('go position mating');
});

test('a hole of a fit is held to the fit; a formed thread to its pins; a pipe thread to its notch', () => {
  expect(tell(check(planOf('ø8 H7 THRU'), 'size').how, 'mm')).toContain('8.0 mm to 8.015 mm');
  const formed = planOf('M6 THRU', 'aluminium-wrought-6000', { tap: 'form' });
  expect(check(formed, 'minor').title).toContain('the real check of a formed thread');
  expect(check(planOf('M6 THRU'), 'minor').title).not.toContain('real check');
  const { judge } = check(planOf('1/8 NPT', 'iron-grey'), 'go');
  expect([1, -1, 1.1, -1.1].map((turns) => judge({ turns }).state)).toEqual(['good', 'good', 'bad', 'bad']);
});

test('a tapped hole off its place is never drilled open: the hole of the mating part is', () => {
  const off = (callout: string) => check(planOf(callout), 'position').judge({ x: 21, y: 20 }).choices[0];
  const apart = (callout: string) => check(planOf(callout), 'mating').judge({ yes: 0 }).choices[1];
  expect([off('M8 THRU'), apart('M8 THRU'), off('ø9 THRU'), apart('ø9 THRU')]).toEqual([
    'open-mate',
    'open-mate',
    'open',
    'open',
  ]);
});

test('the usual findings are good ones; an answer is complete without what may be left out', () => {
  const plan = planOf('M8 x 12 DEEP');
  const usual = checksOf(plan, LAID).flatMap((c) => (c.usual ?? []).map((u) => c.judge(u.values).state));
  expect(usual).toEqual(['good', 'good', 'good']);
  const pins = check(plan, 'minor');
  expect([isComplete(pins, { in: 6.7 }), isComplete(pins, { out: 6.7 })]).toEqual([true, false]);
  const mating = check(plan, 'mating');
  expect([isComplete(mating, {}), mating.judge({ yes: 1 }).state, mating.judge({ yes: 0 }).state]).toEqual([
    false,
    'good',
    'bad',
  ]);
});

test('a bore that is meant to meet another is proved by a wire, before the mating part', () => {
  const plan = planOf('ø5 THRU');
  const checks = checksOf(plan, settingAt(new Map(), { featureId: 'f', holeNumber: 1 }, plan, shop, { meets: 'C' }));
  expect(checks.map((c) => c.kind)).toEqual(['size', 'meets', 'mating']);
  const wire = checks[1];
  expect([wire.title, isComplete(wire, {}), wire.judge({ yes: 1 }).state, wire.judge({ yes: 0 }).choices]).toEqual([
    'Meets C, by a wire',
    false,
    'good',
    ['clean', 'deepen', 'accept', 'scrap'],
  ]);
  expect(checksOf(plan, { notGoTurns: 2 }).map((c) => c.kind)).not.toContain('meets');
});

test('zone: M8 under its 9.0 clearance hole leaves 0.5, as a 9.0 over its bolt; 0.4 assumed; the drawing’s own goes before', () => {
  const drawn = new Map([['f', [{ x: 20, y: 20 }]]]);
  const zone = (callout: string, own?: number, featureId = 'f') =>
    settingAt(drawn, { featureId, holeNumber: 1 }, planOf(callout), shop, { zoneMm: own }).zoneMm;
  expect(['M8 THRU', 'ø9 THRU', 'ø30 THRU'].map((c) => zone(c))).toEqual([
    expect.closeTo(0.5),
    expect.closeTo(0.5),
    0.4,
  ]);
  expect([zone('M8 THRU', 0.2), zone('M8 THRU', 0.2, 'not laid out')]).toEqual([0.2, undefined]);
});

test('read from across the shop: the drill by its name, the thread, the verb', () => {
  const plan = planOf('M8 x 12 DEEP');
  const said = (code: string): string => {
    const op = plan.operations.find((o) => o.code === code);
    return tell(headline({ code, order: { text: 'Saw apart.' } } as WorkItem, op), 'inch');
  };
  expect(['lay-out', 'start', 'drill', 'tap', 'check', 'cut-between'].map(said)).toEqual([
    'Lay out',
    'Start',
    // What is stamped on it, whatever unit is shown.
    'Drill 6.8 mm',
    'Tap M8x1.25',
    'Gauge',
    'Saw apart.',
  ]);
  expect(whereOf(plan.operations.find((o) => o.code === 'lay-out'))).toBeUndefined();
});

test('each verdict at its limit, and what it leaves to decide', () => {
  const of = ({ state, choices }: Verdict): string => [state, ...choices].join(' ');
  // 12 of 1.25: 9.6 turns; half a turn short is what a gauge can tell.
  expect([9.1, 9.05, 2, 1.9].map((turns) => of(judgeGo(turns, 12, 1.25, false)))).toEqual([
    'good',
    'bad clean next-tap deepen accept scrap',
    'bad clean next-tap deepen accept scrap',
    'bad clean redrill chase larger accept scrap',
  ]);
  expect(of(judgeGo(5, 12, 1.25, true))).toBe('bad clean chase next-tap accept scrap');
  expect([2, 2.1].map((turns) => judgeNotGo(turns, 2).state)).toEqual(['good', 'bad']);
  // A thin plate of 1.6 turns: it is through before the limit is reached. A hole that it does not enter is good.
  expect([1.1, 1, 0].map((turns) => judgeNotGo(turns, 2, 1.6).state)).toEqual(['bad', 'good', 'good']);
  expect([11.375, 11.37].map((read) => judgeThreadDepth(read, 12, 1.25).state)).toEqual(['good', 'bad']);
  expect([11.8, 12.2, 11.79, 12.21].map((read) => of(judgeHoleDepth(read, 12)))).toEqual([
    'good',
    'good',
    'bad clean deepen accept scrap',
    'bad accept scrap',
  ]);
  const pins = (inMm: number, outMm?: number, formed = false) => of(judgePins({ inMm, outMm }, 6.647, 6.912, formed));
  expect([pins(6.912, 6.92), pins(6.92), pins(6.7, 6.75)]).toEqual(['good', 'bad larger accept scrap', 'good']);
  expect([pins(6.6, 6.64), pins(6.6, 6.64, true)]).toEqual([
    'bad clean redrill accept scrap',
    'bad chase accept scrap',
  ]);
  expect([pins(6.7), pins(6.6), pins(6.75, 6.7)]).toEqual(['open', 'open', 'open']);
  expect(tell(judgePins({ inMm: 6.91 }, 6.647, 6.912, false).reason, 'mm')).toContain('Try 6.92 mm: it must not enter');
  const lean = (frontMm: number, sideMm: number) =>
    tell(judgeSquare({ frontMm, sideMm, heightMm: 50 }, 12).reason, 'mm');
  expect(lean(0, 0)).toBe('Square from both sides.');
  expect([lean(0.1, 0), lean(-0.1, 0), lean(0, 0.1), lean(0, -0.1)].map((t) => /Press it (.*)\./.exec(t)?.[1])).toEqual(
    ['left', 'right', 'toward you', 'to the back'],
  );
});

test('a reading that cannot be of this hole is asked once more, not judged', () => {
  expect([600, 0.6, 6].map((read) => judgeSize(read, 6).state)).toEqual(['open', 'open', 'good']);
  expect([
    judgeHoleDepth(120, 12).state,
    judgeThreadDepth(120, 12, 1.25).state,
    judgeThreadDepth(20, 12, 1.25).state,
  ]).toEqual(['open', 'open', 'good']);
  expect(judgePins({ inMm: 0.67, outMm: 6.9 }, 6.647, 6.912, false).state).toBe('open');
  expect(tell(judgeSize(600, 6).reason, 'mm')).toBe(
    '600.0 mm is read where 6.0 mm belongs: a unit or a point is wrong. Read it again.',
  );
});

test('a checked hole asks the questions of its own kind', () => {
  const formed = planOf('M6 THRU', 'aluminium-wrought-6000', { tap: 'form', drills: 'all' });
  expect(check(formed, 'minor').judge({ in: 4.8, out: 4.9 }).choices).toEqual(['chase', 'accept', 'scrap']);
  expect(check(planOf('M6 THRU'), 'minor').judge({ in: 4.8, out: 4.9 }).choices).toContain('redrill');
  // M8 through 2 mm: 1.6 turns, and the not-go goes right through.
  const thin = planOf('M8 x 2 DEEP', 'steel-low-carbon', { hole: 'through', thickness: '2' });
  expect(check(thin, 'not-go').judge({ turns: 1.5 }).state).toBe('bad');
  const pipe = planOf('1/8 NPT THRU', 'steel-low-carbon', { drills: 'all' });
  const notch = check(pipe, 'go');
  expect([notch.fields[0].signed, ...[1, -1.5, 1.5].map((turns) => notch.judge({ turns }).choices.join())]).toEqual([
    true,
    '',
    'next-tap,scrap',
    'accept,scrap',
  ]);
  const depth = check(planOf('ø8 x 12 DEEP'), 'depth');
  expect([depth.fields.length, depth.judge({ depth: 11 }).state]).toEqual([1, 'bad']);
  expect(check(planOf('ø8 THRU'), 'mating').answers).toEqual(['It goes together', 'It does not']);
  expect(kinds(planOf('ø8 THRU'), { notGoTurns: 2, zoneMm: 0.5 })).toBe('size mating');
});
