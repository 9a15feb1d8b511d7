import { DRILL_SETS } from '../drills/drill-sets';
import { MATERIALS } from '../materials/materials';
import { HABITS } from '../shop/habit-questions';
import { habitualBite, USUAL_HABITS, type ShopHabits } from '../shop/habits';
import type { Shop } from '../shop/shop';
import { machineOf, planned } from '../tests/bench-shop';
import { tell } from '../units/show';
import type { AskForm } from './form';
import { allCautions, mainCut, type HolePlan } from './hole-plan';

const facts = { coastRevolutions: 0.2, coastAtRpm: 45, chuckMm: 16, chart: [{ drillMm: 10, rpm: 500 }] };
const shop: Shop = {
  materials: MATERIALS,
  machines: [
    machineOf('press', 'drill-press', [140, 270, 560, 980, 1400], facts),
    machineOf('mill', 'mill', [45, 180, 590, 1000, 1640], facts),
    machineOf('lathe', 'lathe', [45, 190, 740, 1800], facts),
  ],
  pools: [{ id: 'crib', label: 'crib', drills: [...DRILL_SETS[2].drills, ...DRILL_SETS[1].drills] }],
  habits: USUAL_HABITS,
};
const plan = (over: Partial<AskForm>, habits: Partial<ShopHabits> = {}): HolePlan =>
  planned(
    { callout: 'M8 THRU', thickness: '12', ...over },
    { at: { ...shop, habits: { ...USUAL_HABITS, ...habits } } },
  );
const drill = (p: HolePlan): string | undefined => p.thread?.tapDrill.used.drill.label;
const words = (p: HolePlan): string =>
  p.operations.map((op) => [op.order, ...op.details].map((x) => tell(x, 'mm')).join(' ')).join(' ');
const codes = (p: HolePlan): string[] => p.operations.map((op) => op.code);

test('the usual habit is the first of each list, and every habit has one', () => {
  expect(Object.fromEntries(HABITS.map((h) => [h.id, h.options[0][0]]))).toEqual(USUAL_HABITS);
});

describe('each habit changes what it is about', () => {
  test('tap drill: chart and subtraction of an M10 are 8.5, the limits ask for their middle; stainless takes 8.6, said beside it', () => {
    const m10 = { callout: 'M10 THRU', material: 'stainless-austenitic' };
    expect(drill(plan(m10))).toBe('8.6');
    for (const tapDrill of ['chart', 'subtraction', 'limits'] as const) {
      const p = plan(m10, { tapDrill });
      expect(drill(p)).toBe('8.5');
      expect(
        allCautions(p)
          .map((c) => tell(c, 'mm'))
          .join(' '),
      ).toContain('By percentage it would be 8.6 mm');
    }
  });

  test('percentage: 75 for everything, unless one is asked for', () => {
    const stainless = { material: 'stainless-austenitic' };
    expect(plan(stainless).thread?.tapDrill.target.value).toBeLessThan(75);
    expect(plan(stainless, { percentage: 'seventy-five' }).thread?.tapDrill.target.value).toBe(75);
    expect(plan({ ...stainless, percent: '60' }, { percentage: 'seventy-five' }).thread?.tapDrill.target.value).toBe(
      60,
    );
  });

  test('speed: formula 1284 for 6.8 in mild steel, thumb 1324, the chart 500', () => {
    const rpm = (habits: Partial<ShopHabits>): number[] => {
      const p = plan({ drill: '6.8' }, habits);
      const cut = mainCut(p);
      return cut?.speed.ok ? [cut.speed.value.rpm, Math.round(cut.ideal.value)] : [];
    };
    expect(rpm({})).toEqual([1400, 1284]);
    expect(rpm({ speed: 'thumb' })).toEqual([1400, 1324]);
    expect(rpm({ speed: 'chart' })).toEqual([560, 500]);
    expect(rpm({ stepRule: 'below' })).toEqual([980, 1284]);
  });

  test('pilot: none, or two fifths of the drill from 6 mm on', () => {
    const pilots = (habits: Partial<ShopHabits>): string[] =>
      plan({ callout: 'ø12 THRU' }, habits)
        .operations.filter((o) => o.code === 'pilot')
        .map((o) => o.cut?.spec.drill?.label ?? '');
    expect(pilots({})).toEqual(['3.0']);
    expect(pilots({ pilot: 'none' })).toEqual([]);
    // 0.4 of 12 is 4.8: 3/16 in is 4.76, 4.8 is the first not under it.
    expect(pilots({ pilot: 'generous' })).toEqual(['4.8']);
  });

  test('start and chamfer', () => {
    expect(plan({}, { start: 'punch' }).start).toBe('punch');
    expect(codes(plan({}, { start: 'spot' }))).not.toContain('chamfer');
    expect(codes(plan({}, { start: 'spot', chamfer: 'both' }))).toContain('chamfer');
    expect(plan({ start: 'centre-drill' }, { start: 'spot' }).start).toBe('centre-drill');
  });

  test('taps: the first one, turning back, blind holes under power, the tailstock', () => {
    const taps = (over: Partial<AskForm>, habits: Partial<ShopHabits>): string[] =>
      plan(over, habits).thread?.tapping.best.taps.map((t) => t.name) ?? [];
    expect(taps({}, { firstTap: 'plug' })).toEqual(['plug']);
    const blind = { callout: 'M8 x 10 DEEP', thickness: '40' };
    expect([taps(blind, {}), taps(blind, { firstTap: 'taper' })]).toEqual([['plug'], ['taper', 'plug']]);
    expect(plan(blind, { reversing: 'quarter' }).thread?.tapping.best.biteTurns).toBe(0.25);
    expect((['by-material', 'half', 'one', 'none'] as const).map(habitualBite)).toEqual([undefined, 0.5, 1, 0]);
    const soft = {
      ...blind,
      machine: 'mill',
      material: 'aluminium-wrought-6000',
      tap: 'form' as const,
      thickness: '60',
    };
    const spindle = (habits: Partial<ShopHabits>) =>
      plan(soft, habits).thread?.tapping.ways.find((w) => w.id === 'reversing-spindle');
    expect(tell(spindle({ powerTapping: 'never-blind' })?.reason ?? { text: '' }, 'mm')).toContain(
      'never taps blind holes',
    );
    const tried = (habits: Partial<ShopHabits>) =>
      plan({ ...soft, way: 'reversing-spindle' }, habits).operations.filter((o) => o.key === 'trial');
    expect([tried({}), tried({ airTrial: 'on' })].map((l) => l.length)).toEqual([0, 1]);
    expect(words(plan({ machine: 'lathe' }, { tailstock: 'locked' }))).toContain('tailstock locked');
  });

  test('not-go, length of thread where none is drawn, class of formed threads', () => {
    expect(words(plan({}, { notGoTurns: '1.5' }))).toContain('not-go at most 1.5 turns');
    const length = (engagement: ShopHabits['engagement']) =>
      plan({ callout: 'M8', hole: 'blind', thickness: '40' }, { engagement }).hole.thread?.lengthMm;
    // Until an 8.8 bolt breaks first: 5.02 on nominal sizes over 0.77, drawn up to half a millimetre.
    expect([length('one'), length('one-and-a-half'), length('computed')]).toEqual([8, 12, 7]);
    const computed = (material: string, callout = 'M8', bolt = ''): number | undefined =>
      plan({ callout, bolt, hole: 'blind', thickness: '60', material }).hole.thread?.lengthMm;
    // Aluminium: 6.4 over 0.77. Plastic has no bolt to compare with.
    expect([computed('aluminium-wrought-6000'), computed('acetal')]).toEqual([8.5, 12]);
    // 12.9 in magnesium, M3: 1220 × 5.03 over 140 × 8.25 × 0.67 is 7.9, over two and a half diameters; a 4.6 bolt in
    // steel asks for less than a nut's height.
    expect([computed('magnesium', 'M3', '12.9'), computed('steel-low-carbon', 'M8', '4.6')]).toEqual([7.5, 6.5]);
    const formed = (f: ShopHabits['formed']) =>
      plan({ tap: 'form', material: 'aluminium-wrought-6000' }, { formed: f }).thread?.limits?.className;
    expect([formed('same'), formed('looser')]).toEqual(['6H', '7H']);
  });
});
