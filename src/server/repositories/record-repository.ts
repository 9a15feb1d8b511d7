import { and, asc, eq, inArray } from 'drizzle-orm';
import type { RecordInput, RecordKept, RecordKind } from '@/contracts/record';
import { records } from '../schema';
import type { Writer } from '../writing';

function recordOf(row: typeof records.$inferSelect): RecordKept {
  const { id, kind, jobId, featureId, holeNumber, body, corrects, happenedAt, arrivedAt, who } = row;
  return {
    id,
    kind,
    jobId,
    ...(featureId === null ? {} : { featureId }),
    ...(holeNumber === null ? {} : { holeNumber }),
    body,
    ...(corrects === null ? {} : { corrects }),
    ...(who === null ? {} : { who }),
    happenedAt,
    arrivedAt,
  } as RecordKept;
}

/** Appends a record. Nothing of a record is ever changed. */
export async function appendRecord(tx: Writer, record: RecordInput, at: string): Promise<void> {
  const { id, kind, jobId, body, corrects, who, happenedAt = at } = record;
  const hole = 'featureId' in record ? { featureId: record.featureId, holeNumber: record.holeNumber } : {};
  await tx.insert(records).values({ id, kind, jobId, ...hole, body, corrects, who, happenedAt, arrivedAt: at });
}

/** The records with these ids that are there. */
export async function findRecords(tx: Writer, ids: readonly string[]): Promise<Map<string, RecordKept>> {
  const rows = await tx
    .select()
    .from(records)
    .where(inArray(records.id, [...new Set(ids)]));
  return new Map(rows.map((row) => [row.id, recordOf(row)]));
}

/** Every record of a job, of one kind where one is named, in the order in which they happened. */
export async function listRecords(db: Writer, jobId: string, kind?: RecordKind): Promise<RecordKept[]> {
  const rows = await db
    .select()
    .from(records)
    .where(and(eq(records.jobId, jobId), kind ? eq(records.kind, kind) : undefined))
    .orderBy(asc(records.happenedAt), asc(records.arrivedAt), asc(records.id));
  return rows.map(recordOf);
}
