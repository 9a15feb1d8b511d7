import { BLANK_FORM } from '../hole/form';
import { plannerFor } from '../job/plan-in-job';
import { planRoute } from '../route/route';
import { runSteps } from '../route/run-steps';
import { workOfJob } from '../route/work-of-job';
import { tapShop } from '../tests/bench-taps';
import type { BenchKind, BenchRecord, BodyOf } from './bench-record';
import { observationsOf, type Figured, type Observation } from './observations';

const shop = tapShop();
const planner = plannerFor(shop);
const hole = (id: string, callout: string, over: object = {}) => ({
  id,
  letter: id.toUpperCase(),
  name: '',
  face: 'top' as const,
  place: { kind: 'point' as const, x: 20, y: 20 },
  question: { ...BLANK_FORM, callout, machine: 'press', drills: 'metric-1-13-by-0.1', ...over },
});
/** A plate of 12 mm with these holes, issued for three parts. */
function issued(materialId: string, ...holes: ReturnType<typeof hole>[]) {
  const part = {
    stock: { shape: 'plate' as const, widthMm: 80, heightMm: 40, thicknessMm: 12 },
    condition: '',
    datums: {},
  };
  const job = { materialId, quantity: 3, part, holes };
  const work = workOfJob(holes, job, shop, planner);
  const route = planRoute(work.ok ? work.value : [], 3, shop.habits);
  const keys = runSteps(route);
  const stepOf = (id: string, opKey: string): string =>
    keys.find((s) => s.item?.featureId === id && s.item.opKey === opKey && s.part === 1)?.key ?? '';
  let n = 0;
  const record = <K extends BenchKind>(
    kind: K,
    featureId: string,
    body: Omit<BodyOf<K>, 'part'>,
    over = {},
  ): BenchRecord =>
    ({
      id: `r${String(n++)}`,
      kind,
      body: { part: 1, ...body },
      happenedAt: '',
      featureId,
      holeNumber: 1,
      ...over,
    }) as BenchRecord;
  const plan = (id: string) => {
    const made = planner.plan(holes.find((h) => h.id === id) ?? holes[0], job);
    if (!made.ok) throw new Error(id);
    return made.value;
  };
  const seen = (...records: BenchRecord[]): Observation[] => observationsOf({ route, job, shop }, records, planner);
  return { seen, record, stepOf, plan, clamp: keys.find((s) => s.kind === 'clamp'), route };
}

const at = issued('steel-low-carbon', hole('f', 'M6 THRU'), hole('g', 'ø6 THRU'), hole('h', 'ø8 H7 REAM THRU'));
const checked = (id: string, check: string, values: Record<string, number>) =>
  at.record('checked', id, { check, values, verdict: 'good' } as never);
const figures = (r: BenchRecord) =>
  at
    .seen(r)[0]
    ?.figures.map(({ figure, axis, value, typical }) => [axis ?? figure, +value.toFixed(3), +typical.mean.toFixed(4)]);
const done = (id: string, opKey: string, body: object, over = {}) =>
  at.record('step-done', id, { step: at.stepOf(id, opKey), ...body } as never, over);

// After a centre drill in a press 5 mm cuts 0.7 × 0.095 larger, 6 mm 0.7 × 0.1.
test('a hole is learned from pins or a size, where its drill left it: not where it was reamed or threaded', () => {
  expect(figures(checked('f', 'minor', { in: 5.08, out: 5.12 }))).toEqual([['oversize', 5.1, 5.0665]]);
  expect(figures(checked('f', 'minor', { in: 5.08 }))).toEqual([['oversize', 5.08, 5.0665]]);
  expect(figures(checked('g', 'size', { size: 6.09 }))).toEqual([['oversize', 6.09, 6.07]]);
  for (const none of [
    checked('f', 'minor', {}),
    checked('f', 'size', { size: 6.1 }),
    checked('g', 'minor', { in: 6.1, out: 6.12 }),
    checked('g', 'size', {}),
    checked('h', 'size', { size: 8.01 }),
    checked('f', 'go', { turns: 12 }),
  ])
    expect(figures(none)).toEqual([]);
  const [{ figures: learned }] = at.seen(checked('f', 'minor', { in: 5.08, out: 5.12 }));
  expect(learned[0].levels).toHaveLength(2);
  expect(learned[0].tool).toContain('5.0');
});

test('lean and place: 0.15 and 0.08 over 50 lean 0.195 degrees; 20.06, 19.92 lies 0.06 and −0.08 off', () => {
  expect(figures(checked('f', 'square', { front: 0.15, side: 0.08, height: 50 }))?.[0].slice(0, 2)).toEqual([
    'lean',
    0.195,
  ]);
  expect(figures(checked('f', 'position', { x: 20.06, y: 19.92 }))?.map((f) => f.slice(0, 2))).toEqual([
    ['x', 0.06],
    ['y', -0.08],
  ]);
  for (const none of [
    checked('f', 'square', { front: 0.15, side: 0.08, height: 0 }),
    checked('g', 'square', { front: 0.15, side: 0.08, height: 50 }),
    checked('f', 'position', { x: 20.06 }),
    checked('f', 'position', { y: 19.92 }),
  ])
    expect(figures(none)).toEqual([]);
});

test('work is learned as shares of what was planned: seconds, counted turns, torque; and how far a spindle coasts', () => {
  const tap = at.plan('f').operations.find((o) => o.key === 'tap-1');
  const use = at.plan('f').thread?.tapping.best.each[0];
  const drill = at.plan('f').operations.find((o) => o.key === 'drill');
  if (!tap || !drill || !use?.load) throw new Error('no tap');
  const body = { seconds: 2 * tap.time.value, turns: 1.1 * use.turns.value, torqueNm: 1.5 * use.load.torque.value };
  expect(figures(done('f', 'tap-1', body))?.map((f) => f.slice(0, 2))).toEqual([
    ['seconds', 2],
    ['turns', 1.1],
    ['torque', 1.5],
  ]);
  expect(figures(done('f', 'tap-1', { seconds: 0, turns: 0 }))).toEqual([]);
  expect(
    figures(done('f', 'drill', { seconds: 0.5 * drill.time.value, turns: 9, torqueNm: 3 }))?.map((f) => f.slice(0, 2)),
  ).toEqual([['seconds', 0.5]]);
  // Twice as fast it coasts four times as far: 6 turns at 280 are 1.5 at 140.
  expect(figures(done('g', 'drill', { coast: { revolutions: 6, rpm: 280 } }))?.map((f) => f.slice(0, 2))).toEqual([
    ['coast', 1.5],
  ]);
  const [made] = at.seen(done('f', 'drill', {}));
  expect(made.observed).toMatchObject({ what: 'made', operation: 'drill', use: 12 / 5 / 2, usualS: drill.time.value });
  const [tapped] = at.seen(done('f', 'tap-1', { feel: 'tight' }));
  expect(tapped.observed).toMatchObject({ what: 'made', operation: 'tap', use: 12 / 6 / 2, feel: 'tight' });
  expect(at.seen(at.record('step-done', 'f', { step: 'nothing' } as never))).toEqual([]);
});

test('a clamping is timed for its machine, and for no hole', () => {
  const { clampS } = at.route.setUps[at.clamp?.setUp ?? 0];
  const clamped = (seconds?: number) =>
    at.seen(at.record('step-done', '', { step: at.clamp?.key, seconds } as never, { featureId: undefined }));
  expect(clamped(2 * clampS)[0]).toMatchObject({
    at: { featureId: '', part: 1 },
    figures: [{ figure: 'seconds', value: 2 }],
    machine: 'press',
  });
  expect([clamped(0), clamped()]).toEqual([[], []]);
});

test('seconds, turns, lean and place are the hand’s; a hole is its drill’s; without a name they are nobody’s', () => {
  const toolOf = (r: BenchRecord, i = 0): Figured['tool'] => at.seen(r)[0].figures[i]?.tool;
  const by = (who: string) => done('f', 'tap-1', { seconds: 60, turns: 18, torqueNm: 1 }, { who });
  expect([toolOf(by('toolmaker')), toolOf(by('toolmaker'), 1)]).toEqual(['hand toolmaker', 'hand toolmaker']);
  expect(toolOf(by('toolmaker'), 2)).toMatch(/^tap /);
  expect([toolOf(by('')), at.seen(by(''))[0].who]).toEqual([undefined, undefined]);
  expect(toolOf({ ...checked('f', 'minor', { in: 5.1 }), who: 'toolmaker' })).toMatch(/5\.0/);
});

test('a breakage, a dull drill and a feeling name their tool; what was taken back is left out', () => {
  const [tap] = at.plan('f').thread?.tapping.best.each ?? [];
  const observed = (r: BenchRecord) => at.seen(r)[0]?.observed;
  expect(observed(at.record('tap-broken', 'f', { tap: 'plug', turns: 3 } as never))).toMatchObject({
    what: 'broken',
    turns: 3,
    tool: expect.stringContaining(tap.tap.key),
  });
  expect(observed(at.record('tap-broken', 'f', { tap: 'plug', tapId: 'own-9' } as never))).toMatchObject({
    tool: 'tap own-9',
  });
  expect(observed(at.record('tap-broken', 'g', { tap: 'plug' } as never))).toMatchObject({ tool: undefined });
  expect(observed(at.record('drill-dull', 'f', { tool: '5.0 mm' } as never))).toMatchObject({
    what: 'renewed',
    tool: expect.stringContaining('5.0'),
  });
  expect(observed(at.record('drill-dull', 'f', { tool: '9.9 mm' } as never))).toBeUndefined();
  expect(observed(at.record('tap-felt', 'f', { sign: 'creaks' } as never))).toEqual({ what: 'felt', sign: 'creaks' });
  const first = checked('g', 'size', { size: 6.1 });
  const better = { ...checked('g', 'size', { size: 6.08 }), corrects: first.id };
  expect(at.seen(first, better).map((o) => o.recordId)).toEqual([better.id]);
});

test('a formed thread is learned from its minor diameter, as how far the metal flowed otherwise than a plain one', () => {
  const formed = issued('aluminium-wrought-6000', hole('k', 'M5 THRU', { tap: 'form' }));
  const { thread } = formed.plan('k');
  const drillMm = thread?.tapDrill.used.drill.diameterMm ?? 0;
  const shift = (inMm: number): number => {
    const [seen] = formed.seen(
      formed.record('checked', 'k', {
        check: 'minor',
        values: { in: inMm, out: inMm + 0.02 },
        verdict: 'good',
      } as never),
    );
    expect(seen.figures[0]).toMatchObject({ figure: 'formed-minor' });
    return seen.figures[0].value;
  };
  expect(thread?.kind).toBe('form');
  // M5 formed in q: 5 − 0.0068 q × 0.8 is the drill, 5 − 0.01299 q × 0.8 the minor of a metal that flows as steel does.
  const q = (5 - drillMm) / (0.0068 * 0.8);
  expect(shift(4.3)).toBeCloseTo(4.31 - (5 - 0.01299038 * q * 0.8), 3);
  expect(shift(4.4) - shift(4.3)).toBeCloseTo(0.1, 9);
});
