import type { Machine } from '../cutting/machine';
import { DRILL_SETS } from '../drills/drill-sets';
import { MATERIALS } from '../materials/materials';
import { tell } from '../units/show';
import type { HolePlan } from './hole-plan';
import { BLANK_FORM, type AskForm } from './ask-form';
import { USUAL_HABITS } from './habits';
import { answerForm, type Shop } from './read-form';

const steps = (...rpm: number[]) => ({
  kind: 'steps' as const,
  steps: rpm.map((r) => ({ rpm: r, label: `step ${r}` })),
});
const machine = (
  id: string,
  kind: Machine['kind'],
  speeds: Machine['speeds'],
  over: Partial<Machine> = {},
): Machine => ({
  id,
  name: id,
  kind,
  speeds,
  reversible: false,
  tappingHead: false,
  coastRevolutions: 1.5,
  coastAtRpm: 140,
  chuckMm: 13,
  ...over,
});
const metric = DRILL_SETS.find((s) => s.id === 'metric-1-13-by-0.1')?.drills ?? [];
const fractions = DRILL_SETS.find((s) => s.id === 'inch-fraction-29')?.drills ?? [];
const shop: Shop = {
  materials: MATERIALS,
  machines: [
    machine('press', 'drill-press', steps(140, 210, 270, 330, 420, 560, 740, 980, 1250, 1700, 2350, 3300)),
    machine('mill', 'mill', steps(65, 110, 180, 300, 590, 1000, 1640, 2720), {
      reversible: true,
      coastRevolutions: 0.8,
      coastAtRpm: 65,
    }),
    machine('lathe', 'lathe', steps(45, 75, 120, 190, 300, 470, 740, 1150, 1800), {
      reversible: true,
      coastRevolutions: 0.6,
      coastAtRpm: 45,
    }),
    machine('cordless', 'hand-drill', steps(450, 1600)),
    machine('head', 'drill-press', steps(140, 560, 1250), { tappingHead: true }),
  ],
  pools: [
    { id: 'crib', label: 'the crib', drills: [...metric.filter((d) => d.label !== '6.8'), ...fractions] },
    ...DRILL_SETS,
  ],
  habits: USUAL_HABITS,
};

function plan(over: Partial<AskForm>): HolePlan {
  const result = answerForm({ ...BLANK_FORM, machine: 'press', ...over }, shop);
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}
const series = (p: HolePlan): string[] =>
  p.steps.map((s) =>
    s.code === 'drill'
      ? `drill ${p.tapDrill.used.drill.label}`
      : s.code === 'pilot'
        ? `pilot ${tell(s.order, 'mm').replace(/^Pilot with |(, through| to .*)?\.$/g, '')}`
        : s.code === 'tap'
          ? `tap ${String(s.order.values?.tap)}`
          : s.code,
  );

/** What a good machinist would do, written down before the program was asked. */
describe('the series of operations, hole by hole', () => {
  test('M5 through 16 mm of aluminium on the press: one taper tap, far side deburred', () => {
    const p = plan({ callout: 'M5 THRU', material: 'aluminium-wrought-6000', thickness: '16' });
    expect(series(p)).toEqual(['lay-out', 'start', 'drill 4.3', 'chamfer', 'tap taper', 'deburr', 'check']);
    expect(p.drilling.pecks).toHaveLength(1);
  });

  test('M8 blind with plenty below: a plug tap alone; 6.8 is missing, so 17/64', () => {
    const p = plan({ callout: 'M8 x 12 DEEP', thickness: '40' });
    expect(series(p)).toEqual(['lay-out', 'start', 'drill 17/64', 'chamfer', 'tap plug', 'check']);
    expect(p.wall?.value).toBeCloseTo(40 - (12 + 5 + 1.25 + 6.746875 / 2 / Math.tan((59 * Math.PI) / 180)), 6);
  });

  test('M8 blind with little below: plug, then bottoming', () => {
    expect(series(plan({ callout: 'M8 x 12 DEEP', thickness: '20' }))).toEqual([
      'lay-out',
      'start',
      'drill 17/64',
      'chamfer',
      'tap plug',
      'tap bottoming',
      'check',
    ]);
  });

  test('M12 through steel plate: pilot first; by hand the pilot is wanted for smaller drills too', () => {
    expect(series(plan({ callout: 'M12 THRU', thickness: '12' }))).toEqual([
      'lay-out',
      'start',
      'pilot 3.0 mm',
      'drill 10.3',
      'chamfer',
      'tap taper',
      'deburr',
      'check',
    ]);
    const hand = plan({ callout: 'M10 THRU', thickness: '6', machine: 'cordless' });
    expect(series(hand)[1]).toMatch(/^pilot/);
    expect(hand.drilling.start).toBe('hand');
  });

  test('M6 on the mill: spotted, so neither punched nor countersunk; a batch goes under power', () => {
    const one = plan({ callout: 'M6 THRU', machine: 'mill', thickness: '10' });
    expect(series(one)).toEqual(['lay-out', 'start', 'drill 5.0', 'tap spiral-point (gun) tap', 'deburr', 'check']);
    expect(one.tapping.best.id).toBe('reversing-spindle');
    const blind = plan({ callout: 'M6 x 9 DEEP', machine: 'mill', thickness: '30', parts: '40' });
    expect(blind.tapping.best.id).not.toBe('reversing-spindle');
  });

  test('3/8-16 in grey iron: straight flutes, brittle metal takes more thread, dry', () => {
    const p = plan({ callout: '3/8-16 UNC-2B THRU', material: 'iron-grey', thickness: '12', drills: 'inch-index-115' });
    expect([p.tapDrill.used.drill.label, p.tapDrill.target.value]).toEqual(['5/16', 76]);
    expect(p.cautions.map((c) => c.code)).toEqual(expect.arrayContaining(['dust', 'material']));
    expect(p.tapping.best.taps[0].geometry).toBe('straight');
  });

  test('M2.5 formed in soft brass: its own drill, no reversing, pins afterwards', () => {
    const p = plan({ callout: '12x M2.5 THRU', material: 'brass-cartridge', tap: 'form', thickness: '4' });
    expect([p.tapDrill.used.drill.label, p.tapping.best.biteTurns, p.kind]).toEqual(['2.3', 0, 'form']);
    expect(p.cautions.map((c) => c.code)).toContain('form-check');
  });

  test('1/8 NPT: listed drill, a tapered tap by hand, stopped by the gauge', () => {
    const p = plan({ callout: '1/8 NPT', drills: 'inch-index-115', thickness: '12' });
    expect(series(p)).toEqual(['lay-out', 'start', 'drill R', 'chamfer', 'tap taper pipe tap', 'deburr', 'check']);
    expect(p.tapping.ways.find((w) => w.id === 'reversing-spindle')?.possible).toBe(false);
  });

  test('M10 on the axis in the lathe: in the tailstock, spindle turned by hand for a blind hole', () => {
    const p = plan({ callout: 'M10 x 15 DEEP', machine: 'lathe', thickness: '60' });
    expect([p.tapping.best.id, p.tapping.best.rpm]).toEqual(['lathe', undefined]);
    expect(plan({ callout: 'M10 THRU', machine: 'lathe', thickness: '15' }).tapping.best.rpm).toBe(45);
  });

  test('a reversing head takes the many through holes, never the blind ones', () => {
    expect(
      plan({ callout: 'M6 THRU', machine: 'head', thickness: '8', parts: '200', material: 'aluminium-wrought-6000' })
        .tapping.best.id,
    ).toBe('reversing-head');
    const blind = plan({ callout: 'M6 x 8 DEEP', machine: 'head', thickness: '30', parts: '200' });
    expect(blind.tapping.ways.find((w) => w.id === 'reversing-head')?.possible).toBe(false);
  });
});

describe('how a shop does it', () => {
  const speed = (over: Partial<AskForm>, habits: Partial<Shop['habits']>): number => {
    const r = answerForm(
      { ...BLANK_FORM, callout: 'M8 THRU', thickness: '10', machine: 'press', ...over },
      { ...shop, habits: { ...USUAL_HABITS, ...habits } },
    );
    return r.ok && 'rpm' in r.value.drilling.speed ? r.value.drilling.speed.rpm : NaN;
  };

  test('steps: nearest for mild steel, next below for stainless, or as the shop says', () => {
    expect(speed({}, {})).toBe(1250);
    expect(speed({ material: 'stainless-austenitic' }, {})).toBe(560);
    expect(speed({ material: 'stainless-austenitic' }, { stepRule: 'nearest' })).toBe(740);
    expect(speed({}, { stepRule: 'below' })).toBe(1250);
    expect(speed({ dry: true }, { stepRule: 'below' })).toBe(740);
  });

  test('formed threads a grade looser, and the names of taps', () => {
    const formed = (formedLooser: boolean) => {
      const r = answerForm(
        { ...BLANK_FORM, callout: 'M8 THRU', tap: 'form', drills: 'all', thickness: '10' },
        { ...shop, habits: { ...USUAL_HABITS, formed: formedLooser ? 'looser' : 'same' } },
      );
      return r.ok ? [r.value.limits?.className, r.value.tapDrill.target.value.toFixed(1)] : [];
    };
    expect([formed(false), formed(true)]).toEqual([
      ['6H', '67.0'],
      ['7H', '65.0'],
    ]);
    const named = answerForm(
      { ...BLANK_FORM, callout: 'M8 x 12 DEEP', thickness: '20' },
      { ...shop, habits: { ...USUAL_HABITS, tapNames: 'taper-second-plug' } },
    );
    expect(named.ok && named.value.tapping.best.taps.map((t) => `${t.name} ${t.chamferThreads}`)).toEqual([
      'second 4',
      'plug 2',
    ]);
  });

  test('the start decides how the hole comes out, and with it the verdict', () => {
    const hole = (start: AskForm['start']): number =>
      plan({ callout: 'M8 THRU', thickness: '10', start }).tapDrill.used.hole.value - 6.746875;
    const [hand, punch, centre, spot, bushing] = (['hand', 'punch', 'centre-drill', 'spot', 'bushing'] as const).map(
      hole,
    );
    expect(hand).toBeGreaterThan(punch);
    expect(punch).toBeGreaterThan(centre);
    expect(centre).toBeGreaterThan(spot);
    expect(spot).toBeGreaterThan(bushing);
  });

  test('a bolt asked for decides how much thread is enough', () => {
    const needed = (bolt: string): number =>
      plan({ callout: 'M8 THRU', thickness: '12', bolt, material: 'aluminium-wrought-6000' }).engagement?.needed
        .value ?? NaN;
    expect(needed('12.9') / needed('8.8')).toBeCloseTo(1220 / 800, 6);
  });
});
