import type { BenchRecord } from '../run/bench-record';
import type { Figured } from '../run/observations';
import { tell } from '../units/show';
import { levelWords, meaningOf, type Names } from './learned-words';
import { isAtLevel, levelShown, runOfReadings, typicalOver, weightsOfReadings } from './run-of-readings';
import { signalAtBench, signalLine } from './signal-at-bench';

const names: Names = {
  material: (id) => `metal ${id}`,
  machine: (id) => `machine ${id}`,
  tool: (level) => level.replace('drill d', 'Drill '),
};

test('levels are told as people call them', () => {
  const words: [Parameters<typeof levelWords>[0], string, string][] = [
    ['oversize', 'hss|to 6|m|punch', 'High-speed drills over 3 to 6 mm, metal m, drill press, from a punch mark'],
    ['oversize', 'hss|to 6|m|spot|drill d5.0', 'Drill 5.0, metal m, spotted on a mill or lathe'],
    ['oversize', 'drill d5.0', 'Drill 5.0'],
    ['formed-minor', 'm|to 3', 'Metal m, to 3 mm'],
    ['seconds', 'drill|lathe', 'Drill, machine lathe'],
    ['coast', 'mill', 'Machine mill'],
    ['place', 'height-gauge|eye|punch', 'Height gauge on a surface plate, punched by eye, begun by punch'],
  ];
  for (const [figure, level, said] of words) expect(levelWords(figure, level, names)).toBe(said);
  expect(tell(meaningOf('torque', 1, 'the sharpening'), 'mm')).toMatch(
    /^It began after the sharpening\. Usually a tap that dulls/,
  );
});

const reading = (value: number, n: number): Figured & { happenedAt: string } => ({
  figure: 'oversize',
  levels: ['k', 'k|s'],
  tool: 'drill a',
  value,
  typical: { mean: 5.07, sigma: 0.02 },
  happenedAt: new Date(1e12 + n * 1000).toISOString(),
});

test('a run is told in order, holes by what they are over the typical one, with limits of its own', () => {
  const values = [5.07, 5.09, 5.08, 5.1, 5.07, 5.09, 5.08, 5.1, 5.3];
  const all = values.map(reading);
  const { readings, limits, signals } = runOfReadings([...all].reverse());
  expect(readings.map((r) => +r.shown.toFixed(3))).toEqual(values.map((v) => +(v - 5.07).toFixed(3)));
  // Steps of 0.02, 0.01, 0.02, 0.03, 0.02, 0.01, 0.02 and 0.2: 0.04125 on the average, ÷ 1.128; the middle is 0.02.
  expect(limits?.to).toBeCloseTo(0.02 + (3 * 0.04125) / 1.128, 6);
  expect(signals).toEqual([{ kind: 'outside', from: 8, at: 8, to: 8, way: 1 }]);
  const weights = weightsOfReadings([...all, reading(7, 10)]);
  expect(weights.slice(0, 8)).toEqual(values.slice(0, 8).map(() => 1));
  expect(weights[9]).toBeLessThan(weights[8]);
  expect(weights[9]).toBeGreaterThan(0);
  expect(runOfReadings(all.slice(0, 7)).limits).toBeUndefined();
  for (const level of ['k', 'k|s', 'drill a', 'k|s|drill a']) expect(isAtLevel(all[0], level)).toBe(true);
  expect(['s', 'drill b', 'k|drill a'].some((level) => isAtLevel(all[0], level))).toBe(false);
  const learned = { oversize: { k: { mean: 2, sigma: 1, n: 9, own: 2, range: [0, 4] as const } } };
  expect(levelShown('oversize', 'k', typicalOver(all), learned)).toMatchObject({
    typical: 0,
    n: 9,
    mean: expect.closeTo(0.04, 9),
    high: expect.closeTo(0.08, 9),
  });
  // Nothing leans by less than nothing.
  const lean = { lean: { k: { mean: 0, sigma: 1, n: 9, own: 0, range: [-2, 2] as const } } };
  expect(levelShown('lean', 'k', { mean: 0.5, sigma: 0.4 }, lean)).toMatchObject({ low: 0, high: 1.3 });
});

test('two hands are each held against themselves; what is measured of a drill is not', () => {
  const times = Array.from({ length: 24 }, (_, i) => {
    const slow = i % 8 < 4;
    return {
      ...reading((slow ? 2 : 1) + 0.02 * ((i * 7) % 5), i),
      tool: slow ? 'hand a' : 'hand b',
      typical: { mean: 1, sigma: 0.3 },
    };
  });
  const ofHands = times.map((t) => ({ ...t, figure: 'seconds' as const }));
  expect(runOfReadings(ofHands).signals).toEqual([]);
  expect(runOfReadings(times).signals.length).toBeGreaterThan(0);
  const late = [...ofHands, { ...ofHands[0], value: 9, happenedAt: reading(0, 30).happenedAt }];
  expect(runOfReadings(late).signals).toEqual([{ kind: 'outside', from: 24, at: 24, to: 24, way: 1, hand: 'hand a' }]);
});

let id = 0;
const pinned = (holeNumber: number, mm: number): BenchRecord => ({
  id: `r${++id}`,
  kind: 'checked',
  featureId: 'f',
  holeNumber,
  happenedAt: '',
  body: { part: 1, check: 'minor', values: { in: mm, out: mm + 0.01 }, verdict: 'good' },
});

test('at the bench a reading that completes a signal is said at once, with what usually means it', () => {
  const steady = [5.07, 5.09, 5.08, 5.1, 5.07, 5.09, 5.08].map((mm, i) => pinned(i + 1, mm));
  const at = (holeNumber: number) => ({ featureId: 'f', holeNumber, part: 1 });
  expect(signalAtBench([...steady, pinned(8, 5.09)], at(8))).toBeUndefined();
  const far = [...steady, pinned(8, 5.4)];
  const told = signalAtBench(far, at(8));
  expect(told && tell(signalLine(told), 'mm')).toBe('One reading far above the rest among the holes gauged so far.');
  expect(told && tell(told.means, 'mm')).toMatch(/^Usually lips ground unevenly/);
  expect(signalAtBench(far, at(7))).toBeUndefined();
  expect(signalAtBench(far.slice(2), at(8))).toBeUndefined();
  const dull = { ...pinned(8, 0), kind: 'drill-dull', body: { part: 1, tool: '5.0 mm' } } as BenchRecord;
  const after = signalAtBench([...steady, dull, pinned(8, 5.4)], at(8));
  expect(after && tell(after.means, 'mm')).toMatch(/^It began after the drill was changed/);
});
