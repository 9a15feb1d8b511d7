import { drillUsed } from '../tapping/tools-for-metal';
import { material, planned as plan, shop } from '../tests/bench-shop';
import { USUAL_HABITS, type ShopHabits } from '../shop/habits';
import { tell } from '../units/show';
import type { AskForm } from './form';
import { allCautions, mainCut, type HolePlan } from './hole-plan';

const series = (p: HolePlan): string[] =>
  p.operations.map((s) =>
    s.code === 'drill'
      ? `drill ${s.cut?.spec.drill?.label}`
      : s.code === 'pilot'
        ? `pilot ${tell(s.order, 'mm').replace(/^Pilot with |(, through| to .*)?\.$/g, '')}`
        : s.code === 'tap'
          ? `tap ${s.tap?.tap.name}`
          : s.code,
  );

/** What a good machinist would do, written down before the program was asked. */
describe('the series of operations, hole by hole', () => {
  test('M5 through 16 mm of aluminium on the press: one taper tap, far side deburred', () => {
    const p = plan({ callout: 'M5 THRU', material: 'aluminium-wrought-6000', thickness: '16' });
    expect(series(p)).toEqual(['lay-out', 'start', 'drill 4.2', 'chamfer', 'tap taper', 'deburr', 'check']);
    expect(mainCut(p)?.pecks).toHaveLength(1);
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
    expect(hand.start).toBe('hand');
  });

  test('M6 on the mill: spotted, so neither punched nor countersunk; a batch goes under power', () => {
    const one = plan({ callout: 'M6 THRU', machine: 'mill', thickness: '10' });
    expect(series(one)).toEqual(['lay-out', 'start', 'drill 5.0', 'tap spiral-point (gun) tap', 'deburr', 'check']);
    expect(one.thread?.tapping.best.id).toBe('reversing-spindle');
    // Blind with stock below: four pitches deeper, and the spindle has room to stop; in 16 it has not.
    const blind = (thickness: string) =>
      plan({ callout: 'M6 x 9 DEEP', machine: 'mill', thickness, parts: '40' }).thread?.tapping.best;
    expect([blind('30')?.id, blind('30')?.depth?.chipRoomMm]).toEqual(['reversing-spindle', 5]);
    expect(blind('16')?.id).not.toBe('reversing-spindle');
  });

  test('3/8-16 in grey iron: straight flutes, brittle metal takes more thread, dry', () => {
    const p = plan({ callout: '3/8-16 UNC-2B THRU', material: 'iron-grey', thickness: '12', drills: 'inch-index-115' });
    expect([p.thread?.tapDrill.used.drill.label, p.thread?.tapDrill.target.value]).toEqual(['5/16', 76]);
    expect(allCautions(p).map((c) => c.code)).toEqual(expect.arrayContaining(['dust', 'material']));
    expect(p.thread?.tapping.best.taps[0].geometry).toBe('straight');
  });

  test('M2.5 formed in soft brass: its own drill, no reversing, pins afterwards', () => {
    const p = plan({ callout: '12x M2.5 THRU', material: 'brass-cartridge', tap: 'form', thickness: '4' });
    expect([p.thread?.tapDrill.used.drill.label, p.thread?.tapping.best.biteTurns, p.thread?.kind]).toEqual([
      '2.3',
      0,
      'form',
    ]);
    expect(allCautions(p).map((c) => c.code)).toContain('form-check');
  });

  test('1/8 NPT: listed drill, a tapered tap by hand, stopped by the gauge', () => {
    const p = plan({ callout: '1/8 NPT', drills: 'inch-index-115', thickness: '12' });
    expect(series(p)).toEqual(['lay-out', 'start', 'drill R', 'chamfer', 'tap taper pipe tap', 'deburr', 'check']);
    expect(p.thread?.tapping.ways.find((w) => w.id === 'reversing-spindle')?.possible).toBe(false);
  });

  test('M10 on the axis in the lathe: by hand against the tailstock centre, blind or one through', () => {
    const p = plan({ callout: 'M10 x 15 DEEP', machine: 'lathe', thickness: '60' });
    expect([p.thread?.tapping.best.id, p.thread?.tapping.best.rpm]).toEqual(['lathe-hand', undefined]);
    expect(plan({ callout: 'M10 THRU', machine: 'lathe', thickness: '15', parts: '30' }).thread?.tapping.best.rpm).toBe(
      45,
    );
  });

  test('a reversing head takes the many through holes, never the blind ones', () => {
    expect(
      plan({ callout: 'M6 THRU', machine: 'head', thickness: '8', parts: '200', material: 'aluminium-wrought-6000' })
        .thread?.tapping.best.id,
    ).toBe('reversing-head');
    const blind = plan({ callout: 'M6 x 8 DEEP', machine: 'head', thickness: '30', parts: '200' });
    expect(blind.thread?.tapping.ways.find((w) => w.id === 'reversing-head')?.possible).toBe(false);
  });
});

describe('how a shop does it', () => {
  const by = (over: Partial<AskForm>, habits: Partial<ShopHabits> = {}): HolePlan =>
    plan({ callout: 'M8 THRU', thickness: '10', ...over }, { at: { ...shop, habits: { ...USUAL_HABITS, ...habits } } });
  const speed = (over: Partial<AskForm>, habits: Partial<ShopHabits>): number => {
    const set = mainCut(by(over, habits))?.speed;
    return set?.ok ? set.value.rpm : NaN;
  };

  test('steps: nearest for mild steel, next below for stainless, or as the shop says', () => {
    expect(speed({}, {})).toBe(1250);
    // 50 ft/min at 6.9: 703.
    const stainless = { material: 'stainless-austenitic', drill: '6.9' };
    expect(speed(stainless, {})).toBe(560);
    expect(speed(stainless, { stepRule: 'nearest' })).toBe(740);
    expect(speed({}, { stepRule: 'below' })).toBe(1250);
    expect(speed({ dry: true }, { stepRule: 'below' })).toBe(740);
  });

  test('a drill to buy is figured in the steel and with the point that it is named by', () => {
    const cut = mainCut(by({ material: 'stainless-austenitic' }));
    expect(cut?.spec.drill && drillUsed(cut.spec.drill, material('stainless-austenitic'))).toBe('cobalt, 135° point');
    // 50 ft/min, 1.15 of it, at 6.8.
    expect([cut?.spec.pointAngleDeg, cut?.ideal.value.toFixed(0)]).toEqual([135, '820']);
  });

  test('formed threads a grade looser, and the names of taps', () => {
    const formed = (of: ShopHabits['formed']) => {
      const { thread } = by({ tap: 'form', drills: 'all' }, { formed: of });
      return [thread?.limits?.className, thread?.tapDrill.target.value.toFixed(1)];
    };
    expect([formed('same'), formed('looser')]).toEqual([
      ['6H', '67.0'],
      ['7H', '65.0'],
    ]);
    const named = by({ callout: 'M8 x 12 DEEP', thickness: '20' }, { tapNames: 'taper-second-plug' });
    expect(named.thread?.tapping.best.taps.map((t) => `${t.name} ${t.chamferThreads}`)).toEqual(['second 4', 'plug 2']);
  });

  test('the start decides how the hole comes out, and with it the verdict', () => {
    const over = (['hand', 'punch', 'centre-drill', 'spot', 'bushing'] as const).map((start) => {
      const drill = by({ start }).thread?.tapDrill;
      return ((drill?.used.holeMm ?? 0) - (drill?.used.drill.diameterMm ?? 0)) / 0.10373;
    });
    // 17/64 is 6.747: 0.10373 over on a punch mark.
    expect(over.map((share) => +share.toFixed(2))).toEqual([1.6, 1, 0.7, 0.6, 0.5]);
  });

  test('a bolt asked for decides how much thread is enough', () => {
    const needed = (bolt: string): number =>
      by({ bolt, material: 'aluminium-wrought-6000' }).thread?.engagement?.needed.value ?? NaN;
    expect(needed('12.9') / needed('8.8')).toBeCloseTo(1220 / 800, 6);
  });
});
