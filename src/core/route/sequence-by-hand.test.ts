import type { MachineTimes } from './machine-times';
import { between, boundOf, secondsOf, sequencesOf } from './sequence';
import { pathLength, shortPath } from './short-path';
import type { WorkItem } from './work-item';

// A tool in 30 s, a belt in 20 s, a way in 2 s and a tenth of a second a millimetre.
const times: MachineTimes = { toolChangeS: 30, speedChangeS: 20, moveS: 2, perMmS: 0.1 } as never;
let id = 0;
const item = (tool: string, rpm: number | undefined, hole: number, over: Partial<WorkItem> = {}): WorkItem =>
  ({
    id: id++,
    featureId: 'f',
    code: 'drill',
    tool,
    rpm,
    hole,
    x: 30 * hole,
    y: 40 * hole,
    seconds: 10,
    after: [],
    ...over,
  }) as never;
const toolByTool = (items: readonly WorkItem[]) =>
  sequencesOf(items, times)
    .find((s) => s.strategy === 'tool-by-tool')
    ?.order.map((i) => `${i.tool}@${i.rpm}`);

// 30 + 10; 50 mm away 2 + 5 + 10; another tool at the same hole 30 + 5, at another speed 20; the gauge beside the machine.
test('from one thing to the next: tool, speed and way; a gauge is picked up', () => {
  const order = [
    item('5.0', 500, 0),
    item('5.0', 500, 1),
    item('M6', 200, 1, { code: 'tap', seconds: 5 }),
    item('gauge', undefined, 1, { code: 'check', seconds: 4 }),
  ];
  expect(secondsOf(order, times)).toBe(40 + 17 + 55 + 5 + 4);
  // Another feature's hole at the same place is a way still; none for another thing at the same hole.
  const [first] = order;
  expect(between(first, { ...first, featureId: 'g' }, 500, times)).toBe(2);
  expect(between(first, { ...first }, 500, times)).toBe(0);
  expect(between(undefined, first, undefined, times)).toBe(30);
  // No order of them does without: three things picked up, one other speed, one way of the drill, and the cutting.
  expect(boundOf(order, times)).toEqual({ changesS: 30 + 30 + 5 + 20, movesS: 7, cutS: 29 });
});

test('tool by tool: the same tool at another speed comes before the same speed, and that before another of both', () => {
  expect(toolByTool([item('5.0', 800, 0), item('6.0', 800, 0), item('5.0', 400, 0)])).toEqual([
    '5.0@800',
    '5.0@400',
    '6.0@800',
  ]);
  expect(toolByTool([item('5.0', 800, 0), item('6.0', 400, 0), item('7.0', 800, 0)])).toEqual([
    '5.0@800',
    '7.0@800',
    '6.0@400',
  ]);
  // What waits is not begun: the tap of a hole after its drill, and all drilling before it where that is then done for good.
  const drills = [item('5.0', 800, 0), item('5.0', 800, 1)];
  const taps = drills.map((d) => item('M6', 200, d.hole, { code: 'tap', after: [d.id] }));
  // What is then done for good comes first, however many others could begin.
  const reamed = item('6.0', 800, 0);
  const bored = [item('5.0', 800, 0), item('5.0', 800, 1), item('5.0', 800, 2, { after: [reamed.id] })];
  expect(toolByTool([...bored, reamed])).toEqual(['6.0@800', '5.0@800', '5.0@800', '5.0@800']);
  expect(toolByTool([...taps, ...drills])).toEqual(['5.0@800', '5.0@800', 'M6@200', 'M6@200']);
});

test('marked or bored first and the rest over all of it is weighed too, the quickest of all first', () => {
  const holes = Array.from({ length: 11 }, (_, hole) => {
    const spot = item('spot', 800, hole, { code: 'start' });
    const drill = item('5.0', 800, hole, { after: [spot.id] });
    return [spot, drill, item('M6', 200, hole, { code: 'tap', after: [drill.id] })];
  });
  const found = sequencesOf(holes.flat(), times);
  expect(found.map((s) => s.strategy).sort()).toEqual(['hole-by-hole', ...Array(4).fill('mixed'), 'tool-by-tool']);
  for (const { order } of found) expect(new Set(order).size).toBe(33);
  const seconds = found.map((s) => secondsOf(s.order, times));
  expect(seconds).toEqual([...seconds].sort((a, b) => a - b));
});

test('a short way over more holes than are tried one by one: turning no stretch of it round saves three in a hundred', () => {
  let seed = 7;
  const next = (): number => (seed = (seed * 16_807) % 2_147_483_647) % 200;
  for (let n = 0; n < 40; n++) {
    const points = Array.from({ length: 14 }, () => ({ x: next(), y: next() }));
    const way = shortPath(points);
    const length = pathLength(points, way);
    expect([...way].sort((a, b) => a - b)).toEqual(points.map((_, i) => i));
    for (let i = 0; i < way.length; i++)
      for (let j = i + 2; j <= way.length; j++) {
        const turned = [...way.slice(0, i), ...way.slice(i, j).reverse(), ...way.slice(j)];
        expect(pathLength(points, turned)).toBeGreaterThan(0.97 * length);
      }
  }
});
