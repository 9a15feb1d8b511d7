import fc from 'fast-check';
import { byOrder, timesOf, type Arriving } from './record-order';

const NONE = new Map();
const of = (sequence: number, happenedMs: number, agoMs?: number): Arriving => ({
  device: 'a',
  sequence,
  happenedMs,
  agoMs,
});

test('a clock that is wrong by as much all the while is put right; one that was set right meanwhile is dated by its measure', () => {
  // 60 s and 30 s before it was sent, by a clock that is 15 s fast; it arrives at 1,000 s.
  expect(timesOf([of(1, 955_000), of(2, 985_000)], 1_015_000, 1_000_000, NONE)).toEqual([940_000, 970_000]);
  // A day ahead when it was made, right when it was sent: measured 50 s ago; not measured, no later than what came after it.
  const day = 86_400_000;
  expect(timesOf([of(1, 950_000 + day, 50_000)], 1_000_000, 1_000_000, NONE)).toEqual([950_000]);
  expect(timesOf([of(1, 950_000 + day), of(2, 960_000)], 1_000_000, 1_000_000, NONE)).toEqual([960_000, 960_000]);
  // The measure slept with the lid closed: the clock knows of two hours more.
  expect(timesOf([of(1, 0, 5000)], 7_200_000, 9_000_000, NONE)).toEqual([1_800_000]);
});

test('a clock that was set is found by its line; where nothing tells, what is not good is dated the later', () => {
  const [now, hour] = [10_000_000, 3_600_000];
  const wasBehind = new Map([
    [
      'a',
      [
        { aheadMs: -hour, untilMs: now },
        { aheadMs: 0, untilMs: Infinity },
      ],
    ],
  ]);
  // Made 600 s ago by a clock an hour behind, set right before it was sent; the measure slept through 100 s of it.
  expect(timesOf([of(1, now - 600_000 - hour, 500_000)], now, now, NONE, wasBehind)).toEqual([now - 600_000]);
  // Steady at every contact: the clock is believed, and the measure has slept.
  const steady = new Map([['a', [{ aheadMs: 0, untilMs: Infinity }]]]);
  expect(timesOf([of(1, now - 600_000, 5000)], now, now, NONE, steady)).toEqual([now - 600_000]);
  // Never in contact: 600 s by the measure, an hour more by the clock.
  const never = of(1, now - 600_000 - hour, 600_000);
  expect(timesOf([{ ...never, isBad: true }], now, now, NONE)).toEqual([now - 600_000]);
  expect(timesOf([never], now, now, NONE)).toEqual([now - 600_000 - hour]);
  // A clock that tells 9999, or 1970, is not believed where a measure is.
  expect(timesOf([of(1, 0, 600_000)], 2.5e14, now, NONE)).toEqual([now - 600_000]);
  expect(timesOf([{ ...of(1, 60_000, 600_000), isBad: true }], now * 100_000, now * 100_000, NONE)).toEqual([
    now * 100_000 - 600_000,
  ]);
});

test('nothing happens in the future, nor before what its device recorded earlier', () => {
  expect(timesOf([{ happenedMs: 5000 }, {}], undefined, 3000, NONE)).toEqual([3000, 3000]);
  const around = new Map([
    [
      'a',
      [
        { sequence: 4, atMs: 800 },
        { sequence: 9, atMs: 900 },
      ],
    ],
  ]);
  expect(timesOf([of(5, 100), of(6, 950)], 1000, 1000, around)).toEqual([800, 900]);
});

test('whatever clocks say, the order of a device is that of its sequence', () => {
  const told = fc.record({ happenedMs: fc.nat(10_000), agoMs: fc.option(fc.nat(10_000), { nil: undefined }) });
  fc.assert(
    fc.property(fc.array(told, { minLength: 1 }), fc.nat(10_000), (list, sent) => {
      const records = list.map((r, i) => ({ ...r, device: 'a', sequence: i + 1 }));
      const times = timesOf(records, sent, 5000, NONE);
      const kept = records.map((r, i) => ({ ...r, id: String(99 - i), happenedAt: String(times[i] + 2e7) }));
      expect([...kept].sort(byOrder)).toEqual(kept);
      expect(Math.max(...times)).toBeLessThanOrEqual(5000);
    }),
  );
});
