import { codesOf, planned, shop } from '../tests/bench-shop';
import { BLANK_FORM } from './form';
import { allCautions } from './hole-plan';
import { planForm } from './read-form';

const METALS = [
  'steel-low-carbon',
  'aluminium-wrought-6000',
  'stainless-free-machining',
  'stainless-austenitic',
  'iron-grey',
];
const SIZES = [3, 4, 5, 6, 8, 10, 12];
const holes = METALS.flatMap((material) =>
  SIZES.flatMap((d) => [
    { callout: `M${d} THRU`, material, thickness: String(1.5 * d) },
    { callout: `M${d} x ${1.5 * d} DEEP`, material, thickness: String(4.5 * d) },
  ]),
).map((asked) => ({ asked, plan: planned({ ...asked, drills: 'metric-1-13-by-0.1' }) }));

test('of the seventy everyday holes at most four warn of their class, and none is stopped', () => {
  expect(holes).toHaveLength(70);
  const warned = holes.filter(({ plan }) =>
    allCautions(plan).some((c) => c.level === 'warn' && /^(class-|percent-range)/.test(c.code)),
  );
  expect(warned.map(({ asked }) => `${asked.callout} ${asked.material}`).length).toBeLessThanOrEqual(4);
  expect(holes.filter(({ plan }) => allCautions(plan).some((c) => c.level === 'stop'))).toEqual([]);
  const drill = (callout: string, material: string) =>
    holes.find(({ asked }) => asked.callout === callout && asked.material === material)?.plan.thread?.tapDrill.used
      .drill.label;
  expect([drill('M6 THRU', 'aluminium-wrought-6000'), drill('M10 THRU', 'aluminium-wrought-6000')]).toEqual([
    '5.0',
    '8.5',
  ]);
  expect(codesOf(planned({ callout: 'M8 THRU', thickness: '12', drills: 'metric-1-13-by-0.1' }))).not.toContain(
    'class-borderline',
  );
});

test('a plan without changes is what empty changes leave of it', () => {
  for (const { asked, plan } of holes.filter((_, i) => i % 7 === 0)) {
    const bare = planForm({ ...BLANK_FORM, machine: 'press', drills: 'metric-1-13-by-0.1', ...asked }, shop);
    expect(bare.ok && JSON.stringify(bare.value)).toBe(JSON.stringify(plan));
  }
});
