/** When something happened, and which device said so. */
export interface Happened {
  id: string;
  /** ISO 8601 by the clock of the server, so that text sorts as time. */
  happenedAt: string;
  device?: string;
  /** Rises with every record of its device. */
  sequence?: number;
  /** Rises with every record that arrived; undefined for one that is not there yet. */
  arrival?: number;
}

/**
 * The order in which records happened: by time, at the same time by the sequence of their device. The server sees to it that
 * the times of a device never run against its sequence.
 * @returns below 0 where `a` came first
 */
export function byOrder(a: Happened, b: Happened): number {
  if (a.happenedAt !== b.happenedAt) return a.happenedAt < b.happenedAt ? -1 : 1;
  if (a.device !== b.device) return (a.device ?? '') < (b.device ?? '') ? -1 : 1;
  const bySequence = (a.sequence ?? 0) - (b.sequence ?? 0) || (a.arrival ?? Infinity) - (b.arrival ?? Infinity);
  return bySequence || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** A record on its way in. */
export interface Arriving {
  /** When it happened by the clock of its sender, ms since 1970. */
  happenedMs?: number;
  device?: string;
  sequence?: number;
  /** How long ago it happened, measured by what no setting of a clock changes, ms. */
  agoMs?: number;
  /** It says that something is not good: where its time is not sure, it is not dated before what says otherwise. */
  isBad?: boolean;
}

interface Told {
  sequence: number;
  atMs: number;
  /** Which of the arriving ones it is; undefined for one that was there before. */
  index?: number;
}

/** Clocks and measures that lie nearer to each other agree, ms: a request is on its way for a moment. */
const NEAR_MS = 5000;
/** Nothing waits longer to be sent, ms: a clock that says so is not believed. */
const LONGEST_MS = 10 * 365 * 24 * 3_600_000;

/** A clock as it was told at contacts: how far it was ahead, and until when it can have been so. */
export interface ClockSeen {
  aheadMs: number;
  /** When it was first seen otherwise, ms since 1970; Infinity for how it is now. */
  untilMs: number;
}

/**
 * How long a record waited, ms. Its sender's clock tells it where it was not set meanwhile; where it was, its records are of the
 * clock as it was at a contact before or as it is now, whichever agrees with what was measured (a measure may have slept, so it
 * waited that long at least). Where nothing tells which, the time lies between them, and what is not good is dated the latest.
 */
function waitedMs(
  { happenedMs, agoMs, isBad }: Arriving,
  sentMs: number | undefined,
  nowMs: number,
  clock: readonly ClockSeen[] | undefined,
): number {
  const least = agoMs ?? 0;
  if (happenedMs === undefined) return least;
  const byNow = (sentMs ?? nowMs) - happenedMs;
  const byBefore = (clock ?? [])
    .filter(({ aheadMs, untilMs }) => happenedMs - aheadMs <= untilMs)
    .map(({ aheadMs }) => nowMs + aheadMs - happenedMs);
  const told = [byNow, ...byBefore]
    .filter((ms) => ms > -NEAR_MS && ms < LONGEST_MS)
    .map((ms) => Math.max(0, ms))
    .sort((a, b) => a - b);
  const isSteady = clock !== undefined && told.length > 0 && told[told.length - 1] - told[0] <= NEAR_MS;
  if (isSteady) return Math.max(least, told[0]);
  if (agoMs !== undefined && clock) return Math.max(agoMs, told.find((ms) => ms >= agoMs - NEAR_MS) ?? agoMs);
  const between = [...told, ...(agoMs === undefined ? [] : [agoMs])];
  if (between.length === 0) return 0;
  return isBad ? Math.min(...between) : Math.max(...between);
}

/**
 * When each record happened by the clock here, ms since 1970. What waited is dated back by as long as it waited; nothing happens
 * in the future; and what a device recorded keeps the order of its sequence, later ones being surer than those before.
 * @param sentMs when the sender sent it by its own clock; undefined where it did not say, so that its times are believed
 * @param nowMs when it arrived
 * @param around what the device recorded before and after these, by sequence, with times in that order
 * @param clocks the line of clocks of each device that was in contact before, the present one last
 */
export function timesOf(
  records: readonly Arriving[],
  sentMs: number | undefined,
  nowMs: number,
  around: ReadonlyMap<string, readonly { sequence: number; atMs: number }[]>,
  clocks: ReadonlyMap<string, readonly ClockSeen[]> = new Map(),
): number[] {
  const times = records.map(
    (r) => nowMs - waitedMs(r, sentMs, nowMs, r.device === undefined ? undefined : clocks.get(r.device)),
  );
  const own = new Map<string, Told[]>();
  records.forEach(({ device, sequence }, index) => {
    if (device === undefined || sequence === undefined) return;
    const list: Told[] = own.get(device) ?? [...(around.get(device) ?? [])];
    list.push({ sequence, atMs: times[index], index });
    own.set(device, list);
  });
  for (const list of own.values()) {
    list.sort((a, b) => a.sequence - b.sequence);
    for (let i = list.length - 2; i >= 0; i--)
      if (list[i].index !== undefined) list[i].atMs = Math.min(list[i].atMs, list[i + 1].atMs);
    for (let i = 1; i < list.length; i++)
      if (list[i].index !== undefined) list[i].atMs = Math.max(list[i].atMs, list[i - 1].atMs);
    for (const { index, atMs } of list) if (index !== undefined) times[index] = atMs;
  }
  return times;
}
