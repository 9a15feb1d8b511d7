import { material } from '../tests/bench-shop';
import { drillForMetal, tapHook, tapSurface } from './tools-for-metal';

test.each([
  ['iron-grey', 'nitrided', 'no hook', 'HSS, 118° or 135° split point'],
  ['stainless-austenitic', 'steam-oxide', 'some hook', 'cobalt, 135° split point'],
  ['aluminium-wrought-6000', 'bright', 'high hook', 'HSS, 118° point'],
  ['aluminium-cast-high-silicon', 'nitrided', 'no hook', 'HSS, 118° point'],
  ['brass-free-cutting', 'bright', 'no hook', 'HSS, 118° point'],
  ['titanium-6al4v', 'coated against wear', 'some hook', 'cobalt, 135° split point'],
])('tools for %s: %s, %s, %s', (id, ...tools) => {
  const m = material(id);
  expect([tapSurface(m), tapHook(m), drillForMetal(m)]).toEqual(tools);
});
