import { pickTool, toolsOf, type Tool } from './tool';

const tool = (kind: Tool['kind'], name: string, more: Partial<Tool> = {}): Tool => ({ id: name, kind, name, ...more });
const crib: Tool[] = [
  tool('centre-drill', 'c2', { smallMm: 2, diameterMm: 5 }),
  tool('centre-drill', 'c3', { smallMm: 3.15, diameterMm: 8 }),
  tool('spot-drill', 's6', { diameterMm: 6, angleDeg: 90 }),
  tool('spot-drill', 's12', { diameterMm: 12, angleDeg: 90 }),
  tool('countersink', 'k8', { diameterMm: 8.3, angleDeg: 90 }),
  tool('countersink', 'k16', { diameterMm: 16.5, angleDeg: 90 }),
  tool('countersink', 'k82', { diameterMm: 12.7, angleDeg: 82 }),
  tool('counterbore', 'b8', { diameterMm: 15, smallMm: 9 }),
  tool('counterbore', 'b6', { diameterMm: 11, smallMm: 6.6 }),
  tool('reamer', 'r8', { diameterMm: 8, fit: 'H7' }),
  tool('reamer', 'r10', { diameterMm: 10, fit: 'H7', condition: 'blunt' }),
  tool('step-drill', 't', { smallMm: 4, stepMm: 2, diameterMm: 20 }),
  tool('annular-cutter', 'a22', { diameterMm: 22, reachMm: 25 }),
  tool('hole-saw', 'h38', { diameterMm: 38, reachMm: 30, condition: 'lost' }),
];
const name = (use: { name: string; owned: boolean }): string => use.name + (use.owned ? '' : '?');

test.each([
  ['the centre drill whose tip takes the chisel edge', name(pickTool.centreDrill(crib, 1.2, 8)), 'c2'],
  ['none whose tip is as wide as the hole', name(pickTool.centreDrill(crib, 2.5, 3)), 'c2'],
  ['a wider one for a wider edge', name(pickTool.centreDrill(crib, 2.5, 12)), 'c3'],
  ['the widest tip there is where none is wide enough', name(pickTool.centreDrill(crib, 4, 20)), 'c3'],
  ['the smallest spot that leaves the chamfer', name(pickTool.spotDrill(crib, 6)), 's6'],
  ['the next wider', name(pickTool.spotDrill(crib, 8.4)), 's12'],
  ['the widest, where none leaves it', name(pickTool.spotDrill(crib, 14)), 's12'],
  ['a countersink wide enough', name(pickTool.countersink(crib, 10.4, 90)), 'k16'],
  ['of the angle asked for', name(pickTool.countersink(crib, 8, 82)), 'k82'],
  ['none so wide', name(pickTool.countersink(crib, 20, 90)), 'countersink 90°?'],
  ['a counterbore whose pilot runs in the hole', name(pickTool.counterbore(crib, 15, 9)), 'b8'],
  ['not one whose pilot does not enter', name(pickTool.counterbore(crib, 15, 8.5)), 'counterbore?'],
  ['nor one whose pilot rattles', name(pickTool.counterbore(crib, 11, 7.5)), 'counterbore?'],
  ['the reamer of the fit', name(pickTool.reamer(crib, 8, 'h7')), 'r8'],
  ['not of another fit', name(pickTool.reamer(crib, 8, 'F8')), 'reamer F8?'],
  ['not a blunt one', name(pickTool.reamer(crib, 10, 'H7')), 'reamer H7?'],
  ['the usual one, where the crib is not known', name(pickTool.reamer(undefined, 10, 'H7')), 'reamer H7'],
] as const)('%s', (_, got, expected) => expect(got).toBe(expected));

test('a step drill has only its own steps; a ring cutter must reach; what is lost is not there', () => {
  expect([4, 12, 20, 5, 22].map((d) => pickTool.stepDrill(crib, d)?.name)).toEqual([
    't',
    't',
    't',
    undefined,
    undefined,
  ]);
  expect([pickTool.annularCutter(crib, 22, 20)?.name, pickTool.annularCutter(crib, 22, 30)]).toEqual([
    'a22',
    undefined,
  ]);
  expect([pickTool.holeSaw(crib, 38, 10), toolsOf(crib, 'hole-saw'), toolsOf(undefined, 'reamer')]).toEqual([
    undefined,
    [],
    [],
  ]);
});
