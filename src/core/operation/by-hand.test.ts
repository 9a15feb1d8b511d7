import fc from 'fast-check';
import { METRIC_DRILLS } from '../drills/drill';
import { DRILL_SETS } from '../drills/drill-sets';
import { MATERIALS } from '../materials/materials';
import { reamAllowance } from './choose-plain-drill';
import type { OperationEdits } from './edits';
import { mainOperation, type Operation } from './operation';
import type { Shop } from '../shop/shop';
import type { Tool } from '../shop/tool';
import {
  machineOf,
  planned,
  pool,
  PRESS_STEPS,
  refused as refusedAt,
  shop as plainShop,
  without,
} from '../tests/bench-shop';
import { tell } from '../units/show';
import { BLANK_FORM, type AskForm } from '../hole/form';
import type { HolePlan } from '../hole/hole-plan';
import { planForm } from '../hole/read-form';

const tools: Tool[] = [
  { id: 'c', kind: 'centre-drill', name: 'centre drill 2.5', smallMm: 2.5, diameterMm: 6.3 },
  { id: 's', kind: 'spot-drill', name: 'spot drill 10', diameterMm: 10, angleDeg: 90 },
  { id: 'k', kind: 'countersink', name: 'countersink 16.5', diameterMm: 16.5, angleDeg: 90 },
  { id: 'b', kind: 'counterbore', name: 'counterbore M8', diameterMm: 15, smallMm: 9 },
  { id: 'r', kind: 'reamer', name: 'reamer 8 H7', diameterMm: 8, fit: 'H7' },
  { id: 't', kind: 'step-drill', name: 'step drill 4 to 20', smallMm: 4, stepMm: 2, diameterMm: 20 },
  { id: 'a', kind: 'annular-cutter', name: 'annular cutter 22', diameterMm: 22, reachMm: 25 },
];
const large = METRIC_DRILLS.filter((d) => ['14.0', '16.0', '18.0', '20.0'].includes(d.label));
const shop: Shop = {
  ...plainShop,
  machines: [
    machineOf('press', 'drill-press', PRESS_STEPS, { quillStrokeMm: 80, powerW: 550, chuckMm: 16 }),
    machineOf('mill', 'mill', [65, 110, 180, 300, 590, 1000, 1640, 2720], { powerW: 1500, chuckMm: 16 }),
    machineOf('lathe', 'lathe', [45, 75, 120, 190, 300, 470, 740, 1150, 1800], { chuckMm: 16 }),
    machineOf('cordless', 'hand-drill', [450, 1600], { reversible: true }),
  ],
  pools: [
    { id: 'crib', label: 'the crib', drills: [...without('6.8'), ...pool('inch-fraction-29').drills, ...large] },
    ...DRILL_SETS,
  ],
  tools,
};

const plan = (over: Partial<AskForm>, edits?: OperationEdits, at: Shop = shop): HolePlan =>
  planned(over, { at, edits });
const word = (op: Operation): string =>
  op.cut?.spec.drill && op.code !== 'start'
    ? `${op.code} ${op.cut.spec.drill.label}${op.cut.spec.through ? ' thru' : ` to ${op.cut.spec.fullMm.toFixed(1)}`}`
    : op.code === 'tap'
      ? `tap ${op.tap?.tap.name}`
      : op.code;
const series = (p: HolePlan): string[] => p.operations.map(word);
const codes = (p: HolePlan): string[] => p.operations.flatMap((op) => op.cautions.map((c) => c.code));
const refused = (over: Partial<AskForm>): string[] => refusedAt(over, shop);
const rpmOf = (op: Operation | undefined): number | undefined =>
  op?.cut?.speed.ok ? op.cut.speed.value.rpm : undefined;

/** Written down from the trade before the program was asked. */
describe('what a good machinist would do', () => {
  const aluminium = 'aluminium-wrought-6000';
  test.each([
    [
      'pier bolts: 9 through, counterbored for an M8 head, on the press',
      { callout: '4x ø9 THRU CBORE ø15 x 8.6', material: aluminium, thickness: '16' },
      ['lay-out', 'start', 'drill 9.0 thru', 'counterbore', 'deburr', 'check'],
    ],
    [
      'dowels: 8 H7 reamed, a quarter of a millimetre left on the hole as it comes out',
      { callout: '2x ø8 H7 REAM THRU', material: aluminium, thickness: '16' },
      ['lay-out', 'start', 'drill 7.7 thru', 'ream', 'deburr', 'check'],
    ],
    [
      'blind M10 in soft aluminium, 16 thick: by the chart; little below, so plug and bottoming',
      { callout: '3x M10 x 8 DEEP', material: aluminium, thickness: '16' },
      ['lay-out', 'start', 'drill 8.5 to 12.5', 'chamfer', 'tap plug', 'tap bottoming', 'check'],
    ],
    [
      'stack: 9 clearance 10 deep over M8 through 25 of steel: larger and shallower first, no chamfer under it',
      { callout: 'ø9 x 10 DEEP M8 THRU', thickness: '25' },
      ['lay-out', 'start', 'open 9.0 to 10.0', 'drill 17/64 thru', 'tap taper', 'deburr', 'check'],
    ],
    [
      'M8 countersunk: the countersink opens the first thread, nothing else does',
      { callout: 'M8 THRU CSK 16 x 90°', thickness: '12' },
      ['lay-out', 'start', 'drill 17/64 thru', 'countersink', 'tap taper', 'deburr', 'check'],
    ],
    [
      'a 22 in 10 mm plate: a ring, on the punch mark, with no start and no pilot',
      { callout: 'ø22 THRU', thickness: '10' },
      ['lay-out', 'annular', 'deburr', 'check'],
    ],
    [
      'a 16 in 10 mm plate, no ring cutter of that size: pilot of the chisel edge, then the drill',
      { callout: 'ø16 THRU', thickness: '10' },
      ['lay-out', 'start', 'pilot 3.0 thru', 'drill 16.0 thru', 'deburr', 'check'],
    ],
    [
      'a 12 in 1.5 mm sheet by hand: the step drill',
      { callout: 'ø12 THRU', thickness: '1.5', material: aluminium, machine: 'cordless' },
      ['lay-out', 'step-drill', 'deburr', 'check'],
    ],
    [
      'M10 where an 8 is drilled already: found, opened, no start',
      { callout: 'M10 THRU', thickness: '12', existing: '8' },
      ['lay-out', 'drill 8.5 thru', 'chamfer', 'tap taper', 'deburr', 'check'],
    ],
    [
      'M10 where an 8.6 is drilled already: inside the class, so it stays',
      { callout: 'M10 THRU', thickness: '12', existing: '8.6' },
      ['lay-out', 'note', 'chamfer', 'tap taper', 'deburr', 'check'],
    ],
    [
      'M16 deep in bar: the pilot that reaches, though a little over the chisel edge',
      { callout: 'M16 x 32 DEEP', material: 'steel-alloy-annealed', machine: 'lathe', width: '60' },
      ['lay-out', 'start', 'pilot 3.9 to 42.0', 'drill 14.0 to 42.0', 'chamfer', 'tap plug', 'check'],
    ],
    [
      'M6 on the mill: the spot of 10 leaves the chamfer of 6.2',
      { callout: 'M6 THRU', thickness: '10', machine: 'mill' },
      ['lay-out', 'start', 'drill 5.0 thru', 'tap spiral-point (gun) tap', 'deburr', 'check'],
    ],
    [
      'M12 on the mill: the spot of 10 is too narrow for a chamfer of 12.4, so it is countersunk',
      { callout: 'M12 THRU', thickness: '12', machine: 'mill' },
      [
        'lay-out',
        'start',
        'pilot 3.0 thru',
        'drill 10.3 thru',
        'chamfer',
        'tap spiral-point (gun) tap',
        'deburr',
        'check',
      ],
    ],
    // A hand drill cuts large: 8.5 would come out at 8.68, over the class; the next one down is taken.
    [
      'M10 by hand through angle iron of 6: pilot, and no centre drill',
      { callout: 'M10 THRU', thickness: '6', machine: 'cordless' },
      ['lay-out', 'pilot 1/8 thru', 'drill 8.4 thru', 'chamfer', 'tap plug', 'deburr', 'check'],
    ],
  ] as [string, Partial<AskForm>, string[]][])('%s', (_, form, expected) =>
    expect(series(plan(form))).toEqual(expected),
  );
});

test('a large hole can be cut another way where the crib has the tool; a wish that cannot be is left aside', () => {
  const ways = (edits?: OperationEdits): string =>
    plan({ callout: 'ø22 THRU', thickness: '10' }, edits).operations.map(word).join(', ');
  const saw: Tool = { id: 'h', kind: 'hole-saw', name: 'hole saw 22', diameterMm: 22, reachMm: 30 };
  const withSaw = { ...shop, tools: [...tools, saw] };
  expect(ways({ tool: 'saw' })).toBe(ways());
  const sawn = plan({ callout: 'ø22 THRU', thickness: '10' }, { tool: 'saw' }, withSaw);
  expect(sawn.operations.map(word)).toEqual(['lay-out', 'start', 'saw', 'deburr', 'check']);
  expect(sawn.operations[2].choices?.map((c) => `${c.id}${c.used ? ' used' : ''}`)).toEqual(['annular', 'saw used']);
  const sheet = { callout: 'ø12 THRU', thickness: '1.5' };
  expect(plan(sheet).operations.map(word)).toContain('step-drill');
  expect(plan(sheet, { tool: 'drill' }).operations.map(word)).toContain('drill 12.0 thru');
});

describe('figures of an operation', () => {
  const op = (p: HolePlan, code: string): Operation => p.operations.find((o) => o.code === code) as Operation;

  test('M8 stack: depths from the face, stop past the back, lighter from the spot', () => {
    const drill = op(plan({ callout: 'ø9 x 10 DEEP M8 THRU', thickness: '25' }), 'drill').cut;
    // 17/64 = 6.747: tip 6.747/2/tan 59 = 2.027; 25 + 2.027 + 1.
    expect(drill?.travel.value).toBeCloseTo(28.03, 2);
    expect(drill?.breaksThroughMm).toBe(25);
    const blind = plan({ callout: 'ø9 x 10 DEEP M8 x 22 DEEP', thickness: '40' });
    // 10 + 12 of thread + 5 chamfer + 1.25 room.
    expect(op(blind, 'drill').cut?.spec.fullMm).toBeCloseTo(28.25, 9);
    expect(blind.thread?.at.lengthMm).toBe(12);
  });

  test('reamed at half the speed and twice the feed of a drill; H7 of 8 ends at 8.015', () => {
    const p = plan({ callout: 'ø8 H7 REAM THRU', thickness: '16' });
    const ream = op(p, 'ream').cut;
    // 90 ft/min = 27.432 m/min on 8 mm: 1091.5; half.
    expect(ream?.ideal.value).toBeCloseTo(545.7, 0);
    expect(ream?.feed.value).toBeCloseTo(2 * 0.135, 9);
    expect([3, 6, 13, 20].map(reamAllowance)).toEqual([0.1, 0.2, 0.25, 0.4]);
    expect(tell(op(p, 'check').order, 'mm')).toMatch(/8\.0+ mm goes, 8\.015 mm does not/);
  });

  test('countersunk 6.6 to 12.6 at 90 degrees: 3.0 from the rim; counterbore as deep as written, or as the head wants', () => {
    const sink = op(plan({ callout: 'ø6.6 THRU CSK 12.6 x 90°', thickness: '10' }), 'countersink');
    expect(sink.cut?.spec.fullMm).toBeCloseTo(3, 9);
    expect(op(plan({ callout: 'ø9 THRU CBORE ø15', thickness: '16' }), 'counterbore').cut?.spec.fullMm).toBeCloseTo(
      8.6,
      9,
    );
  });

  test('a pilot over half of its drill grabs; the force at the edge says how to hold it', () => {
    const p = plan(
      { callout: 'ø16 THRU', thickness: '10' },
      {
        inserted: [{ key: 'mine', kind: 'drill', drill: '9', fullMm: 10 }],
        order: ['lay-out', 'start', 'pilot-1', 'mine', 'drill'],
      },
    );
    expect(op(p, 'drill').cautions.map((c) => c.code)).toContain('pilot-large');
    expect(p.operations.map((o) => o.key)).toEqual(['lay-out', 'start', 'pilot-1', 'mine', 'drill', 'deburr', 'check']);
    const full = plan({ callout: 'ø10 THRU', thickness: '10' }).operations.find((o) => o.code === 'drill')?.cut;
    // Feed 0.16: h = 0.08 sin 59 = 0.0686; torque over the lever of 100 mm, three times.
    const torque = full?.torque?.value ?? 0;
    expect(full?.grab?.force.value).toBeCloseTo((3 * torque * 1000) / 100, 6);
    expect(full?.grab?.holding.id).toBe('loose-vise');
  });

  test('what the crib lacks is said; what it does not reach is stopped', () => {
    expect(codes(plan({ callout: 'ø12.1 H7 REAM THRU', thickness: '10' }))).toContain('tool-missing');
    const missing = plan({ callout: 'ø6.8 THRU', thickness: '10' });
    expect([series(missing)[2], codes(missing).includes('drill-missing')]).toEqual(['drill 6.9 thru', true]);
    expect(codes(plan({ callout: 'ø30 THRU', thickness: '10' }))).toContain('drill-to-buy');
    expect(codes(plan({ callout: 'ø2 THRU', thickness: '60' }))).toContain('reach');
    expect(codes(plan({ callout: 'ø10 THRU', thickness: '90' }))).toContain('stroke');
  });

  test.each([
    [{ callout: 'ø9 x 30 DEEP M8 THRU', thickness: '25' }, ['clearance-deep@callout']],
    [{ callout: 'M10 THRU', thickness: '12', existing: '9.5' }, ['existing-large@existing']],
    [{ callout: 'ø9 x 15 DEEP', thickness: '16' }, ['wall-zero@threadDepth']],
    [{ callout: 'CBORE ø15 x 8', thickness: '16' }, ['no-hole@callout']],
    [{ callout: 'ø9 THRU CBORE ø15 x 8.6', thickness: '8' }, ['mouth-deep@callout']],
    [{ callout: 'M8 THRU CBORE ø15 x 8.6', thickness: '8' }, ['mouth-deep@callout']],
  ])('%j is refused', (form, expected) => expect(refused(form)).toEqual(expected));
});

describe('a user’s changes', () => {
  const m8 = { callout: 'M8 x 12 DEEP', thickness: '20' };
  const keys = (p: HolePlan): string[] => p.operations.map((o) => o.key);
  const faults = (edits: OperationEdits, form: Partial<AskForm> = m8): string[] =>
    plan(form, edits).faults.map((f) => `${f.level} ${f.key}`);

  test('a figure set says what it changes, and is one that the machine has', () => {
    const p = plan(m8, { overrides: { drill: { rpm: 1200, fullMm: 16.5 } } });
    const drill = mainOperation(p.operations);
    expect(rpmOf(drill)).toBe(1250);
    // What is said of the figures follows them, on the screen and on the card.
    expect(drill?.details.map((d) => tell(d, 'mm')).join(' ')).toContain('1250 rev/min, step 1250');
    expect(drill?.changes?.map((c) => tell(c, 'mm')).join(' ')).toMatch(/Stop at 18\.5 mm instead of 18\.0 mm/);
    expect(p.wall?.value).toBeCloseTo(20 - 16.5 - 6.746875 / 2 / Math.tan((59 * Math.PI) / 180), 6);
    // 12 of thread, 2 chamfer threads and one pitch of room want 15.75.
    const shallow = plan(m8, { overrides: { drill: { fullMm: 14 } } });
    expect(codes(shallow)).toContain('too-shallow');
    expect(codes(p)).not.toContain('too-shallow');
    const other = plan(m8, { overrides: { drill: { drill: '7', rpm: 560 } } });
    // 7.0 leaves 61.6 % and comes out past the class: the thread is judged anew, and the speed set stays.
    expect(other.thread?.tapDrill.used.percentOnDrill).toBeCloseTo(61.6, 1);
    expect(other.thread?.tapDrill.used.verdict).toBe('outside');
    const changed = other.operations.find((o) => o.key === 'drill');
    expect(changed?.changes?.map((c) => tell(c, 'mm'))[0]).toBe('7.0 mm instead of 17/64 in.');
    expect([changed?.cut?.spec.drill?.label, rpmOf(changed)]).toEqual(['7.0', 560]);
    const deep = plan(m8, { overrides: { drill: { fullMm: 19 } } });
    expect(deep.problems.map((x) => x.code)).toEqual(['override-depth']);
    expect(deep.wall?.value).toBeGreaterThan(0);
    expect(plan(m8, { overrides: { drill: { drill: 'nonsense', feed: 9 } } }).problems[0].code).toBe('override-drill');
  });

  test.each([
    ['tap before the drill', { order: ['lay-out', 'start', 'tap-1', 'drill'] }, 'stop drill'],
    ['chamfer after the tap', { order: ['lay-out', 'start', 'drill', 'tap-1', 'chamfer', 'tap-2'] }, 'warn chamfer'],
    ['start after the drill', { order: ['lay-out', 'drill', 'start'] }, 'warn start'],
    ['no start', { dropped: ['start'] }, 'warn start'],
    ['no drill', { dropped: ['drill'] }, 'stop drill'],
    [
      'a smaller drill no deeper',
      { inserted: [{ key: 'mine', kind: 'drill' as const, drill: '5', fullMm: 10 }] },
      'stop mine',
    ],
  ] as [string, OperationEdits, string][])('%s is explained', (_, edits, expected) =>
    expect(faults(edits)).toContain(expected),
  );

  test('the larger shallow part after the smaller drill binds; the order given by the plan has no fault', () => {
    const stack = { callout: 'ø9 x 10 DEEP M8 THRU', thickness: '25' };
    expect(faults({}, stack)).toEqual([]);
    expect(faults({ order: ['lay-out', 'start', 'drill', 'open'] }, stack)).toContain('warn open');
  });

  test('a note and what the plan gains later keep their place; dropping everything loses nothing for good', () => {
    const p = plan(m8, {
      order: ['lay-out', 'mine', 'start', 'drill'],
      inserted: [{ key: 'mine', kind: 'note', text: 'Indicate the vise', seconds: 60 }],
    });
    expect(keys(p)).toEqual(['lay-out', 'mine', 'start', 'drill', 'chamfer', 'tap-1', 'tap-2', 'check']);
    expect(tell(p.operations[1].order, 'mm')).toBe('Indicate the vise');
    expect(plan(m8, { dropped: keys(plan(m8)) }).dropped).toHaveLength(keys(plan(m8)).length);
  });
});

describe('whatever is asked', () => {
  const anyHole = fc.record({
    callout: fc.constantFrom(
      'M3 x 6 DEEP',
      'M8 THRU',
      'M16 THRU',
      '1/4-20 UNC x .5 DEEP',
      'ø9 x 6 DEEP M8 THRU',
      'ø9 THRU CBORE ø15 x 8.6',
      'ø8 H7 REAM THRU',
      'ø25 THRU',
      'ø14 x 10 DEEP',
    ),
    material: fc.constantFrom(...MATERIALS.map((m) => m.id)),
    machine: fc.constantFrom('press', 'mill', 'lathe', 'cordless'),
    thickness: fc.integer({ min: 2, max: 60 }).map(String),
    dry: fc.boolean(),
    start: fc.constantFrom('auto' as const, 'punch' as const, 'spot' as const),
  });

  test('no smaller drill follows unless it goes deeper; blind stays inside; every speed is one that the machine has', () => {
    fc.assert(
      fc.property(anyHole, (over) => {
        const result = planForm({ ...BLANK_FORM, ...over }, shop);
        if (!result.ok) return;
        const p = result.value;
        const rungs = p.machine?.speeds.kind === 'steps' ? p.machine.speeds.steps.map((s) => s.rpm) : [];
        const drills = p.operations.filter((o) => ['pilot', 'open', 'drill'].includes(o.code)).map((o) => o.cut?.spec);
        drills.slice(1).forEach((spec, i) => {
          const before = drills[i];
          if (!spec || !before) return;
          expect(spec.diameterMm > before.diameterMm || spec.fullMm > before.fullMm).toBe(true);
        });
        for (const { cut } of p.operations) {
          if (!cut) continue;
          if (!p.hole.through) expect(cut.spec.fullMm + cut.tipMm).toBeLessThanOrEqual(Number(over.thickness) + 1e-9);
          if (cut.speed.ok && p.machine?.kind !== 'hand-drill') expect(rungs).toContain(cut.speed.value.rpm);
          expect(cut.travel.value).toBeGreaterThanOrEqual(cut.spec.fullMm);
        }
        expect(p.faults.filter((f) => f.level === 'stop')).toEqual([]);
        expect(p.seconds).toBeCloseTo(
          p.operations.reduce((sum, op) => sum + op.time.value, 0),
          9,
        );
      }),
      { numRuns: 300 },
    );
  });

  test('units change no physical figure', () => {
    fc.assert(
      fc.property(anyHole, (over) => {
        const of = (form: AskForm) => {
          const r = planForm(form, shop);
          return r.ok
            ? r.value.operations.map((o) => [word(o), o.cut?.travel.value, o.time.value])
            : r.problems.map((p) => p.code);
        };
        const form = { ...BLANK_FORM, ...over, thickness: `${over.thickness} mm` };
        if (!over.callout.startsWith('ø')) expect(of({ ...form, units: 'inch' })).toEqual(of(form));
      }),
      { numRuns: 60 },
    );
  });
});
