import { phrase } from '../answer/answer';
import { faultLines, stepInWords } from './fault-lines';
import type { RoomFault } from './room';

const fault = (holes: number[], cure?: { x: number; y: number }, code: RoomFault['code'] = 'edge'): RoomFault => ({
  code,
  level: 'warn',
  holes,
  reason: phrase(`hole ${holes.join()}`),
  cure,
});
const featureOf = (hole: number): string => (hole < 4 ? 'D' : 'E');

test('one fault on all holes of a pattern is one line, cured by the largest of their moves', () => {
  const lines = faultLines(
    [fault([1], { x: 0, y: 0.5 }), fault([0], { x: 0, y: 0.3 }), fault([5], { x: 1, y: 0 })],
    featureOf,
  );
  expect(lines.map((l) => [l.featureId, l.count, l.holes, l.reason.text, l.cure])).toEqual([
    ['D', 2, [1, 0], 'hole 1', { x: 0, y: 0.5 }],
    ['E', 1, [5], 'hole 5', { x: 1, y: 0 }],
  ]);
});

test('moves that go against each other cure nothing together; other faults and other pairs stay apart', () => {
  const [line, ...more] = faultLines(
    [
      fault([0], { x: 0, y: 1 }),
      fault([1], { x: 0, y: -1 }),
      fault([0, 5], undefined, 'web'),
      fault([0, 1], undefined, 'web'),
    ],
    featureOf,
  );
  expect([line.cure, more.map((l) => [l.code, l.other])]).toEqual([
    undefined,
    [
      ['web', 'E'],
      ['web', 'D'],
    ],
  ]);
});

test('a step in words', () => {
  expect(stepInWords({ x: -2, y: 0.5 })).toEqual([
    { way: 'left', mm: 2 },
    { way: 'up', mm: 0.5 },
  ]);
  expect(stepInWords({ x: 0.001, y: 0 })).toEqual([]);
});
