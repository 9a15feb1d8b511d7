import { and, asc, eq, getTableColumns, inArray, sql } from 'drizzle-orm';
import { scribedLines } from '@/core/layout/scribed-lines';
import { BENCH_KINDS, type RecordInput, type RecordKept, type RecordKind } from '@/contracts/record';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { records } from '../schema';
import type { Writer } from '../writing';

const withdrawn = sql`json_extract(body, '$.withdrawn')`;

/** How many lines are ticked and how many holes punched, by job. */
export async function findProgress(
  db: Writer,
  jobIds: readonly string[],
): Promise<Map<string, { scribed: number; punched: number }>> {
  const found = new Map(jobIds.map((id) => [id, { scribed: 0, punched: 0 }]));
  if (jobIds.length === 0) return found;
  const punched = await db
    .select({
      jobId: records.jobId,
      n: sql<number>`count(distinct ${records.featureId} || ' ' || ${records.holeNumber})`,
    })
    .from(records)
    .where(
      and(
        inArray(records.jobId, [...jobIds]),
        eq(records.kind, 'punch-mark'),
        sql`${withdrawn} is null`,
        sql`${records.id} not in (select corrects from records where kind = 'punch-mark' and corrects is not null and ${withdrawn} is not null)`,
      ),
    )
    .groupBy(records.jobId);
  const ticks = await db
    .select()
    .from(records)
    .where(and(inArray(records.jobId, [...jobIds]), eq(records.kind, 'layout-tick')))
    .orderBy(asc(records.happenedAt), asc(records.id));
  for (const { jobId, n } of punched) if (jobId) found.set(jobId, { scribed: 0, punched: n });
  for (const [jobId, progress] of found) {
    const own = ticks.filter((t) => t.jobId === jobId).map((t) => recordOf(t));
    progress.scribed = scribedLines(own.filter((r) => r.kind === 'layout-tick')).size;
  }
  return found;
}

/** Jobs of which something was recorded at the bench. */
export async function findJobsAtBench(db: Writer, jobIds: readonly string[]): Promise<Set<string>> {
  if (jobIds.length === 0) return new Set();
  const rows = await db
    .select({ jobId: records.jobId })
    .from(records)
    .where(and(inArray(records.jobId, [...jobIds]), inArray(records.kind, [...BENCH_KINDS])))
    .groupBy(records.jobId);
  return new Set(rows.flatMap(({ jobId }) => (jobId ? [jobId] : [])));
}

function recordOf(row: typeof records.$inferSelect): RecordKept {
  const { id, kind, jobId, routeId, featureId, holeNumber, body, corrects, happenedAt, arrivedAt, who } = row;
  return {
    id,
    kind,
    jobId,
    ...(routeId === null ? {} : { routeId }),
    ...(featureId === null ? {} : { featureId }),
    ...(holeNumber === null ? {} : { holeNumber }),
    body,
    ...(corrects === null ? {} : { corrects }),
    ...(who === null ? {} : { who }),
    happenedAt,
    arrivedAt,
  } as RecordKept;
}

/** The fields of a row, in the order of the columns. */
const FIELDS = Object.keys(getTableColumns(records));

const appending = builtOnce((db) =>
  db
    .insert(records)
    .select(
      sql`select ${sql.join(
        FIELDS.map((field) => sql.raw(`value ->> '${field}'`)),
        sql`, `,
      )} from json_each(${sql.placeholder('rows')}) where true`,
    )
    .onConflictDoNothing()
    .returning({ id: records.id })
    .prepare(),
);

/**
 * Appends records in one statement, all or none; one whose id is there already is left as it is. Nothing of a record is ever
 * changed.
 * @returns ids of those that were appended
 */
export async function appendRecords(db: Database, made: readonly RecordInput[], at: string): Promise<Set<string>> {
  if (made.length === 0) return new Set();
  const rows = made.map((record) => ({
    ...record,
    body: JSON.stringify(record.body),
    happenedAt: record.happenedAt ?? at,
    arrivedAt: at,
  }));
  const appended = await appending(db).all({ rows: JSON.stringify(rows) });
  return new Set(appended.map(({ id }) => id));
}

/** The records with these ids that are there. */
export async function findRecords(tx: Writer, ids: readonly string[]): Promise<Map<string, RecordKept>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select()
    .from(records)
    .where(inArray(records.id, [...new Set(ids)]));
  return new Map(rows.map((row) => [row.id, recordOf(row)]));
}

/** Every record of a job, of one kind where one is named, in the order in which they happened. */
export async function listRecords(db: Writer, jobId: string, kind?: RecordKind | 'bench'): Promise<RecordKept[]> {
  const kinds = kind === 'bench' ? BENCH_KINDS : kind && [kind];
  const rows = await db
    .select()
    .from(records)
    .where(and(eq(records.jobId, jobId), kinds ? inArray(records.kind, [...kinds]) : undefined))
    .orderBy(asc(records.happenedAt), asc(records.arrivedAt), asc(records.id));
  // A picture is read where it is asked for by its kind.
  return rows.map((row) =>
    recordOf('image' in row.body && kind !== 'photo' ? { ...row, body: { ...row.body, image: '' } } : row),
  );
}
