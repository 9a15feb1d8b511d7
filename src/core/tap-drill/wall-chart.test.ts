import fc from 'fast-check';
import { DRILL_SETS } from '../drills/drill-sets';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { classLimits } from '../threads/class-limits';
import { THREADS } from '../threads/standards';
import type { Thread } from '../threads/thread';
import { chooseTapDrill } from './choose-tap-drill';
import { breakingTorque } from '../tapping/tap-strength';
import { tappingTorque, type TappingConditions } from '../tapping/tapping-torque';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;

/** The wall chart at 75 percent, as it hangs in most shops. */
test.each([
  ['#1-64 UNC', '#53'],
  ['#2-56 UNC', '#50'],
  ['#3-48 UNC', '#47'],
  ['#4-40 UNC', '#43'],
  ['#5-40 UNC', '#38'],
  ['#6-32 UNC', '#36'],
  ['#8-32 UNC', '#29'],
  ['#10-24 UNC', '#25'],
  ['#12-24 UNC', '#16'],
  ['1/4-20 UNC', '#7'],
  ['5/16-18 UNC', 'F'],
  ['3/8-16 UNC', '5/16'],
  ['7/16-14 UNC', 'U'],
  ['1/2-13 UNC', '27/64'],
  ['9/16-12 UNC', '31/64'],
  ['5/8-11 UNC', '17/32'],
  ['3/4-10 UNC', '21/32'],
  ['7/8-9 UNC', '49/64'],
  ['1-8 UNC', '7/8'],
  ['#0-80 UNF', '3/64'],
  ['#1-72 UNF', '#53'],
  ['#2-64 UNF', '#50'],
  ['#3-56 UNF', '#45'],
  ['#4-48 UNF', '#42'],
  ['#5-44 UNF', '#37'],
  ['#6-40 UNF', '#33'],
  ['#8-36 UNF', '#29'],
  ['#10-32 UNF', '#21'],
  ['#12-28 UNF', '#14'],
  ['1/4-28 UNF', '#3'],
  ['5/16-24 UNF', 'I'],
  ['3/8-24 UNF', 'Q'],
  ['7/16-20 UNF', '25/64'],
  ['1/2-20 UNF', '29/64'],
  ['9/16-18 UNF', '33/64'],
  ['5/8-18 UNF', '37/64'],
  ['3/4-16 UNF', '11/16'],
  ['7/8-14 UNF', '13/16'],
  ['1-12 UNF', '59/64'],
  ['M1.6x0.35', '1.25'],
  ['M2x0.4', '1.6'],
  ['M2.5x0.45', '2.05'],
  ['M3x0.5', '2.5'],
  ['M4x0.7', '3.3'],
  ['M5x0.8', '4.2'],
  ['M6x1', '5.0'],
  ['M8x1.25', '6.8'],
  ['M10x1.5', '8.5'],
  ['M16x2', '14.0'],
  ['M20x2.5', '17.5'],
  ['M24x3', '21.0'],
  ['M30x3.5', '26.5'],
  ['M12x1.75', '10.2'],
  ['M9x1.25', '7.8'],
  ['M10x1.25', '8.8'],
  ['M10x0.75', '9.2'],
  ['G 1/8', '8.8'],
  ['G 3/8', '15.25'],
  ['G 1', '30.75'],
])('the chart says for %s: %s', (name, drill) => {
  const limits = classLimits(thread(name));
  const { methods } = chooseTapDrill({
    thread: thread(name),
    limits: limits.ok ? limits.value : undefined,
    material: material('steel-low-carbon'),
    pool: DRILL_SETS[0],
    start: 'centre-drill',
    forming: false,
    depthMm: thread(name).majorMm,
  });
  expect(methods.find((s) => s.id === 'chart')?.drill?.label).toBe(drill);
});

describe('what must hold for torque, whatever the thread and metal', () => {
  const conditions = fc.record({
    name: fc.constantFrom(
      'M3x0.5',
      'M6x1',
      'M8x1.25',
      'M12x1.75',
      'M20x2.5',
      '1/4-20 UNC',
      '1/2-20 UNF',
      '2 BA',
      '1/4-20 BSW',
    ),
    material: fc.constantFrom(...MATERIALS),
    percent: fc.double({ min: 50, max: 85, noNaN: true }),
    depth: fc.double({ min: 0.5, max: 4, noNaN: true }),
    chamfer: fc.constantFrom(2, 4, 8),
  });
  const made = (c: {
    name: string;
    material: Material;
    percent: number;
    depth: number;
    chamfer: number;
  }): TappingConditions => {
    const of = thread(c.name);
    return {
      thread: of,
      material: c.material,
      tap: { geometry: 'straight', chamferThreads: c.chamfer, flutes: 4, name: 'tap' },
      minorMm: of.majorMm - (c.percent / 100) * 1.299 * of.pitchMm,
      depthMm: c.depth * of.majorMm,
      through: true,
      reversing: true,
    };
  };
  const torque = (c: TappingConditions): number => tappingTorque(c).value;

  test('more thread, more depth, no reversing, no fluid, a worn tap: never less', () => {
    fc.assert(
      fc.property(conditions, (c) => {
        const base = made(c);
        const t = torque(base);
        expect(t).toBeGreaterThan(0);
        expect(torque({ ...base, minorMm: base.minorMm - 0.02 * base.thread.pitchMm })).toBeGreaterThan(t);
        expect(torque({ ...base, depthMm: base.depthMm * 1.5 })).toBeGreaterThanOrEqual(t);
        expect(torque({ ...base, reversing: false })).toBeGreaterThanOrEqual(t);
        expect(torque({ ...base, fluid: 'poor' }) / t).toBeCloseTo(1.25, 9);
        expect(torque({ ...base, tap: { ...base.tap, wear: 1.3 } }) / t).toBeCloseTo(1.3, 9);
      }),
    );
  });

  test('the coarser of two threads of a size needs more torque; the finer breaks later', () => {
    const pairs = [
      ['M8x1.25', 'M8x1'],
      ['M12x1.75', 'M12x1.25'],
      ['1/2-13 UNC', '1/2-20 UNF'],
      ['1/4-20 UNC', '1/4-28 UNF'],
    ];
    for (const [coarse, fine] of pairs) {
      const at = (name: string): number =>
        torque(made({ name, material: material('steel-low-carbon'), percent: 75, depth: 1, chamfer: 4 }));
      expect(at(coarse)).toBeGreaterThan(at(fine));
      expect(breakingTorque(thread(coarse), { geometry: 'straight' }).value).toBeLessThan(
        breakingTorque(thread(fine), { geometry: 'straight' }).value,
      );
    }
  });
});

describe('the materials that a shop starts with', () => {
  test('are thirty-four, each with its own id and figures that belong together', () => {
    expect(new Set(MATERIALS.map((m) => m.id)).size).toBe(34);
    for (const m of MATERIALS) {
      const { low, target, high } = m.threadPercent;
      expect([m.id, low < target && target < high && low >= 50 && high <= 85]).toEqual([m.id, true]);
      const { drillSfmHss: d, tapSfmCut: t } = m;
      expect([m.id, d.low < d.start && d.start < d.high, t.low < t.high && t.high <= d.start]).toEqual([
        m.id,
        true,
        true,
      ]);
      expect([m.id, m.shearMPa > 0.4 * m.tensileMPa && m.kc11 > 100 && m.mc > 0.1 && m.mc < 0.4]).toEqual([m.id, true]);
      expect([m.id, m.lubricant.length > 2, m.label.length > 3]).toEqual([m.id, true, true]);
    }
  });

  test('brittle, leaded and hard ones are not to be formed; what burns says so', () => {
    const no = MATERIALS.filter((m) => m.formTapping === 'no').map((m) => m.id);
    expect(no).toEqual(
      expect.arrayContaining(['iron-grey', 'brass-free-cutting', 'aluminium-cast-high-silicon', 'steel-alloy-prehard']),
    );
    for (const m of MATERIALS.filter((x) => x.group === 'titanium' || x.group === 'magnesium'))
      expect(m.hazard).toContain('class D');
  });
});
