const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A zone by its IANA name, such as Europe/London. */
export function isTimeZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-US', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

interface Clock {
  year: string;
  month: string;
  day: string;
  hour: string;
  minute: string;
}

/** What the clock in the shop shows. Digits only, so that every browser and server says the same. */
function clockAt(ms: number, zone: string): Clock {
  const parts = new Intl.DateTimeFormat('en-US', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(ms);
  return Object.fromEntries(parts.map(({ type, value }) => [type, value])) as unknown as Clock;
}

const dayAndMonth = ({ day, month }: Clock): string => `${Number(day)} ${MONTHS[Number(month) - 1]}`;

/**
 * A moment as the shop says it.
 * @param ms since 1970
 * @param zone IANA name of the zone of the shop
 * @param as `date` 2026-11-30, `day` 30 Nov, `long` 30 Nov 2026, `time` 2026-11-30 14:05, `clock` 14:05
 * @example shopTime(1796025600000, 'Europe/London', 'time') // '2026-11-30 08:00'
 */
export function shopTime(ms: number, zone: string, as: 'date' | 'day' | 'long' | 'time' | 'clock'): string {
  const at = clockAt(ms, zone);
  const date = `${at.year}-${at.month}-${at.day}`;
  if (as === 'day') return dayAndMonth(at);
  if (as === 'long') return `${dayAndMonth(at)} ${at.year}`;
  if (as === 'clock') return `${at.hour}:${at.minute}`;
  return as === 'date' ? date : `${date} ${at.hour}:${at.minute}`;
}
