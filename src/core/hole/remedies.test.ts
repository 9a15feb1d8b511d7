import { codesOf, planned } from '../tests/bench-shop';
import { allCautions, type HolePlan } from './hole-plan';
import { remedyOf } from './remedies';

const remedies = (plan: HolePlan) =>
  allCautions(plan).flatMap((c) => {
    const remedy = remedyOf(c, plan);
    return remedy ? [[c.code, remedy.change]] : [];
  });

test.each([
  [
    'a dry tap in stainless: the fluid',
    { callout: 'M4 THRU', thickness: '8', material: 'stainless-austenitic', dry: true, taps: 'taper' },
    ['tap-safety', { dry: false }],
  ],
  [
    'a tight hole: the next drill up',
    {
      callout: 'M6 THRU',
      thickness: '9',
      material: 'stainless-austenitic',
      drill: '4.8',
      taps: 'taper',
      drills: 'metric-1-13-by-0.1',
    },
    ['tap-safety', { drill: '4.9' }],
  ],
  [
    'a drill out of class: the one proposed',
    { callout: 'M6 THRU', thickness: '9', drill: '5.3', drills: 'metric-1-13-by-0.1' },
    ['class-outside', { drill: '5.0' }],
  ],
  [
    'a small tap freehand in stainless: guided',
    { callout: 'M3 THRU', thickness: '4', material: 'stainless-austenitic', way: 'hand-free' },
    ['tap-safety', { way: 'hand-guided' }],
  ],
] as const)('the remedy of %s', (_, asked, remedy) => {
  const plan = planned(asked);
  expect(remedies(plan)).toContainEqual(remedy);
  const again = planned({ ...asked, ...remedy[1] });
  expect(remedies(again)).not.toContainEqual(remedy);
});

test('a way that is asked for is taken where it can be done, else what stands against it is said', () => {
  const way = (asked: Parameters<typeof planned>[0]) => planned(asked).thread?.tapping.best.id;
  expect([
    way({ callout: 'M8 THRU', thickness: '12', way: 'hand-free' }),
    way({ callout: 'M8 THRU', thickness: '12', way: 'lathe' }),
  ]).toEqual(['hand-free', 'hand-guided']);
  expect(codesOf(planned({ callout: 'M8 THRU', thickness: '12', way: 'lathe' }))).toContain('way-impossible');
});

test('M4 in a sheet of 1.5 holds by two threads; in 4 mm nothing is said', () => {
  const said = (thickness: string) =>
    allCautions(planned({ callout: 'M4 THRU', thickness })).find((c) => c.code === 'threads-in-sheet')?.values?.threads;
  expect([said('1.5'), said('3'), said('4')]).toEqual(['2.1', '4.3', undefined]);
});

test('a wall is thin where it is thinner than a stop can be trusted, not at a hair: M8 needs 1.6', () => {
  const plans = [22.7, 23.2, 23.35, 23.37, 23.5].map((t) =>
    planned({ callout: 'M8 x 16 DEEP', thickness: String(t), drills: 'metric-1-13-by-0.1' }),
  );
  const walls = plans.map((p) => p.wall?.value ?? 0);
  expect([walls.some((w) => w < 1.5), walls.some((w) => w > 1.5 && w < 1.6)]).toEqual([true, true]);
  expect(plans.map((p) => codesOf(p).includes('wall-thin'))).toEqual(walls.map((w) => w < 1.5));
});
