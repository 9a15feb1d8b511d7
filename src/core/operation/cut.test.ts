import { USUAL_HABITS } from '../shop/habits';
import type { Machine } from '../cutting/machine';
import { METRIC_DRILLS, type Drill } from '../drills/drill';
import { machineOf, METRIC_INDEX } from '../tests/bench-shop';
import { usualFluteMm } from '../drills/flute-length';
import { MATERIALS } from '../materials/materials';
import type { Material } from '../materials/material';
import { tell } from '../units/show';
import type { Asked, Context, Setting } from './context';
import { cutFigures, cuttingTime } from './cut';
import { handledTime } from './handling-time';
import { pilotLimit } from './cut-cautions';
import type { CutFamily, CutSpec } from './operation';

const metal = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const press = machineOf('press', 'drill-press', [140, 560, 980, 1400, 2350]);
const steel = metal('steel-low-carbon');
type Over = Partial<Pick<Asked, 'material' | 'machine'>> & Pick<Setting, 'thicknessMm' | 'leverMm'>;
const context = ({ thicknessMm = 20, leverMm, ...asked }: Over = {}): Context => ({
  asked: { material: steel, machine: press, pool: METRIC_INDEX, start: 'centre-drill', dry: false, ...asked },
  shop: { habits: USUAL_HABITS },
  setting: { thicknessMm, leverMm },
});
const drillOf = (mm: number): Drill => METRIC_DRILLS.find((d) => Math.abs(d.diameterMm - mm) < 1e-6) as Drill;
const spec = (diameterMm: number, over: Partial<CutSpec> = {}): CutSpec => ({
  family: 'drill',
  tool: { name: `${diameterMm} mm`, owned: true },
  drill: drillOf(diameterMm),
  diameterMm,
  inHoleMm: 0,
  fromMm: 0,
  fullMm: 20,
  through: true,
  pointAngleDeg: 118,
  ...over,
});
const figures = (diameterMm: number, over: Partial<CutSpec> = {}, ctx: Over = {}) =>
  cutFigures(spec(diameterMm, over), context(ctx));
const codes = (...args: Parameters<typeof figures>): string[] => figures(...args).cautions.map((c) => c.code);

describe('how far the stop lets the drill', () => {
  test('through: thickness, tip, and one millimetre; blind: full diameter and tip; from the face in both', () => {
    // 10 at 118 degrees: 3.004.
    expect(figures(10).travel.value).toBeCloseTo(24.004, 3);
    expect(figures(10).breaksThroughMm).toBe(20);
    const blind = figures(10, { through: false, fullMm: 12 });
    expect([blind.travel.value, blind.breaksThroughMm]).toEqual([expect.closeTo(15.004, 3), undefined]);
    expect(figures(10, { through: false, fullMm: 12, pointAngleDeg: 135 }).travel.value).toBeCloseTo(14.071, 3);
  });

  test('the machine’s own reading first, then where it touches in a pilot, then the others', () => {
    const kinds = (ctx: Over, over: Partial<CutSpec> = {}): string[] => figures(10, over, ctx).stop.map((s) => s.kind);
    expect(kinds({})).toEqual(['scale', 'collar', 'tape', 'readout']);
    expect(kinds({ machine: { ...press, depthStop: { kind: 'readout', divisionMm: 0.01 } } })[0]).toBe('readout');
    expect(kinds({ machine: { ...press, kind: 'lathe' } })[0]).toBe('tailstock');
    expect(kinds({ machine: { ...press, kind: 'hand-drill' } })[0]).toBe('tape');
    // In a pilot of 4: 2 / tan 59 = 1.20 deeper already.
    const [, inPilot] = figures(10, { inHoleMm: 4 }).stop;
    expect(tell(inPilot.order, 'mm')).toContain('1.2 mm down already, 22.8 mm from there');
    const [, inSpot] = figures(8, { startsIn: { mouthMm: 10, angleDeg: 90 } }).stop;
    expect(tell(inSpot.order, 'mm')).toContain('Touch the face beside the spot');
  });

  test('under a larger part the pecks count from its floor', () => {
    // First at 3 D of its own depth, then every D: 5 mm drill from 10 to 30.
    expect(figures(5, { fromMm: 10, fullMm: 30 }).pecks).toEqual([25]);
    expect(figures(5, { fullMm: 30 }).pecks).toEqual([15, 20, 25]);
  });
});

describe('speed and feed of each tool against a drill of its size', () => {
  const of = (family: CutFamily) => figures(10, { family, drill: undefined });
  const drill = of('drill');

  test.each([
    ['ream', 0.5, 2],
    ['counterbore', 0.4, 0.5],
    ['countersink', 0.35, 0.6],
    ['spot', 0.8, 0.5],
    ['annular', 0.7, 0.35],
    ['saw', 0.4, 0.25],
  ] as const)('%s', (family, speed, feed) => {
    expect(of(family).ideal.value / drill.ideal.value).toBeCloseTo(speed, 9);
    expect(of(family).feed.value / drill.feed.value).toBeCloseTo(feed, 9);
    expect(of(family).ideal.working.source.kind).toBe(family === 'ream' ? 'trade rule' : 'model');
  });

  test('only drills have methods, withdrawals and torque', () => {
    expect([drill.methods.map((m) => m.id), of('ream').methods]).toEqual([['formula', 'thumb'], []]);
    expect([of('ream').torque, of('counterbore').pecks]).toEqual([undefined, []]);
  });
});

describe('what is set by hand', () => {
  test('a speed is taken to the nearest that the machine has; what it means is said', () => {
    const at = (rpm: number) => cutFigures(spec(10), context(), { rpm });
    const set = at(900).speed;
    // 27.4 m/min on 10 mm is 873.
    expect(set.ok && [set.value.rpm, set.value.label, Math.round(set.value.percentOfIdeal)]).toEqual([
      980,
      'step 980',
      112,
    ]);
    expect(
      at(2350)
        .cautions.map((c) => tell(c, 'mm'))
        .join(' '),
    ).toContain('has slower speeds');
    expect(
      at(140)
        .cautions.map((c) => tell(c, 'mm'))
        .join(' '),
    ).toContain('has faster speeds');
  });

  test('a feed changes torque and time, and keeps the planned one in its working', () => {
    const cut = cutFigures(spec(10), context(), { feed: 0.08 });
    expect(cut.feed.value).toBe(0.08);
    expect(cut.feed.working.inputs[0].quantity).toEqual({ value: 0.16, unit: 'mm/rev' });
    expect(cut.torque?.value).toBeLessThan(figures(10).torque?.value ?? 0);
    // 60 × (20 + 3.004 + 1) / (0.08 × 980).
    expect(cuttingTime(cut).value).toBeCloseTo((60 * 24.004) / (0.08 * 980), 2);
  });
});

describe('what to watch', () => {
  test.each([
    ['nothing, for a plain hole', codes(8), []],
    ['a plain drill in tough metal', codes(8, {}, { material: metal('stainless-austenitic') }), ['cobalt']],
    ['a shank that the chuck does not take', codes(16), ['chuck']],
    ['a pilot over half', codes(10, { inHoleMm: 5.5 }), ['pilot-large']],
    ['a pilot under the chisel edge', codes(10, { inHoleMm: 1.5 }), ['pilot-small']],
    ['flutes that would be covered', codes(3, { fullMm: 40 }, { thicknessMm: 40 }), ['reach']],
    ['a tool that is not there', codes(8, { tool: { name: 'reamer', owned: false } }), ['tool-missing']],
    ['a quill that ends', codes(8, {}, { machine: { ...press, quillStrokeMm: 25 } }), ['stroke']],
    ['a quill that goes far enough', codes(8, {}, { machine: { ...press, quillStrokeMm: 80 } }), []],
    ['a wide hole under a larger part', codes(10, { inHoleMm: 5.5, fromMm: 5 }), []],
    ['a pilot of just half', codes(10, { inHoleMm: 5 }), []],
    [
      'cobalt in tough metal',
      codes(8, { drill: { ...drillOf(8), material: 'cobalt' } }, { material: metal('stainless-austenitic') }),
      [],
    ],
  ])('%s', (_, got, expected) => expect(got).toEqual(expected));

  test('a drill known to be too short stops the plan; a usual one only warns', () => {
    const level = (drill: Drill) => figures(3, { fullMm: 40, drill }).cautions.find((c) => c.code === 'reach')?.level;
    expect([level(drillOf(3)), level({ ...drillOf(3), fluteMm: 30 }), level({ ...drillOf(3), fluteMm: 66 })]).toEqual([
      'warn',
      'stop',
      undefined,
    ]);
    expect([1, 3, 3.5, 10, 60].map(usualFluteMm)).toEqual([12, 33, 38, 87, 220]);
  });

  test('by hand and in brass a pilot grabs sooner; a lathe and a hand drill hold the part themselves', () => {
    const brass = metal('brass-free-cutting');
    expect([pilotLimit(context().asked), pilotLimit(context({ material: brass }).asked)]).toEqual([0.5, 0.45]);
    expect(pilotLimit(context({ machine: { ...press, kind: 'hand-drill' } }).asked)).toBe(0.45);
    expect(figures(10, {}, { machine: { ...press, kind: 'lathe' } }).grab).toBeUndefined();
    const [near, far] = [50, 200].map((leverMm) => figures(10, {}, { leverMm }).grab);
    expect((near?.force.value ?? 0) / (far?.force.value ?? 1)).toBeCloseTo(4, 9);
    expect([near?.holding.id, far?.holding.id]).toEqual(['vise', 'loose-vise']);
  });

  test('a machine that cannot turn slowly enough leaves the figure out and says what to do', () => {
    const fast: Machine = { ...press, speeds: { kind: 'range', minRpm: 2000, maxRpm: 4000 } };
    const cut = figures(10, {}, { machine: fast });
    expect(!cut.speed.ok && cut.speed.problems[0].code).toBe('speed-unreachable');
    expect(cuttingTime(cut).value).toBeGreaterThan(0);
    expect(figures(10, {}, { machine: undefined }).speed).toMatchObject({ ok: true, value: { label: 'ideal speed' } });
  });
});

describe('the time of an operation is a person’s: the cut by hand, touching, coming back, and what else it takes', () => {
  const time = (over: Partial<CutSpec>, cuttingS: number, on: Machine = press) =>
    handledTime(cuttingS, figures(8, over), on).value;
  test.each([
    // 2.9 × 1.5 + 3 + 1.5; through a second more.
    [{ through: false }, 2.9, 8.85],
    [{}, 2.9, 9.85],
    // A second of countersinking: 1.5 + 4.5. A reamer in and out: 1.9 × 1.5 × 2 + 4.5. A counterbore is looked at: 5.
    [{ family: 'countersink' }, 1, 6],
    [{ family: 'ream' }, 1.9, 10.2],
    [{ family: 'counterbore' }, 4, 15.5],
  ] as [Partial<CutSpec>, number, number][])('%j with %d s in the cut', (over, cuttingS, seconds) =>
    expect(time(over, cuttingS)).toBeCloseTo(seconds, 9),
  );
  test('a tailstock is cranked; a shop that timed its own machine goes by that', () => {
    expect(time({ through: false }, 2, { ...press, kind: 'lathe' })).toBeCloseTo(3 + 5 + 4, 9);
    expect(time({ through: false }, 2, { ...press, times: { touchS: 1, backS: 0.5 } })).toBeCloseTo(4.5, 9);
  });
});
