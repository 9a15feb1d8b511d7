import { toBuyFor } from '../cutting/suited-drills';
import { material } from '../tests/bench-shop';
import { drillUsed, tapHook, tapSurface } from './tools-for-metal';

test.each([
  ['iron-grey', 'nitrided', 'no hook', 'HSS, 118° point'],
  ['stainless-austenitic', 'steam-oxide', 'some hook', 'cobalt, 135° point'],
  ['aluminium-wrought-6000', 'bright', 'high hook', 'HSS, 118° point'],
  ['aluminium-cast-high-silicon', 'nitrided', 'no hook', 'HSS, 118° point'],
  ['brass-free-cutting', 'bright', 'no hook', 'HSS, 118° point'],
  ['titanium-6al4v', 'coated against wear', 'some hook', 'cobalt, 135° point'],
])('tools for %s: %s, %s, %s', (id, ...tools) => {
  const m = material(id);
  const bought = toBuyFor({ series: 'metric', label: '5', diameterMm: 5 }, m);
  expect([tapSurface(m), tapHook(m), drillUsed(bought, m)]).toEqual(tools);
});

test('a drill of the crib is named as it hangs there; high-speed steel says what lasts longer where cobalt is needed', () => {
  const drill = { series: 'metric', label: '5', diameterMm: 5, material: 'cobalt', pointAngleDeg: 135 } as const;
  const stainless = material('stainless-austenitic');
  expect(drillUsed(drill, stainless)).toBe('cobalt, 135° point');
  expect(drillUsed({ ...drill, material: 'hss', pointAngleDeg: 118 }, stainless)).toBe(
    'HSS, 118° point; cobalt, 135° point lasts longer in this metal',
  );
});
