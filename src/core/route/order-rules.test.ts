import { answer, phrase } from '../answer/answer';
import type { Cut, Operation, OperationCode } from './operation';
import { dropFault, orderFaults } from './order-rules';

const time = answer(1, 's', { rule: '', formula: '', inputs: [], source: { kind: 'model', name: '' } });
/** An operation with just what the rules look at. */
function op(code: OperationCode, diameterMm?: number, fullMm = 10, key: string = code): Operation {
  const cut =
    diameterMm === undefined ? undefined : ({ spec: { diameterMm, fullMm, inHoleMm: 0 }, tipMm: 1 } as unknown as Cut);
  return { key, code, order: phrase(code), details: [], cut, time, cautions: [] };
}
const layOut = op('lay-out');
const start = op('start', 2);
const pilot = op('pilot', 3, 20);
const drill = op('drill', 8.5, 20);
const open = op('open', 11, 8);
const chamfer = op('chamfer', 10.4, 1);
const bore = op('counterbore', 18, 10.6);
const plug = op('tap', undefined, 0, 'tap-1');
const bottoming = op('tap', undefined, 0, 'tap-2');
const ream = op('ream', 8.5, 20);
const deburr = op('deburr');
const check = op('check');
const note = op('note', undefined, 0, 'own');
const found = (...ops: Operation[]): string[] => orderFaults(ops).map((f) => `${f.level} ${f.key} after ${f.against}`);

test('the order of the trade has no fault; a note may stand anywhere', () => {
  expect(found(layOut, start, pilot, open, drill, chamfer, plug, bottoming, deburr, check)).toEqual([]);
  expect(found(note, layOut, start, drill, note, bore, chamfer, plug, check, deburr)).toEqual([]);
  expect(found(layOut, start, drill, ream, chamfer, deburr, check, note)).toEqual([]);
});

test.each([
  ['the place found too late', [drill, layOut], 'stop lay-out after drill'],
  ['a start after the drill', [drill, start], 'warn start after drill'],
  ['a pilot after its drill', [drill, pilot], 'stop pilot after drill'],
  ['a larger, shallow part after the smaller drill', [drill, open], 'warn open after drill'],
  ['tapped before there is a hole', [plug, drill], 'stop drill after tap-1'],
  ['reamed before there is a hole', [ream, drill], 'stop drill after ream'],
  ['counterbored before there is a hole', [bore, drill], 'stop drill after counterbore'],
  ['countersunk before there is a hole', [op('countersink', 12), drill], 'stop drill after countersink'],
  ['chamfered after the tap', [drill, plug, chamfer], 'warn chamfer after tap-1'],
  ['the bottoming tap first', [bottoming, plug], 'warn tap-1 after tap-2'],
  ['counterbored after the tap', [plug, bore], 'warn counterbore after tap-1'],
  ['a counterbore from which no tap reaches', [op('counterbore', 18, 60), plug], 'stop tap-1 after counterbore'],
  ['deburred too soon', [deburr, plug], 'warn tap-1 after deburr'],
  ['checked too soon', [check, plug], 'warn tap-1 after check'],
] as [string, Operation[], string][])('%s', (_, ops, expected) => expect(found(...ops)).toContain(expected));

test('a smaller drill may follow a larger one where it goes deeper', () => {
  expect(found(open, drill)).toEqual([]);
  expect(found(open, op('drill', 8.5, 8))).toEqual(['stop drill after open']);
  expect(found(drill, op('drill', 8.5, 20, 'again'))).toEqual(['stop again after drill']);
});

test.each([
  [drill, [], 'stop'],
  [ream, [], 'stop'],
  [open, [], 'stop'],
  [bore, [], 'stop'],
  [plug, [], 'stop'],
  [plug, [bottoming], 'warn'],
  [layOut, [], 'warn'],
  [start, [], 'warn'],
  [pilot, [drill], 'warn'],
  [chamfer, [], 'warn'],
  [deburr, [], 'warn'],
  [check, [], 'warn'],
  [note, [], undefined],
] as [Operation, Operation[], string | undefined][])('leaving out %#', (left, rest, level) =>
  expect(dropFault(left, rest)?.level).toBe(level),
);
