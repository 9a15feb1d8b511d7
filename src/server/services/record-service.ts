import { isDeepStrictEqual } from 'node:util';
import type { RecordInput, RecordKept, RecordReceipt } from '@/contracts/record';
import { countHoles } from '@/core/layout/place';
import type { Database } from '../database';
import { findNamed, type NamedFeature } from '../repositories/job-repository';
import { appendRecords, findRecords } from '../repositories/record-repository';
import { inTurn } from '../writing';
import { Refusal } from './refusal';

type Refused = RecordReceipt['refused'][number];
type Why = Omit<Refused, 'id'>;

const why = (code: string, detail: string, remedy: string): Why => ({ code, detail, remedy });

/** What a record says, whoever sends it, whenever it arrives. */
function said({ happenedAt: _, who: _w, ...record }: RecordInput | RecordKept): object {
  const { arrivedAt: _a, ...rest } = record as RecordKept;
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

/** A clock that is further off than this is wrong, s: less is the way of the message. */
const CLOCK_OFF_S = 20;

/** Records of a sender whose clock is wrong, at the times that ours showed. */
function byOurClock(records: readonly RecordInput[], sentAt: string | undefined, now: Date): readonly RecordInput[] {
  const offMs = sentAt === undefined ? 0 : now.getTime() - Date.parse(sentAt);
  if (Math.abs(offMs) < CLOCK_OFF_S * 1000) return records;
  return records.map((r) =>
    r.happenedAt ? { ...r, happenedAt: new Date(Date.parse(r.happenedAt) + offMs).toISOString() } : r,
  );
}

/**
 * Takes in what happened, record by record: the same one sent again counts once; what cannot be recorded comes back with the reason, and
 * keeps no other from being taken.
 * @param sentAt by the clock of the sender: where that is wrong, times are put right by as much
 * @throws Refusal 422 when nothing of it was taken or known
 */
export async function takeRecords(
  db: Database,
  sent: readonly RecordInput[],
  sentAt?: string,
  now = new Date(),
): Promise<RecordReceipt> {
  const batch = byOurClock(sent, sentAt, now);
  const features = new Map<string, ReadonlyMap<string, NamedFeature> | undefined>();
  for (const jobId of new Set(batch.map((r) => r.jobId))) {
    const named = batch.flatMap((r) => (r.jobId === jobId && 'featureId' in r && r.featureId ? [r.featureId] : []));
    features.set(jobId, await findNamed(db, jobId, named));
  }
  const reasons = new Map(batch.map((r) => [r, whyNot(r, features.get(r.jobId))]));
  /** What can be taken, the first of each id. */
  const fit = new Map<string, RecordInput>();
  for (const r of batch) if (!reasons.get(r) && !fit.has(r.id)) fit.set(r.id, r);
  const appended = await inTurn(db, () => appendRecords(db, [...fit.values()], now.toISOString()));
  const receipt: RecordReceipt = { taken: [], known: [], refused: [] };
  const rest: RecordInput[] = [];
  for (const record of batch) {
    if (fit.get(record.id) === record && appended.delete(record.id)) receipt.taken.push(record.id);
    else rest.push(record);
  }
  const ids = rest.map((r) => r.id);
  const there = await findRecords(db, ids);
  for (const record of rest) {
    const { id } = record;
    const before = there.get(id);
    if (before && isDeepStrictEqual(said(before), said(record))) receipt.known.push(id);
    else receipt.refused.push({ id, ...(before ? idTaken(id) : (reasons.get(record) ?? idTaken(id))) });
  }
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
