import fc from 'fast-check';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { DRILL_SETS, type DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/predicted-hole';
import { tell } from '../units/show';
import { classLimits } from '../threads/class-limits';
import { THREADS } from '../threads/find-thread';
import { isTapered, type Thread } from '../threads/thread';
import { chooseTapDrill } from './choose-tap-drill';
import { borderlineMm, type TapDrillCandidate, type TapDrillQuestion } from './tap-drill-candidate';
import { tapDrillCautions } from './tap-drill-cautions';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;
const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const pool = (id: string): DrillPool => DRILL_SETS.find((s) => s.id === id) as DrillPool;

function question(name: string, over: Partial<TapDrillQuestion> & { className?: string } = {}): TapDrillQuestion {
  const of = thread(name);
  const limits = isTapered(of) ? undefined : classLimits(of, over.className);
  return {
    thread: of,
    limits: limits?.ok ? limits.value : undefined,
    material: material('steel-low-carbon'),
    pool: pool('all'),
    start: 'centre-drill',
    forming: false,
    depthMm: of.majorMm,
    ...over,
  };
}
const chosen = (q: TapDrillQuestion): string | undefined => chooseTapDrill(q).choice?.drill.label;
const cautions = (q: TapDrillQuestion) => {
  const c = chooseTapDrill(q);
  return tapDrillCautions(q, c.choice as TapDrillCandidate, c.range);
};
const codes = (q: TapDrillQuestion): string[] => cautions(q).map((c) => c.code);

test.each([
  ['#6-32 UNC', '#36'],
  ['#8-32 UNC', '#29'],
  ['1/4-28 UNF', '#3'],
  ['3/8-24 UNF', 'Q'],
  ['9/16-12 UNC', '31/64'],
])('%s from the full inch index at 75 percent: %s', (name, drill) => {
  expect(chosen(question(name, { pool: pool('inch-index-115'), wantedPercent: 75 }))).toBe(drill);
});

test.each([
  ['M4x0.7', '3.3'],
  ['M6x1', '5.0'],
  ['M8x1.25', '6.8'],
  ['M10x1.5', '8.5'],
  ['M16x2', '14.0'],
])('%s from metric sizes at 75 percent: %s', (name, drill) => {
  expect(
    chosen(question(name, { pool: pool(name === 'M16x2' ? 'all-metric' : 'metric-1-13-by-0.1'), wantedPercent: 75 })),
  ).toBe(drill);
});

describe('what the set lacks', () => {
  const without = (...labels: string[]): DrillPool => ({
    id: 'crib',
    label: 'the crib',
    drills: [
      ...pool('metric-1-13-by-0.1').drills.filter((d) => !labels.includes(d.label)),
      ...pool('inch-fraction-29').drills,
    ],
  });

  test('6.8 missing: 17/64 is next best and 6.8 is named as missing', () => {
    const c = chooseTapDrill(question('M8x1.25', { pool: without('6.8') }));
    expect([c.choice?.drill.label, c.missing?.drill.label, c.choice?.owned, c.missing?.owned]).toEqual([
      '17/64',
      '6.8',
      true,
      false,
    ]);
    expect(c.choice?.percentOnDrill).toBeCloseTo(77.2, 1);
    expect([c.nextSmaller?.drill.label, c.nextLarger?.drill.label]).toEqual(['6.7', '6.9']);
  });

  test('a blunt drill is not chosen', () => {
    const drills = pool('metric-1-13-by-0.1').drills.map((d) =>
      d.label === '6.8' ? { ...d, condition: 'blunt' as const } : d,
    );
    expect(chosen(question('M8x1.25', { pool: { id: 'crib', label: '', drills } }))).not.toBe('6.8');
  });

  test('a set with nothing inside the class says which size to buy and what comes closest', () => {
    const c = chooseTapDrill(question('M8x1.25', { pool: pool('metric-1-10-by-0.5') }));
    expect(c.choice).toBeUndefined();
    expect([c.missing?.drill.label, c.closestOutside?.drill.label]).toEqual(['6.8', '6.5']);
  });

  test('among drills of one size, cobalt is taken for hard metal and high-speed steel otherwise', () => {
    const drills = (['hss', 'cobalt', 'carbide'] as const).map((kind) => ({
      series: 'metric' as const,
      label: '6.8',
      diameterMm: 6.8,
      material: kind,
    }));
    const kind = (id: string) =>
      chooseTapDrill(question('M8x1.25', { pool: { id: 'crib', label: '', drills }, material: material(id) })).choice
        ?.drill.material;
    expect([kind('steel-low-carbon'), kind('steel-alloy-prehard')]).toEqual(['hss', 'cobalt']);
  });
});

describe('the class decides on the predicted hole', () => {
  test('M8 in austenitic stainless: 65 is wanted, 6H stops at 67, so 6.8 is taken, said, and 7H offered', () => {
    const q = question('M8x1.25', { material: material('stainless-austenitic'), pool: pool('all-metric') });
    const c = chooseTapDrill(q);
    expect(c.target.value).toBe(65);
    expect(c.choice?.drill.label).toBe('6.8');
    expect(
      cautions(q)
        .map((x) => tell(x, 'mm'))
        .join(),
    ).toContain('Class 7H would allow it');
    expect(chosen({ ...q, ...question('M8x1.25', { className: '7H', material: q.material, pool: q.pool }) })).toBe(
      '6.9',
    );
  });

  test('borderline is 0.03 mm or 15 percent of the tolerance', () => {
    const tolerance = (name: string): number => borderlineMm(question(name).limits ?? ({} as never));
    expect(tolerance('M3x0.5')).toBeCloseTo(0.03, 9);
    expect(tolerance('M8x1.25')).toBeCloseTo(0.15 * 0.265, 6);
  });

  test('a looser start makes a larger hole, which may leave the class', () => {
    const verdict = (start: StartMeans) =>
      chooseTapDrill(question('#8-32 UNC', { start })).candidates.find((c) => c.drill.label === '#29')?.verdict;
    expect((['centre-drill', 'punch', 'hand'] as const).map(verdict)).toEqual(['inside', 'borderline', 'outside']);
  });

  test('G 1/8 takes 8.8, its customary drill, on the border and said', () => {
    const q = question('G 1/8', { pool: pool('all-metric'), material: material('brass-cartridge') });
    expect(chosen(q)).toBe('8.8');
    expect(codes(q)).toContain('class-borderline');
  });
});

describe('forming', () => {
  test('M8 takes 7.4, larger than for cutting, and asks for pins and a close hole', () => {
    const q = question('M8x1.25', { forming: true, pool: pool('metric-1-13-by-0.1') });
    expect(chosen(q)).toBe('7.4');
    expect(codes(q)).toEqual(['form-hole-close', 'form-check']);
    expect(chosen(question('1/4-20 UNC', { forming: true, pool: pool('inch-index-115') }))).toBe('#1');
  });

  test('the target is 65 and rises to what the class needs', () => {
    expect(chooseTapDrill(question('M8x1.25', { forming: true })).target.value).toBeCloseTo(67, 1);
    expect(chooseTapDrill(question('M5x0.8', { forming: true })).target.value).toBe(65);
  });
});

test.each([
  ['1/8-27 NPT', 'R'],
  ['1/4-18 NPT', '7/16'],
  ['3/8-18 NPT', '37/64'],
  ['1/2-14 NPT', '23/32'],
  ['3/4-14 NPT', '59/64'],
  ['1-11.5 NPT', '1-5/32'],
])('%s takes the listed %s and has no percentage', (name, drill) => {
  const { choice, methods } = chooseTapDrill(question(name, { pool: pool('all-inch') }));
  expect([choice?.drill.label, choice?.percentOnDrill, methods.length]).toEqual([drill, undefined, 1]);
});

test('the three other methods stand beside the choice with their reasons', () => {
  const { methods } = chooseTapDrill(question('M8x1.25'));
  expect(methods.map((s) => [s.id, s.drill.label, +s.diameterMm.toFixed(3)])).toEqual([
    ['chart', '6.8', 6.8],
    ['subtraction', '6.75', 6.75],
    ['limits', '6.8', 6.779],
  ]);
});

test('for any thread and metal: inside or borderline, and in the material’s range while that can be had', () => {
  const names = THREADS.filter((x) => !isTapered(x) && x.majorMm < 40).map((t) => t.designation);
  fc.assert(
    fc.property(fc.constantFrom(...names), fc.constantFrom(...MATERIALS), (name, m) => {
      const c = chooseTapDrill(question(name, { material: m }));
      const inRange = (p: number | undefined): boolean => p !== undefined && p >= c.range.low && p <= c.range.high;
      const fit = c.candidates.filter((x) => x.verdict !== 'outside');
      expect(c.choice === undefined).toBe(fit.length === 0);
      expect(c.choice?.verdict).not.toBe('outside');
      if (!inRange(c.choice?.percentOnDrill)) expect(fit.some((x) => inRange(x.percentOnDrill))).toBe(false);
    }),
    { numRuns: 300 },
  );
});
