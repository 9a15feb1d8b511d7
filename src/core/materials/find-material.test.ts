import { DESIGNATIONS } from './designations.table';
import { designationHit, findMaterials } from './find-material';
import { MATERIALS } from './materials';

const first = (text: string): string | undefined => findMaterials(text, MATERIALS)[0]?.id;

test.each([
  ['304 AISI-304 S30400 1.4301 V2A 316 1.4404', 'stainless-austenitic'],
  ['303 1.4305', 'stainless-free-machining'],
  ['1018 1020 EN3B', 'steel-low-carbon'],
  ['12L14 1.0718', 'steel-free-machining'],
  ['1045 C45', 'steel-medium-carbon'],
  ['4140 42CrMo4 1.7225', 'steel-alloy-annealed'],
  ['O1 1.2842', 'steel-tool-annealed'],
  ['A36 S355', 'steel-hot-rolled'],
  ['6061 6082', 'aluminium-wrought-6000'],
  ['7075', 'aluminium-wrought-7000'],
  ['A356', 'aluminium-cast'],
  ['C360 CW614N Ms58', 'brass-free-cutting'],
  ['C260', 'brass-cartridge'],
  ['C932 RG7', 'bronze-bearing'],
  ['C954', 'bronze-aluminium'],
  ['GG25 GJL-250 0.6025', 'iron-grey'],
  ['GGG40', 'iron-ductile'],
  ['R50400 3.7035', 'titanium-commercial'],
  ['R56400', 'titanium-6al4v'],
  ['POM acetal', 'acetal'],
  ['PA6', 'nylon'],
  ['PMMA', 'acrylic'],
])('%s is %s', (names, id) => {
  expect(names.split(' ').map((n) => first(n.replace('-304', ' 304')))).toEqual(names.split(' ').map(() => id));
});

test.each([
  ['Ti grade 2', 'titanium-commercial'],
  ['ti grade 5', 'titanium-6al4v'],
  ['W.-Nr. 1.4301', 'stainless-austenitic'],
  ['UNS C36000', 'brass-free-cutting'],
  ['cast iron', 'iron-grey'],
  ['mild', 'steel-low-carbon'],
  ['aluminum', 'aluminium-wrought-6000'],
  ['17-4 ph', 'stainless-precipitation'],
] as const)('%s, as one says it, is %s', (said, id) => expect(first(said)).toBe(id));

test('an alias names one material, belongs to one that there is, and says what it hit', () => {
  const ids = new Set(MATERIALS.map((m) => m.id));
  expect(Object.keys(DESIGNATIONS).filter((id) => !ids.has(id))).toEqual([]);
  const all = Object.values(DESIGNATIONS).flatMap((names) => names.split(', '));
  expect(all.filter((n, i) => all.indexOf(n) !== i)).toEqual([]);
  expect([findMaterials('', MATERIALS).length, findMaterials('zzz', MATERIALS).length]).toEqual([MATERIALS.length, 0]);
  const steel = findMaterials('1.4301', MATERIALS)[0];
  expect([designationHit('14301', steel), designationHit('stainless', steel)]).toEqual(['1.4301', undefined]);
});
