import type { HolePlan } from '../hole/hole-plan';
import { BLANK_FORM, type AskForm } from '../hole/form';
import { plannerFor } from '../job/plan-in-job';
import { tapShop } from '../tests/bench-taps';
import type { WorkItem } from '../route/work-item';
import { tell } from '../units/show';
import { headline, whereOf } from '../run/bench-words';
import { checksOf, isComplete, type CheckSetting } from './checks-of';
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
