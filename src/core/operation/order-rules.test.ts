import { phrase } from '../answer/answer';
import type { CutSpec, OperationCode } from './operation';
import { handTap } from '../tapping/tap';
import { metricThread } from '../threads/standards/metric';
import { dropFault, orderFaults } from './order-rules';
import { cutStep, handStep, type HandStep, type Step } from './step';

const m10 = metricThread('metric-coarse', 10, 1.5);

/** A step with just what the rules look at. */
const op = (kind: OperationCode, diameterMm?: number, fullMm = 10, key: string = kind): Step =>
  diameterMm === undefined
    ? handStep({ key, kind, order: phrase(kind), seconds: 1, purpose: '' })
    : cutStep({ key, kind, spec: { diameterMm, fullMm, inHoleMm: 0 } as CutSpec });
const layOut = op('lay-out');
const start = op('start', 2);
const pilot = op('pilot', 3, 20);
const drill = op('drill', 8.5, 20);
const open = op('open', 11, 8);
const chamfer = op('chamfer', 10.4, 1);
const bore = op('counterbore', 18, 10.6);
const tapped = (place: number): Step => ({
  ...(op('tap', undefined, 0, `tap-${place}`) as HandStep),
  tap: { tap: handTap('plug', 10, 'taper-plug-bottoming'), thread: m10, place, of: 2 },
});
const plug = tapped(1);
const bottoming = tapped(2);
const ream = op('ream', 8.7, 20);
const deburr = op('deburr');
const check = op('check');
const note = op('note', undefined, 0, 'own');
const found = (...ops: Step[]): string[] => orderFaults(ops).map((f) => `${f.level} ${f.key} after ${f.against}`);

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
] as [string, Step[], string][])('%s', (_, ops, expected) => expect(found(...ops)).toContain(expected));

test('each bore of a stack after the wider one; a reamer never enters a hole as large as itself', () => {
  const under = op('deepen', 7.7, 30);
  const reamUnder = op('ream', 8, 30, 'ream-lower');
  expect(found(layOut, start, op('drill', 8.5, 19.5), under, reamUnder, chamfer, plug)).toEqual([]);
  expect(found(under, op('drill', 8.5, 19.5))).toEqual(['warn drill after deepen']);
  expect(found(op('drill', 8.5, 30), op('ream', 8, 30))).toEqual(['stop ream after drill']);
  expect(found(op('drill', 8, 30), op('ream', 8, 30))).toEqual(['stop ream after drill']);
  expect(found(op('drill', 7.7, 30), op('ream', 8, 30))).toEqual([]);
});

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
  [op('chase'), [], undefined],
  [op('deepen', 7.7, 30), [], 'stop'],
] as [Step, Step[], string | undefined][])('leaving out %#', (left, rest, level) =>
  expect(dropFault(left, rest)?.level).toBe(level),
);
