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
}

interface Told {
  sequence: number;
  atMs: number;
  /** Which of the arriving ones it is; undefined for one that was there before. */
  index?: number;
}

/**
 * When each record happened by the clock here, ms since 1970. What waited is dated back by as long as it waited, by the clock
 * of its sender and by what it measured, the longer of the two (a clock may be set back, a measure may sleep); nothing happens
 * in the future; and what a device recorded keeps the order of its sequence, later ones being surer than those before.
 * @param sentMs when the sender sent it by its own clock; undefined where it did not say, so that its times are believed
 * @param nowMs when it arrived
 * @param around what the device recorded before and after these, by sequence, with times in that order
 */
export function timesOf(
  records: readonly Arriving[],
  sentMs: number | undefined,
  nowMs: number,
  around: ReadonlyMap<string, readonly { sequence: number; atMs: number }[]>,
): number[] {
  const times = records.map(
    ({ happenedMs, agoMs }) =>
      nowMs - Math.max(0, agoMs ?? 0, happenedMs === undefined ? 0 : (sentMs ?? nowMs) - happenedMs),
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
