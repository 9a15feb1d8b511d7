import { isDeepStrictEqual } from 'node:util';
import {
  recordInput,
  type RecordBatch,
  type RecordInput,
  type RecordKept,
  type RecordReceipt,
} from '@/contracts/record';
import { countHoles } from '@/core/layout/place';
import { timesOf, type ClockSeen } from '@/core/layout/record-order';
import { isMarkOf, markOf } from '../access/session';
import type { Database } from '../database';
import { findNamed, type NamedFeature } from '../repositories/job-repository';
import {
  appendRecords,
  findClocks,
  findOfDevice,
  findRecords,
  keepClock,
  type ClockRow,
} from '../repositories/record-repository';
import { inTurn, keeping, writing } from '../writing';
import { markTapsBroken } from '../repositories/crib-repository';
import { Refusal } from '../refusal';
import { progressSoon } from './run-service';

type Refused = RecordReceipt['refused'][number];
type Why = Omit<Refused, 'id'>;

const why = (code: string, detail: string, remedy: string): Why => ({ code, detail, remedy });

/** What a record says, whoever sends it, whenever it arrives. */
function said({ happenedAt: _, who: _w, ...record }: RecordInput | RecordKept): object {
  const { arrivedAt: _a, arrival: _n, mark: _m, ...rest } = record as RecordKept;
  return rest;
}

/** Holes that a feature has or had, patterns that follow another included. */
function holesOf(features: ReadonlyMap<string, NamedFeature>, { id, place }: NamedFeature): number {
  if (!place) return 1;
  const followed = new Set<string>();
  while (place?.kind === 'mirror' || place?.kind === 'offset') {
    if (followed.has(place.of)) return 0;
    followed.add(place.of);
    place = features.get(place.of)?.place;
  }
  return countHoles([{ id, place }]);
}

const idTaken = (id: string): Why =>
  why('id-taken', `The id ${id} is of another record.`, 'Send this one under its own id.');

/** Why a record cannot be of its job; undefined where it can. */
function whyNot(record: RecordInput, features: ReadonlyMap<string, NamedFeature> | undefined): Why | undefined {
  if (!features) return why('job-unknown', 'There is no such job.', 'Name the job that this happened to.');
  if (!('featureId' in record) || record.featureId === undefined) return undefined;
  const feature = features.get(record.featureId);
  if (!feature)
    return why('hole-unknown', 'This job has no such feature.', 'Load the job and name one of its features.');
  const holes = holesOf(features, feature);
  return (record.holeNumber ?? 1) > holes
    ? why(
        'hole-unknown',
        `Feature ${feature.letter} has ${holes === 1 ? 'one hole' : `${holes} holes`}; there is no ${feature.letter}${record.holeNumber}.`,
        'Name one of its holes.',
      )
    : undefined;
}

const holeOf = (r: RecordInput | RecordKept): readonly unknown[] => [
  r.jobId,
  'featureId' in r ? r.featureId : undefined,
  'holeNumber' in r ? r.holeNumber : undefined,
  'part' in r.body ? r.body.part : undefined,
];

/** Why a record cannot correct what it names: that is not here, or is of another job, hole or part. */
function whyNotCorrected(record: RecordInput, corrected: RecordInput | RecordKept | undefined): Why | undefined {
  if (record.corrects === undefined) return undefined;
  if (!corrected)
    return why('corrects-unknown', 'There is no such record to correct.', 'Send the record that it corrects first.');
  const [own, other] = [holeOf(record), holeOf(corrected)];
  return own.every((one, i) => one === other[i])
    ? undefined
    : why('corrects-other', 'It corrects a record of another job, hole or part.', 'Name a record of the same hole.');
}

/** A clock that is further off than this is said, and a time that was put right by more, ms. */
const CLOCK_OFF_MS = 5000;

interface Read {
  record: RecordInput;
  happenedMs?: number;
  agoMs?: number;
  device?: string;
  sequence?: number;
  isBad: boolean;
}

/** The records of a batch that can be read, and why the others cannot. */
function readRecords(sent: readonly unknown[]): { read: RecordInput[]; unread: Refused[] } {
  const read: RecordInput[] = [];
  const unread: Refused[] = [];
  sent.forEach((one, i) => {
    const parsed = recordInput.safeParse(one);
    if (parsed.success) return void read.push(parsed.data);
    const id =
      typeof one === 'object' && one !== null && 'id' in one && typeof one.id === 'string' ? one.id : `#${i + 1}`;
    const [{ path, message }] = parsed.error.issues;
    const where = path.length > 0 ? `${path.join('.')}: ` : '';
    unread.push({
      id,
      ...why('not-readable', `This record cannot be read. ${where}${message}`, 'Leave it out, or correct it.'),
    });
  });
  return { read, unread };
}

/** What shows that a record is of its name. */
export const recordMark = (id: string, who: string): string => markOf(`${id} ${who}`);

/** Whether a record brings what shows that it is of its name: made while that was signed in, or read here before. */
const isSigned = ({ id, who }: RecordInput, mark: string | undefined): boolean =>
  who !== undefined && mark !== undefined && (isMarkOf(who, mark) || isMarkOf(`${id} ${who}`, mark));

/** Records with the name of who made them: the one that they bring where it is shown, or where nobody signs in. */
const named = (
  records: readonly RecordInput[],
  marks: RecordBatch['marks'],
  session: string | undefined,
): readonly RecordInput[] =>
  session === undefined ? records : records.map((r) => (isSigned(r, marks?.[r.id]) ? r : { ...r, who: session }));

/** Whether a record says that something is not good. */
const isBad = (r: RecordInput): boolean =>
  r.kind === 'checked' ? r.body.verdict === 'bad' : r.kind === 'tap-broken' || r.kind === 'drill-dull';

/** A clock that differs by more than this from its last contact is another, ms. */
const CLOCK_KEPT_MS = 1000;

/** The lines of clocks of those who were in contact before, what is told now included and kept. */
async function clocksOf(
  db: Database,
  devices: readonly string[],
  sentMs: number | undefined,
  nowMs: number,
): Promise<Map<string, ClockSeen[]>> {
  const lines = await findClocks(db, devices);
  const seen = new Map<string, ClockSeen[]>();
  const moved: ClockRow[] = [];
  for (const device of devices) {
    const line = lines.get(device) ?? [];
    const now = { device, sinceMs: nowMs, aheadMs: sentMs === undefined ? 0 : sentMs - nowMs };
    const isSame = Math.abs((line.at(-1)?.aheadMs ?? Infinity) - now.aheadMs) <= CLOCK_KEPT_MS;
    if (sentMs !== undefined && !isSame) moved.push(now);
    if (line.length === 0) continue;
    const all = isSame || sentMs === undefined ? line : [...line, now];
    seen.set(
      device,
      all.map(({ aheadMs }, i) => ({ aheadMs, untilMs: all[i + 1]?.sinceMs ?? Infinity })),
    );
  }
  if (moved.length > 0)
    await keeping(db, async (tx) => {
      for (const row of moved) await keepClock(tx, row, lines.get(row.device) ?? []);
    });
  return seen;
}

/** Records at the times at which they happened by the clock here. */
async function timed(
  db: Database,
  records: readonly RecordInput[],
  { sentAt, agoMs }: Pick<RecordBatch, 'sentAt' | 'agoMs'>,
  now: Date,
): Promise<(RecordInput & { happenedAt: string })[]> {
  const read = records.map((record): Read => {
    const { device, sequence, happenedAt } = record;
    return {
      record,
      device,
      sequence,
      agoMs: agoMs?.[record.id],
      isBad: isBad(record),
      happenedMs: happenedAt ? Date.parse(happenedAt) : undefined,
    };
  });
  const around = new Map<string, { sequence: number; atMs: number }[]>();
  for (const device of new Set(read.flatMap((r) => (r.sequence === undefined ? [] : (r.device ?? []))))) {
    const own = read.flatMap((r) => (r.device === device && r.sequence !== undefined ? [r.sequence] : []));
    const stored = await findOfDevice(db, device, Math.min(...own), Math.max(...own));
    around.set(
      device,
      stored.map(({ sequence, happenedAt }) => ({ sequence, atMs: Date.parse(happenedAt) })),
    );
  }
  const sentMs = sentAt === undefined ? undefined : Date.parse(sentAt);
  const devices = [...new Set(read.flatMap((r) => r.device ?? []))];
  const clocks = await clocksOf(db, devices, sentMs, now.getTime());
  const times = timesOf(read, sentMs, now.getTime(), around, clocks);
  return read.map(({ record }, i) => ({ ...record, happenedAt: new Date(times[i]).toISOString() }));
}

const tapBrokenIn = (r: RecordInput): string[] =>
  r.kind === 'tap-broken' && r.body.tapId !== undefined ? [r.body.tapId] : [];

/** Appends records; a tap that broke at the bench is broken in the crib with it, or neither is written. */
function append(
  db: Database,
  made: readonly (RecordInput & { happenedAt: string })[],
  at: string,
): Promise<Set<string>> {
  if (made.every((r) => tapBrokenIn(r).length === 0)) return inTurn(db, () => appendRecords(db, made, at));
  return writing(db, async (tx) => {
    const appended = await appendRecords(tx, made, at);
    await markTapsBroken(tx, made.filter((r) => appended.has(r.id)).flatMap(tapBrokenIn));
    return appended;
  });
}

/**
 * Takes in what happened, record by record: the same one sent again counts once; what cannot be recorded comes back with the reason, and
 * keeps no other from being taken. Times are put right by the clock here, whatever that of the sender says.
 * @param session name of who is signed in; undefined where nobody has to
 * @throws Refusal 422 when nothing of it was taken or known
 */
export async function takeRecords(
  db: Database,
  { records: sent, ...about }: RecordBatch,
  session?: string,
  now = new Date(),
): Promise<RecordReceipt> {
  const { read, unread } = readRecords(sent);
  const batch = named(await timed(db, read, about, now), about.marks, session) as (RecordInput & {
    happenedAt: string;
  })[];
  const features = new Map<string, ReadonlyMap<string, NamedFeature> | undefined>();
  for (const jobId of new Set(batch.map((r) => r.jobId))) {
    const named = batch.flatMap((r) => (r.jobId === jobId && 'featureId' in r && r.featureId ? [r.featureId] : []));
    features.set(jobId, await findNamed(db, jobId, named));
  }
  const correctable = new Map<string, RecordInput | RecordKept>([
    ...batch.map((r) => [r.id, r] as const),
    ...(await findRecords(
      db,
      batch.flatMap((r) => r.corrects ?? []),
    )),
  ]);
  const reasons = new Map(
    batch.map((r) => [
      r,
      whyNot(r, features.get(r.jobId)) ?? whyNotCorrected(r, r.corrects ? correctable.get(r.corrects) : undefined),
    ]),
  );
  /** What can be taken, the first of each id. */
  const fit = new Map<string, (typeof batch)[number]>();
  for (const r of batch) if (!reasons.get(r) && !fit.has(r.id)) fit.set(r.id, r);
  const appended = await append(db, [...fit.values()], now.toISOString());
  if (appended.size > 0) progressSoon(db, features.keys());
  const receipt: RecordReceipt = { taken: [], known: [], refused: unread, corrected: [] };
  const rest: typeof batch = [];
  batch.forEach((record, i) => {
    if (fit.get(record.id) !== record || !appended.delete(record.id)) return void rest.push(record);
    receipt.taken.push(record.id);
    const { happenedAt } = read[i];
    if (happenedAt && Math.abs(Date.parse(happenedAt) - Date.parse(record.happenedAt)) > CLOCK_OFF_MS)
      receipt.corrected.push(record.id);
  });
  const ids = rest.map((r) => r.id);
  const there = await findRecords(db, ids);
  for (const record of rest) {
    const { id } = record;
    const before = there.get(id);
    if (before && isDeepStrictEqual(said(before), said(record))) receipt.known.push(id);
    else receipt.refused.push({ id, ...(before ? idTaken(id) : (reasons.get(record) ?? idTaken(id))) });
  }
  const aheadMs = about.sentAt === undefined ? 0 : Date.parse(about.sentAt) - now.getTime();
  if (Math.abs(aheadMs) > CLOCK_OFF_MS) receipt.clockAheadS = Math.round(aheadMs / 1000);
  const [first] = receipt.refused;
  if (first && receipt.taken.length + receipt.known.length === 0)
    throw new Refusal(
      422,
      'Not recorded',
      receipt.refused.map((r) => r.detail).join(' '),
      receipt.refused.map(({ id, code, detail, remedy }) => ({ field: id, code, detail, remedy })),
      receipt,
    );
  return receipt;
}
