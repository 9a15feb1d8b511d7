import type { AskForm } from '../hole/form';
import type { Drill } from '../drills/drill';
import { material, METRIC_INDEX, planned, shop } from '../tests/bench-shop';
import { inputsOf } from '../tests/inputs-of';
import { tell } from '../units/show';
import { choosePlainDrill, chooseReamDrill } from './choose-plain-drill';
import type { OperationEdits } from './edits';
import type { Operation } from './operation';
import type { OperationOverride } from './override';

const ten = { callout: 'ø10 x 20 DEEP', thickness: '40', material: 'aluminium-wrought-6000' };
const op = (key: string, over: Partial<AskForm>, edits?: OperationEdits, at = shop): Operation => {
  const found = planned(over, { edits, at }).operations.find((o) => o.key === key);
  if (!found) throw new Error(`no ${key}`);
  return found;
};
const order = (...of: Parameters<typeof op>): string => tell(op(...of).order, 'mm');

describe('what a figure set by hand changes is said, and nothing else', () => {
  // Tips at 118 degrees: 10: 3.004, 9.5: 2.854, 10.1: 3.034. Feed of 10 in aluminium: 0.16 x 1.4.
  test.each([
    [{}, []],
    [{ rpm: 980 }, ['980 rev/min instead of 2350 rev/min: 45.9 % of the ideal.', '14 s a hole instead of 9 s.']],
    [
      { feed: 0.1 },
      ['Feed 0.10 mm/rev instead of 0.224 mm/rev.', expect.stringMatching(/^Torque/), '14 s a hole instead of 9 s.'],
    ],
    [{ fullMm: 25 }, ['Stop at 28.0 mm instead of 23.0 mm.']],
    [
      { drill: '9.5' },
      ['9.5 mm instead of 10.0 mm.', expect.stringMatching(/^Feed 0\.215/), expect.stringMatching(/^Torque/)],
    ],
    [
      { drill: '10.1' },
      ['10.1 mm instead of 10.0 mm.', expect.stringMatching(/^Feed/), expect.stringMatching(/^Torque/)],
    ],
  ] as [OperationOverride, string[]][])('%j', (drill, expected) =>
    expect((op('drill', ten, { overrides: { drill } }).changes ?? []).map((c) => tell(c, 'mm'))).toEqual(expected),
  );

  test('a speed of a machine that has none stays silent, with the other figures said', () => {
    const fast = {
      ...shop,
      machines: shop.machines.map((m) => ({ ...m, speeds: { kind: 'range' as const, minRpm: 20000, maxRpm: 30000 } })),
    };
    const { changes } = op('drill', ten, { overrides: { drill: { rpm: 25000, fullMm: 25 } } }, fast);
    expect(changes?.map((c) => tell(c, 'mm'))).toEqual([
      'Stop at 28.0 mm instead of 23.0 mm.',
      '10 s a hole instead of 9 s.',
    ]);
  });
});

test('a drill opens what a thinner one left when that goes half as deep; an equal one leaves full metal to it', () => {
  const found = (drill: string, fullMm: number) =>
    op('drill', ten, {
      inserted: [{ key: 'mine', kind: 'drill', drill, fullMm }],
      order: ['lay-out', 'start', 'mine', 'drill'],
    }).cut?.spec.inHoleMm;
  expect([found('5', 9.9), found('5', 10), found('9.9', 20), found('10', 20)]).toEqual([0, 5, 9.9, 0]);
  const mine = (fullMm: number) =>
    order('mine', ten, { inserted: [{ key: 'mine', kind: 'drill', drill: '5', fullMm }] });
  // Tip of 5: 1.502.
  expect([mine(10), mine(40)]).toEqual([
    'Drill 5.0 mm to 10.0 mm; set the stop at 11.5 mm from touch.',
    'Drill 5.0 mm through; the tip passes 1.5 mm beyond the back.',
  ]);
});

test('a spot leaves no chamfer where a head takes the mouth: half of the 5.0 that comes first', () => {
  const spot = (callout: string) => op('start', { callout, thickness: '20', machine: 'mill', start: 'spot' }).cut?.spec;
  expect([spot('M6 THRU CBORE ø11 x 6')?.diameterMm, spot('M6 THRU CSK 12 x 90°')?.diameterMm]).toEqual([2.5, 2.5]);
});

test('a reamed bore is checked by the limits of H7, or by the name of its fit', () => {
  const check = (fit: string) => order('check', { callout: `ø8 ${fit}REAM THRU`, thickness: '20' });
  expect([check('H7 '), check('H8 '), check('')]).toEqual([
    'Clean, then check with a plug gauge: 8.0 mm goes, 8.015 mm does not.',
    'Clean, then check 8.0 mm H8 with a plug gauge.',
    'Clean, then check 8.0 mm with a plug gauge.',
  ]);
});

test('the working of the stop names what it is added from', () => {
  const stop = (over: Partial<AskForm>) => {
    const { cut } = op('drill', { ...ten, ...over });
    return cut && inputsOf(cut.travel);
  };
  expect([stop({}), stop({ callout: 'ø10 THRU' })]).toEqual([
    'full-diameter depth 20 mm, tip 3.0043 mm',
    'thickness 40 mm, tip 3.0043 mm, beyond the back 1 mm',
  ]);
});

test('sheet up to its limit is cut with a step drill from 6 mm; thicker or thinner holes are drilled', () => {
  const tools = [
    { id: 'st', kind: 'step-drill' as const, name: 'step drill 4 to 20', smallMm: 4, diameterMm: 20, stepMm: 1 },
  ];
  const at = { ...shop, tools };
  const first = (mm: number, thickness: string) =>
    order('drill', { ...ten, callout: `ø${mm} THRU`, thickness }, undefined, at);
  expect([first(6, '3'), first(10, '2'), first(5, '2'), first(10, '3.1')]).toEqual([
    'Cut 6.0 mm through with step drill 4 to 20.',
    'Cut 10.0 mm through with step drill 4 to 20.',
    expect.stringMatching(/^Drill 5\.0 mm/),
    expect.stringMatching(/^Drill 10\.0 mm/),
  ]);
});

describe('limits, each from both sides', () => {
  const codes = (over: Partial<AskForm>, at = shop) =>
    op('drill', { ...ten, ...over }, undefined, at).cautions.map((c) => c.code);

  test('the chuck takes its own size; a larger shank, of a reamer too, does not go in; an annular cutter has its own', () => {
    expect([
      codes({ callout: 'ø13 x 20 DEEP' }).includes('chuck'),
      codes({ callout: 'ø14 x 20 DEEP' }).includes('chuck'),
    ]).toEqual([false, true]);
    const reamed = op('ream', { ...ten, callout: 'ø14 H7 REAM x 20 DEEP' }).cautions.map((c) => c.code);
    expect(reamed).toContain('chuck');
    expect(
      op('counterbore', { ...ten, callout: 'ø9 x 30 DEEP CBORE ø15 x 8' }).cautions.map((c) => c.code),
    ).not.toContain('chuck');
  });

  test('a hole that is there is opened and followed; a piloted one is drilled', () => {
    const kinds = (over: Partial<AskForm>) => {
      const found = op('drill', { ...ten, callout: 'ø16 THRU', thickness: '16', ...over });
      return [tell(found.order, 'mm').split(' ')[0], found.cautions.some((c) => c.code === 'follows')];
    };
    expect([kinds({ existing: '8' }), kinds({})]).toEqual([
      ['Open', true],
      ['Drill', false],
    ]);
  });

  test('a wide drill is piloted wider only where the motor cannot turn it otherwise, and the shop pilots to the web', () => {
    const pilots = (powerW: number | undefined, pilot: 'web' | 'generous' = 'web') => {
      const machines = shop.machines.map((m) => ({ ...m, powerW, chuckMm: 25 }));
      return planned(
        { callout: 'ø20 x 20 DEEP', thickness: '40', material: 'steel-low-carbon' },
        { at: { ...shop, machines, habits: { ...shop.habits, pilot } } },
      )
        .operations.filter((o) => o.code === 'pilot')
        .map((o) => o.cut?.spec.diameterMm);
    };
    const usual = pilots(undefined);
    const generous = pilots(5000, 'generous');
    expect(generous).not.toEqual(usual);
    // 400 W drives 20 mm in a hole of 8, not in one of 3.6; 60 W in neither.
    expect(pilots(400)).toEqual([3.2, 8]);
    expect([pilots(5000), pilots(60)]).toEqual([usual, usual]);
  });

  test('a larger, shallower drill after a smaller one is a bad order; after a pilot, or as deep, it is not', () => {
    const faults = (callout: string, order: string[]) =>
      planned({ callout, thickness: '30', material: 'aluminium-wrought-6000' }, { edits: { order } }).faults.map(
        (f) => f.key,
      );
    const two = 'ø9 x 10 DEEP M6 x 20 DEEP';
    expect(faults(two, ['lay-out', 'start', 'open', 'drill'])).toEqual([]);
    expect(faults(two, ['lay-out', 'start', 'drill', 'open']).length).toBeGreaterThan(0);
  });

  test('a depth that would come out is answered with the most that stays in: half a millimetre under the tip', () => {
    const { problems } = planned({ ...ten, thickness: '24' }, { edits: { overrides: { drill: { fullMm: 21 } } } });
    // 24 - 3.004 - 0.5.
    expect(problems.map((p) => tell(p.remedy, 'mm'))).toEqual(['Enter at most 20.5 mm, or make it a through hole.']);
    const reamer = planned(
      { ...ten, callout: 'ø8 H7 REAM x 20 DEEP' },
      { edits: { overrides: { ream: { drill: '9' } } } },
    );
    expect(reamer.problems.map((p) => p.code)).toEqual(['override-drill']);
  });

  test('sticky metal is withdrawn from every half diameter, others every one', () => {
    const pecks = (material: string) => op('drill', { ...ten, callout: 'ø5 x 25 DEEP', material }).cut?.pecks;
    // To the tip 26.5, and none in the last 2.5 of it.
    expect(pecks('steel-low-carbon')).toEqual([15, 20]);
    expect(pecks('stainless-austenitic')).toEqual([7.5, 10, 12.5, 15, 17.5, 20, 22.5]);
  });

  test('of two larger drills the nearer is taken, whatever the order of the case', () => {
    const drills = ['7.0', '6.9'].map((label) => METRIC_INDEX.drills.find((d) => d.label === label) as Drill);
    expect(choosePlainDrill(6.8, { ...METRIC_INDEX, drills }, false, material('steel-low-carbon'))).toMatchObject({
      drill: { label: '6.9' },
      owned: true,
    });
    expect(chooseReamDrill(8, METRIC_INDEX, { start: 'spot', material: material('steel-low-carbon') })).toMatchObject({
      owned: true,
      cautions: [],
    });
  });

  test('every reamed bore beside the main one is checked too', () => {
    const details = (callout: string) =>
      op('check', { ...ten, callout, thickness: '30' }).details.map((d) => tell(d, 'mm'));
    expect(details('ø12 H7 REAM x 8 DEEP M6 THRU')).toEqual([
      'Clean, then check with a plug gauge: 12.0 mm goes, 12.018 mm does not.',
    ]);
    expect([details('ø12 x 8 DEEP M6 THRU'), details('ø8 H7 REAM THRU')]).toEqual([[], []]);
  });

  test('only a drill that meets a pilot, spot or centre hole has another place to touch', () => {
    const touched = (key: string, callout: string) =>
      op(key, { ...ten, callout, material: 'steel-low-carbon' }).cut?.stop.filter((s) =>
        tell(s.order, 'mm').startsWith('Touch the face beside'),
      ).length;
    expect([
      touched('drill', 'ø16 x 20 DEEP'),
      touched('drill', 'ø9 x 20 DEEP'),
      touched('ream', 'ø16 H7 REAM x 20 DEEP'),
      touched('counterbore', 'ø9 x 30 DEEP CBORE ø15 x 8'),
    ]).toEqual([1, 1, 0, 0]);
  });

  test('what is added or set and cannot be is said with its reason; a step without a tool takes no figures', () => {
    const { problems, operations } = planned(ten, {
      edits: {
        inserted: [
          { key: 'a', kind: 'drill', drill: '6', fullMm: 0 },
          { key: 'b', kind: 'drill', drill: '99', fullMm: 5 },
        ],
        overrides: { check: { rpm: 100 } },
      },
    });
    expect(problems.map((p) => p.code)).toEqual(['insert-depth', 'insert-drill']);
    expect(operations.find((o) => o.key === 'check')?.cut).toBeUndefined();
  });
});

describe('which of it is said where', () => {
  test('what is added comes before the end of the hole; those that an order does not name stay after what they followed', () => {
    const keys = (edits: OperationEdits) => planned(ten, { edits }).operations.map((o) => o.key);
    const note = { key: 'mine', kind: 'note' as const, text: 'Warm it', seconds: 60 };
    expect(keys({ inserted: [note] })).toEqual(['lay-out', 'start', 'drill', 'mine', 'deburr', 'check']);
    expect(keys({ dropped: ['deburr'], inserted: [note] }).slice(-2)).toEqual(['mine', 'check']);
    expect(keys({ order: ['drill', 'start'] })).toEqual(['lay-out', 'drill', 'deburr', 'check', 'start']);
  });

  test('a start neither grabs nor needs fluid, a chamfer needs no fluid; only a drill comes through', () => {
    const words = (key: string, callout: string) =>
      op(key, { ...ten, callout, thickness: '20' }).details.map((d) => tell(d, 'mm').split(' ').slice(0, 2).join(' '));
    expect(words('start', 'M8 THRU').filter((w) => /^(If it|Fluid)/.test(w))).toEqual([]);
    expect(words('chamfer', 'M8 THRU').filter((w) => w.startsWith('Fluid'))).toEqual([]);
    expect(words('drill', 'M8 THRU').filter((w) => /^(If it|Fluid|From)/.test(w))).toHaveLength(3);
    expect(words('ream', 'ø8 H7 REAM THRU').filter((w) => w.startsWith('From'))).toEqual([]);
  });

  test('the cautions of a way of tapping are said once, at its first tap', () => {
    const { operations } = planned({ callout: 'M10 x 8 DEEP', material: 'aluminium-wrought-6000', thickness: '16' });
    const codes = (key: string) => operations.find((o) => o.key === key)?.cautions.map((c) => c.code) ?? [];
    const [first, second] = [codes('tap-1'), codes('tap-2')];
    expect(first.filter((c) => second.includes(c))).toEqual([]);
    const all = planned({ callout: 'M3 x 5 DEEP', material: 'stainless-austenitic', thickness: '8.5' });
    const taps = all.operations.filter((o) => o.code === 'tap');
    expect([taps.length > 1, taps[0].cautions.length > 0, taps.slice(1).flatMap((t) => t.cautions).length]).toEqual([
      true,
      true,
      0,
    ]);
  });

  test('by hand 13 mm in steel is the most; softer metal takes more', () => {
    const stops = (callout: string, material: string) =>
      planned({ callout, material, thickness: '6', machine: 'cordless' }).operations.flatMap((o) =>
        o.cut && !o.cut.speed.ok ? o.cut.speed.problems.map((p) => p.code) : [],
      );
    expect([stops('ø13 THRU', 'steel-low-carbon'), stops('ø14 THRU', 'steel-low-carbon')]).toEqual([
      [],
      ['hand-large'],
    ]);
    expect(stops('ø14 THRU', 'aluminium-wrought-6000')).toEqual([]);
  });

  test('a lever that nobody laid out is assumed, and said so', () => {
    const lever = (leverMm?: number) =>
      planned(ten, { setting: { leverMm } }).operations.find((o) => o.key === 'drill')?.cut?.grab?.force.working
        .assumptions?.length;
    expect([lever(), lever(80)]).toEqual([1, 0]);
  });

  test('slow turning is said of a drill and a ring cutter, not of a reamer', () => {
    const crawling = {
      ...shop,
      machines: shop.machines.map((m) => ({ ...m, speeds: { kind: 'range' as const, minRpm: 10, maxRpm: 60 } })),
    };
    const low = (key: string) =>
      op(key, { ...ten, callout: 'ø8 H7 REAM THRU' }, undefined, crawling).cautions.some((c) => c.code === 'speed-low');
    expect([low('drill'), low('ream')]).toEqual([true, false]);
  });

  test('a ring cutter takes through holes from 14 mm', () => {
    const tools = [14, 13.5, 20].map((mm) => ({
      id: `a${mm}`,
      kind: 'annular-cutter' as const,
      name: `annular cutter ${mm}`,
      diameterMm: mm,
      reachMm: 25,
    }));
    const code = (callout: string) =>
      op('drill', { ...ten, callout, thickness: '12' }, undefined, { ...shop, tools }).code;
    expect([code('ø14 THRU'), code('ø20 THRU'), code('ø13.5 THRU'), code('ø14 x 6 DEEP')]).toEqual([
      'annular',
      'annular',
      'drill',
      'drill',
    ]);
  });
});
