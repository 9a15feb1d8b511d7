import type { Observed } from '../run/observations';
import { livesOf } from './lives';
import { ownSpread, signalsOf } from './signals';
import { changeBy, lifeLeft } from '../shop/tool-life';

let at = 0;
const event = (observed: Observed, material = 'brass') => ({
  recordId: `r${++at}`,
  happenedAt: new Date(1e12 + at * 1000).toISOString(),
  material,
  observed,
});
const made = (use: number, feel?: 'easy' | 'tight', material?: string) =>
  event({ what: 'made', operation: 'tap', tool: 'tap p', use, feel, seconds: 30, usualS: 30 }, material);

test('holes count by themselves, by metal; broken, a tap begins anew with the next that hangs there', () => {
  const first = [
    made(1, 'easy'),
    made(2, 'tight', 'steel'),
    event({ what: 'broken', tap: 'plug', tool: 'tap p', turns: 3 }),
  ];
  const broken = livesOf(first).get('tap p');
  expect(broken).toMatchObject({
    holes: 2,
    use: 3,
    seconds: 60,
    broken: 1,
    isBroken: true,
    metals: { brass: 1, steel: 1 },
  });
  expect(broken?.feels).toEqual({ easy: 1, tight: 1 });
  const anew = [...first, made(0.5)];
  const now = { holes: 1, use: 0.5, before: [3], broken: 1, isBroken: false, metals: { brass: 1 } };
  expect(livesOf(anew).get('tap p')).toMatchObject(now);
  expect(livesOf([...anew].reverse())).toEqual(livesOf(anew));
  const sharpened = livesOf([...anew, event({ what: 'renewed', tool: 'tap p' })]).get('tap p');
  expect(sharpened).toMatchObject({ holes: 0, use: 0, begun: 1, before: [3, 0.5] });
});

test('what is left of a tool: by hand without a failure, shorter with failures, and a mean that is the typical life', () => {
  const none = { typical: 500, squares: 0, failures: 0 };
  // (1000 ÷ π)² = 101,321; half survive √101,321 = 318.3.
  expect(lifeLeft(none, 0).median).toBeCloseTo(318.31, 2);
  expect(lifeLeft(none, 0).failsWithin(318.31)).toBeCloseTo(0.5, 4);
  // ∫ survival over all use is the mean: the typical life. Its tail falls slowly.
  let mean = 0;
  for (let use = 0; use < 3e5; use += 5) mean += 5 * (1 - lifeLeft(none, 0).failsWithin(use + 2.5));
  expect(mean).toBeGreaterThan(495);
  expect(mean).toBeLessThan(500);
  const failed = { typical: 500, squares: 60 ** 2 + 70 ** 2 + 80 ** 2, failures: 3 };
  expect(lifeLeft(failed, 0).median).toBeLessThan(160);
  expect(lifeLeft({ ...failed, failures: 0 }, 0).median).toBeGreaterThan(318);
  const { range, median } = lifeLeft(none, 200);
  expect(range[0]).toBeLessThan(median);
  expect(range[1]).toBeGreaterThan(median);
});

test('change by: the hole in which one in fifty fails', () => {
  // Nine failed at about 20: rate 101.3 + 9 × 400, shape 10; in hole k one in fifty where 20 k ÷ 3701 … passes 0.02.
  const short = { typical: (10 * Math.PI) / 2, squares: 9 * 20 ** 2, failures: 9 };
  const hole = changeBy(short, 0, 1, 100) ?? 0;
  expect(lifeLeft(short, hole - 1).failsWithin(1)).toBeGreaterThan(0.02);
  expect(lifeLeft(short, hole - 2).failsWithin(1)).toBeLessThanOrEqual(0.02);
  expect(hole).toBe(5);
  expect(changeBy({ typical: 500, squares: 0, failures: 0 }, 0, 1, 200)).toBeUndefined();
});

test('signals of a process: outside, one side, rising, two of three far out; each once', () => {
  const flat = [0, 0.3, -0.4, 0.2, -0.1, 0.5, -0.3];
  expect(signalsOf(flat, 0, 1)).toEqual([]);
  expect(signalsOf([...flat, -3.2], 0, 1)).toEqual([{ kind: 'outside', from: 7, at: 7, to: 7, way: -1 }]);
  const side = Array.from({ length: 10 }, (_, i) => 0.2 + (i % 2) / 10);
  expect(signalsOf(side, 0, 1)).toEqual([{ kind: 'side', from: 0, at: 8, to: 9, way: 1 }]);
  expect(signalsOf(side.slice(0, 8), 0, 1)).toEqual([]);
  const rising = [-1, -0.6, -0.2, 0.1, 0.4, 0.8];
  expect(signalsOf(rising, 0, 1)).toEqual([{ kind: 'trend', from: 0, at: 5, to: 5, way: 1 }]);
  expect(signalsOf(rising.slice(0, 5), 0, 1)).toEqual([]);
  expect(signalsOf([2.2, 0, 2.5], 0, 1).map((s) => s.kind)).toEqual(['near-limit']);
  expect(signalsOf([2.2, 0, 0, 2.5], 0, 1)).toEqual([]);
  // Steps of 0.5 on the average, whatever the trend: 0.5 ÷ 1.128.
  expect(ownSpread([0, 0.5, 0, 0.5, 1]).sigma).toBeCloseTo(0.4433, 3);
});
