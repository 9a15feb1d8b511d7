import { material } from '../tests/bench-shop';
import { MATERIALS } from '../materials/materials';
import { drillForMetal, tapHook, tapSurface } from '../tapping/tools-for-metal';
import { quickQuestion } from './quick-question';

test.each([
  ['M8 brass', 'M8', 'brass-free-cutting'],
  ['M8 in brass', 'M8', 'brass-free-cutting'],
  ['1/4-20 x .5 DEEP 304', '1/4-20 x .5 DEEP', 'stainless-austenitic'],
  ['4x M5 THRU', '4x M5 THRU', undefined],
  ['2 BA aluminium casting', '2 BA', 'aluminium-cast'],
])('%s', (text, callout, id) => {
  const quick = quickQuestion(text, MATERIALS);
  expect([quick?.callout, quick?.material?.id]).toEqual([callout, id]);
});

test('what is no callout, or a callout in something that is no metal, is no question', () => {
  expect([quickQuestion('pier plate', MATERIALS), quickQuestion('M8 cheese', MATERIALS)]).toEqual([
    undefined,
    undefined,
  ]);
});

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
