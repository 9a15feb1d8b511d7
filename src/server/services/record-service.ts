import { isDeepStrictEqual } from 'node:util';
import type { RecordInput, RecordKept, RecordReceipt } from '@/contracts/record';
import { countHoles, type Placed } from '@/core/layout/place';
import type { Database } from '../database';
import { findFeatures, jobIdTaken, type FeatureState } from '../repositories/job-repository';
import { appendRecord, findRecords } from '../repositories/record-repository';
import { writing, type Writer } from '../writing';
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
function holesOf(features: ReadonlyMap<string, FeatureState>, id: string): number {
  const placed = (of: string, seen: readonly string[]): Placed[] => {
    const place = features.get(of)?.feature.place;
    if (!place || seen.includes(of)) return [];
    const follows = place.kind === 'mirror' || place.kind === 'offset' ? placed(place.of, [...seen, of]) : [];
    return [{ id: of, place }, ...follows];
  };
  const chain = placed(id, []);
  return chain.length === 0 ? 1 : countHoles(chain) - countHoles(chain.slice(1));
}

function whyNot(
  record: RecordInput,
  there: RecordKept | undefined,
  features: ReadonlyMap<string, FeatureState> | undefined,
): Why | undefined {
  if (there) return why('id-taken', `The id ${record.id} is of another record.`, 'Send this one under its own id.');
  if (!features) return why('job-unknown', 'There is no such job.', 'Name the job that this happened to.');
  if (!('featureId' in record) || record.featureId === undefined) return undefined;
  const state = features.get(record.featureId);
  if (!state) return why('hole-unknown', 'This job has no such feature.', 'Load the job and name one of its features.');
  const holes = holesOf(features, record.featureId);
  return (record.holeNumber ?? 1) > holes
    ? why(
        'hole-unknown',
        `Feature ${state.feature.letter} has ${holes === 1 ? 'one hole' : `${holes} holes`}; there is no ${state.feature.letter}${record.holeNumber}.`,
        'Name one of its holes.',
      )
    : undefined;
}

/** Features that records of a job name, and those that they follow; undefined for a job that never was. A deleted job still takes what happened. */
async function featuresNamed(
  tx: Writer,
  jobId: string,
  records: readonly RecordInput[],
): Promise<Map<string, FeatureState> | undefined> {
  if (!(await jobIdTaken(tx, jobId))) return undefined;
  const found = new Map<string, FeatureState>();
  let wanted = [...new Set(records.flatMap((r) => ('featureId' in r && r.featureId ? [r.featureId] : [])))];
  while (wanted.length > 0) {
    const more = await findFeatures(tx, jobId, wanted);
    for (const [id, state] of more) found.set(id, state);
    const followed = [...more.values()].flatMap(({ feature: { place } }) =>
      place?.kind === 'mirror' || place?.kind === 'offset' ? [place.of] : [],
    );
    wanted = [...new Set(followed)].filter((id) => !found.has(id));
  }
  return found;
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
  const receipt: RecordReceipt = { taken: [], known: [], refused: [] };
  await writing(db, async (tx) => {
    const there = await findRecords(
      tx,
      batch.map((r) => r.id),
    );
    const features = new Map<string, Map<string, FeatureState> | undefined>();
    for (const jobId of new Set(batch.map((r) => r.jobId)))
      features.set(
        jobId,
        await featuresNamed(
          tx,
          jobId,
          batch.filter((r) => r.jobId === jobId),
        ),
      );
    const at = now.toISOString();
    for (const record of batch) {
      const before = there.get(record.id);
      if (before && isDeepStrictEqual(said(before), said(record))) {
        receipt.known.push(record.id);
        continue;
      }
      const reason = whyNot(record, before, features.get(record.jobId));
      if (reason) receipt.refused.push({ id: record.id, ...reason });
      else {
        await appendRecord(tx, record, at);
        there.set(record.id, { ...record, happenedAt: record.happenedAt ?? at, arrivedAt: at } as RecordKept);
        receipt.taken.push(record.id);
      }
    }
  });
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
