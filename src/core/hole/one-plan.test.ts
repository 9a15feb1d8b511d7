import { METRIC_DRILLS } from '../drills/drill';
import type { Operation } from '../operation/operation';
import type { Shop } from '../shop/shop';
import { codesOf, machineOf, planned, pool, PRESS_STEPS, refused, shop as plainShop } from '../tests/bench-shop';
import { writeCallout } from '../threads/write-callout';
import { tell } from '../units/show';
import type { AskForm } from './form';
import { allCautions, mainCut, refusals, type HolePlan } from './hole-plan';
import { sectionOf } from './section';
import { comparedDrills } from './trade-off';

const press = machineOf('press', 'drill-press', PRESS_STEPS, { powerW: 550, quillStrokeMm: 80 });
const shop: Shop = {
  ...plainShop,
  machines: [press, ...plainShop.machines.slice(1), { ...press, id: 'weak', powerW: 120 }],
  pools: [{ ...pool('all'), id: 'crib' }, ...plainShop.pools.slice(1)],
};
const plan = (over: Partial<AskForm>): HolePlan => planned(over, { at: shop });
const word = ({ code, cut }: Operation): string =>
  cut && code !== 'start'
    ? `${code} ${+cut.spec.diameterMm.toFixed(2)}${cut.spec.through ? ' thru' : ` to ${+cut.spec.fullMm.toFixed(2)}`}`
    : code;
const series = (p: HolePlan): string[] => p.operations.map(word);
const orderOf = (p: HolePlan, code: string) => p.operations.find((o) => o.code === code)?.order ?? { text: '' };
const said = (p: HolePlan): string[] => allCautions(p).map((c) => `${c.level} ${c.code} of ${c.subject}`);
const metric = { drills: 'metric-1-13-by-0.1' };

describe('a stack of bores, each with its own depth', () => {
  const reamed = { thickness: '30', drills: 'metric-1-13-by-0.1', machine: 'mill' };
  // 12 of thread, a plug of 4 threads and one of room: 12 + 6 + 1.5. The reamer is left about 0.25 on 7.766.
  const expected = ['drill 8.5 to 19.5', 'deepen 7.7 thru', 'ream 8 thru', 'tap', 'deburr', 'check'];

  test.each(['M10 x 12 DEEP, ø8 H7 REAM THRU', 'ø8 H7 REAM THRU M10 x 12 DEEP'])('%s', (callout) => {
    const p = plan({ callout, ...reamed });
    expect(series(p).filter((s) => !/^(lay|start|pilot|chamfer)/.test(s))).toEqual(expected);
    // The main bore is the one that is tapped, wherever it is written; its floor shows, and no wall is asked for.
    expect([p.hole.thread?.through, p.hole.through, p.wall]).toEqual([false, true, undefined]);
    expect(mainCut(p)?.spec).toMatchObject({ diameterMm: 8.5, through: false });
    expect(sectionOf(p).levels.map((l) => `${tell(l.name, 'mm')} ${l.mm.toFixed(1)}`)).toEqual([
      'full thread to 12.0',
      'tap drill to 19.5',
      'through the plate 30.0',
      'tip clears at 32.3',
    ]);
    expect(p.faults).toEqual([]);
    expect(p.operations.find((o) => o.code === 'check')?.details.map((d) => tell(d, 'mm'))).toEqual([
      'Clean, then check with a plug gauge: 8.0 mm goes, 8.015 mm does not.',
    ]);
  });

  test('a counterdrill is the wider part first, with its cone, a level of its own, and on the drawing', () => {
    const p = plan({ callout: 'ø9 THRU CDRILL ø13 x 6', thickness: '20', drills: 'metric-1-13-by-0.1' });
    expect(series(p).slice(-4)).toEqual(['counterdrill 13 to 6', 'drill 9 thru', 'deburr', 'check']);
    // 13 / 2 / tan 59° = 3.9: the stop holds at 9.9.
    expect(tell(orderOf(p, 'counterdrill'), 'mm')).toContain('stop at 10.0 mm');
    expect(sectionOf(p).levels.map((l) => tell(l.name, 'mm'))).toContain('counterdrilled to');
    expect(plan({ callout: writeCallout(p.callout) }).callout.features).toEqual(p.callout.features);
    const left = planned({ callout: 'ø9 THRU CDRILL ø13 x 6' }, { at: shop, edits: { dropped: ['counterdrill'] } });
    expect(left.faults.map((f) => `${f.level} ${f.key}`)).toContain('stop counterdrill');
  });

  test('three plain bores from the widest down; a fitted upper one is reamed after all drilling', () => {
    expect(
      series(plan({ callout: 'ø10 THRU ø20 H7 x 5 DEEP ø14 x 12 DEEP', thickness: '20', machine: 'mill' })),
    ).toEqual([
      'lay-out',
      'start',
      'pilot 3.45 thru',
      'open 19.5 to 5',
      'open 14 to 12',
      'drill 10 thru',
      'ream 20 to 5',
      'deburr',
      'check',
    ]);
  });

  test.each([
    ['a bore as wide as the tap drill under it', 'M10 x 12 DEEP ø8.5 H7 REAM THRU', 'bore-as-large@callout'],
    ['a bore inside a thread that goes through', 'M10 THRU ø8 H7 REAM THRU', 'bore-inside-thread@callout'],
    ['a narrower bore that ends inside a wider one', 'ø20 x 15 DEEP ø10 x 8 DEEP', 'bore-swallowed@callout'],
    ['two bores that go through', 'ø20 THRU ø10 THRU', 'bore-swallowed@callout'],
  ])('%s', (_, callout, expected) =>
    expect(refused({ callout, thickness: '30', ...metric }, shop)).toEqual([expected]),
  );

  test('a hole drawn beside a thread at 77 percent is its drill, at 103 percent a bore of its own', () => {
    const through = plan({ callout: 'ø8.5 THRU M10 x 12 DEEP', thickness: '30', ...metric });
    expect(series(through)).toContain('drill 8.5 thru');
    expect(series(plan({ callout: 'ø8 THRU M10 x 12 DEEP', thickness: '30', ...metric }))).toContain('deepen 8 thru');
  });
});

test('the load of a tap is one: the way, the comparison and the drill beside it turn under the same conditions', () => {
  for (const over of [{ dry: true }, {}, { machine: 'mill', parts: '60' }]) {
    const { thread } = plan({
      callout: 'M8 x 16 DEEP',
      thickness: '40',
      material: 'stainless-austenitic',
      ...metric,
      ...over,
    });
    const beside = thread && comparedDrills(thread).find((t) => t.candidate === thread.tapDrill.used);
    expect(beside?.load?.torque.value).toBe(thread?.tapping.best.load?.torque.value);
    expect(beside?.load?.safety).toBe(thread?.tapping.best.load?.safety);
  }
  const wet = plan({ callout: 'M8 THRU', thickness: '12' }).thread?.tapping.best.load?.torque.value ?? 0;
  const dry = plan({ callout: 'M8 THRU', thickness: '12', dry: true }).thread?.tapping.best.load?.torque.value ?? 0;
  expect(dry / wet).toBeCloseTo(1.5, 9);
});

describe('every figure within the machine', () => {
  test('20 mm in aluminium on 550 W: slower and fed lighter until the motor drives it, and said', () => {
    const p = plan({ callout: 'ø20 THRU', material: 'aluminium-wrought-6000', thickness: '16' });
    const cut = mainCut(p);
    const watts = cut?.speed.ok && cut.torque ? (cut.torque.value * cut.speed.value.rpm) / 9.55 : NaN;
    expect(watts).toBeLessThanOrEqual(412.5 + 1e-6);
    expect(cut?.speed.ok && cut.speed.value.percentOfIdeal).toBeGreaterThan(40);
    expect(said(p)).toContain('note power of drill');
    expect(refusals(p)).toEqual([]);
  });

  test('M36x4 on 550 W cannot be: said once, with what to do, and the rest of the plan stands', () => {
    const p = plan({ callout: 'M36x4 THRU', thickness: '30', machine: 'weak' });
    expect(refusals(p).map((x) => x.code)).toEqual(['power']);
    expect([p.thread?.tapDrill.used.drill.label, mainCut(p)?.speed.ok]).toEqual(['32.0', false]);
  });

  test('M6 x 80 in long stock: neither the drill nor the tap reaches, said at each', () => {
    const both = said(plan({ callout: 'M6 x 80 mm DEEP', thickness: '120' }));
    // Flutes of 5.0: 52. The tap goes 80 + 4 deep and reaches 19 of thread and 11 of neck.
    expect(both).toEqual(
      expect.arrayContaining(['warn reach of drill', 'warn tap-reach of tap-1', 'warn stroke of drill']),
    );
    expect(codesOf(plan({ callout: 'M6 x 18 DEEP', thickness: '120' }))).not.toContain('tap-reach');
    // An M8 by its thread of 22 and neck of 13; the shank of an M12 is thinner than its hole and follows: 89 − 10.
    const reaches = (callout: string) =>
      !codesOf(plan({ callout, thickness: '120', taps: 'plug' })).includes('tap-reach');
    expect(['M8 x 29 DEEP', 'M8 x 31 DEEP', 'M12 x 71 DEEP', 'M12 x 73 DEEP'].map(reaches)).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });

  test('by hand: steel over 13 mm goes to a press; a gear holds the ideal; a pilot that does not snap', () => {
    const hand = { machine: 'cordless', drills: 'inch-index-115' };
    const large = plan({ callout: 'ø14 THRU', thickness: '6', machine: 'cordless' });
    expect(refusals(large).map((x) => `${x.code}: ${x.remedy.text}`)).toEqual([
      'hand-large: Bring the part to a drill press, or the press to the part.',
    ]);
    expect(refusals(plan({ callout: 'ø14 THRU', thickness: '6', machine: 'cordless', material: 'copper' }))).toEqual(
      [],
    );
    expect(refusals(plan({ callout: 'ø13 THRU', thickness: '6', machine: 'cordless' }))).toEqual([]);
    const sheet = mainCut(plan({ callout: '1/4-20 UNC THRU', thickness: '2 mm', ...hand }))?.speed;
    expect(sheet?.ok && sheet.value.percentOfIdeal).toBeGreaterThan(90);
    const pilots = (callout: string, drills: string): string[] =>
      plan({ callout, thickness: '10 mm', machine: 'cordless', drills })
        .operations.filter((o) => o.code === 'pilot')
        .map((o) => o.cut?.spec.drill?.label ?? '');
    const wide = METRIC_DRILLS.find((d) => d.label === '10.7')?.label ?? '';
    expect([pilots('ø27/64 in THRU', 'inch-index-115'), pilots(`ø${wide} THRU`, 'metric-1-13-by-0.1')]).toEqual([
      ['1/8'],
      ['3.2'],
    ]);
    // Under 7 mm even an eighth is over 0.45 of the drill: none.
    expect(pilots('ø6.5 THRU', 'metric-1-13-by-0.1')).toEqual([]);
  });
});

describe('what is there already', () => {
  test('an old thread is kept: cleaned, gauged, at most chased, and never tapped anew', () => {
    const p = plan({ callout: '2x 1/2-12 BSW THRU', material: 'iron-ductile', thickness: '22 mm', existing: 'Thread' });
    expect(series(p)).toEqual(['note', 'check', 'chase']);
    expect([p.thread, mainCut(p), refusals(p), p.wall]).toEqual([undefined, undefined, [], undefined]);
    expect(p.faults).toEqual([]);
    expect(sectionOf(p)).toMatchObject({ title: '1/2-12 BSW', thread: { runOutMm: 0 }, bores: [{ fullMm: 22 }] });
    expect(refused({ callout: 'ø9 THRU', existing: 'thread' }, shop)).toEqual(['existing-thread@existing']);
  });

  test('a plain hole that serves is left, and judged as it is', () => {
    const p = plan({ callout: 'M10 THRU', thickness: '12', existing: '8.6', ...metric });
    expect(series(p)).toEqual(['lay-out', 'note', 'chamfer 10.4 to 0.9', 'tap', 'deburr', 'check']);
    expect(p.thread?.tapDrill.used.holeMm).toBeCloseTo(8.6, 2);
  });
});

test('fits and bolts end where their tables and sense end', () => {
  expect(refused({ callout: 'ø130 H7 REAM THRU', thickness: '20' }, shop)).toEqual(['fit-large@callout']);
  const h7 = plan({ callout: 'ø60 H7 REAM THRU', thickness: '20', machine: 'mill' });
  expect(tell(h7.operations.at(-1)?.order ?? { text: '' }, 'mm')).toContain('60.03 mm does not');
  expect(plan({ callout: 'M8 THRU', thickness: '12', material: 'acetal' }).thread?.engagement).toBeUndefined();
});

test('two missing tools are two cautions', () => {
  const p = planned({ callout: 'ø9 H7 REAM THRU CBORE ø15 x 5', thickness: '20' }, { at: { ...shop, tools: [] } });
  expect(
    said(p)
      .filter((c) => c.includes('tool-missing of'))
      .sort(),
  ).toEqual(['warn tool-missing of counterbore', 'warn tool-missing of ream', 'warn tool-missing of start']);
});

test('the section breaks stock that is much longer than the hole', () => {
  const bar = sectionOf(plan({ callout: 'M16 x 32 DEEP', thickness: '480', machine: 'lathe' }));
  const tip = Math.max(...bar.bores.map((b) => b.fullMm + b.tipMm));
  expect(bar.broken?.fromMm).toBeCloseTo(1.35 * tip, 6);
  expect(bar.broken?.toMm).toBeCloseTo(480 - 0.35 * tip, 6);
  expect(sectionOf(plan({ callout: 'M16 x 32 DEEP', thickness: '60', machine: 'lathe' })).broken).toBeUndefined();
  expect(sectionOf(plan({ callout: 'ø6 THRU', thickness: '80' })).broken).toBeUndefined();
});
