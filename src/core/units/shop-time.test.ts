import { isTimeZone, shopTime } from './shop-time';

test('one moment in the shops of two zones, on either side of midnight and of the change of the clocks', () => {
  // 2026-03-29 00:30 UTC: London goes to summer time at 01:00 UTC.
  const ms = Date.UTC(2026, 2, 29, 0, 30);
  expect(shopTime(ms, 'Europe/London', 'time')).toBe('2026-03-29 00:30');
  expect(shopTime(ms + 3_600_000, 'Europe/London', 'time')).toBe('2026-03-29 02:30');
  expect(shopTime(ms, 'America/New_York', 'date')).toBe('2026-03-28');
  expect([shopTime(ms, 'Asia/Tokyo', 'day'), shopTime(ms, 'Asia/Tokyo', 'long')]).toEqual(['29 Mar', '29 Mar 2026']);
  expect([isTimeZone('Europe/London'), isTimeZone('Bench/Top')]).toEqual([true, false]);
});
