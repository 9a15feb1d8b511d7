import { and, asc, count, eq, getTableColumns, gte, inArray, lte, sql, type SQL } from 'drizzle-orm';
import { byOrder } from '@/core/layout/record-order';
import { BENCH_KINDS, type RecordInput, type RecordKept, type RecordKind } from '@/contracts/record';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { deviceClocks, records } from '../schema';
import { soundText } from '../sound-text';
import type { Writer } from '../writing';

function recordOf({ id, kind, jobId, ...row }: typeof records.$inferSelect): RecordKept {
  const { arrivedAt, arrival, happenedAt, body, ...maybe } = row;
  const said = Object.fromEntries(Object.entries(maybe).filter(([, value]) => value !== null));
  return { id, kind, jobId, ...said, body, happenedAt, arrivedAt, arrival } as RecordKept;
}

/** The fields of a row that a record brings, in the order of the columns. */
const FIELDS = Object.keys(getTableColumns(records)).filter((field) => field !== 'arrival');

const appending = builtOnce((db) =>
  db
    .insert(records)
    .select(
      sql`select ${sql.join(
        FIELDS.map((field) => sql.raw(`value ->> '${field}'`)),
        sql`, `,
      )}, (select coalesce(max(arrival), 0) from records) + key + 1 from json_each(${sql.placeholder('rows')}) where true`,
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
export async function appendRecords(
  db: Writer,
  made: readonly (RecordInput & { happenedAt: string })[],
  at: string,
): Promise<Set<string>> {
  if (made.length === 0) return new Set();
  const rows = made.map((record) => ({ ...record, body: soundText(JSON.stringify(record.body)), arrivedAt: at }));
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

const between = builtOnce((db) => {
  const { device, sequence, happenedAt } = records;
  const of = sql`${device} = ${sql.placeholder('device')}`;
  const end = (which: 'min' | 'max', than: SQL) =>
    sql`coalesce((select ${sql.raw(which)}(${sequence}) from ${records} where ${of} and ${than}), ${sequence})`;
  return db
    .select({ sequence, happenedAt })
    .from(records)
    .where(
      and(
        of,
        gte(sequence, end('max', sql`${sequence} < ${sql.placeholder('first')}`)),
        lte(sequence, end('min', sql`${sequence} > ${sql.placeholder('last')}`)),
      ),
    )
    .prepare();
});

/** What a device recorded from just before one of its sequences to just after another, by sequence. */
export const findOfDevice = async (
  db: Database,
  device: string,
  first: number,
  last: number,
): Promise<{ sequence: number; happenedAt: string }[]> =>
  (await between(db).all({ device, first, last })).flatMap(({ sequence, happenedAt }) =>
    sequence === null ? [] : [{ sequence, happenedAt }],
  );

/** A record as a list shows it: a picture is read with the one record that it belongs to. */
const listed = (row: typeof records.$inferSelect): RecordKept =>
  recordOf('image' in row.body ? { ...row, body: { ...row.body, image: '' } } : row);

/** One record of a job, whole. */
export async function findRecord(db: Writer, jobId: string, id: string): Promise<RecordKept | undefined> {
  const found = (await findRecords(db, [id])).get(id);
  return found?.jobId === jobId ? found : undefined;
}

/** Every record of a job, of one kind where one is named, in the order in which they happened; without pictures. */
export async function listRecords(db: Writer, jobId: string, kind?: RecordKind | 'bench'): Promise<RecordKept[]> {
  const kinds = kind === 'bench' ? BENCH_KINDS : kind && [kind];
  const rows = await db
    .select()
    .from(records)
    .where(and(eq(records.jobId, jobId), kinds ? inArray(records.kind, [...kinds]) : undefined));
  return rows.map(listed).sort(byOrder);
}

/** Records read at once. */
const PAGE = 2000;

/** A column as it stands in the text of a record; a picture is read with its one record. */
const asText = (field: string, { name }: { name: string }): string =>
  field === 'body'
    ? `'body', case kind when 'photo' then json_set(body, '$.image', '') else json(body) end`
    : `'${field}', "${name}"`;

/** Rows as one text: many are read several times as fast as one by one. */
const arriving = builtOnce((db) =>
  db
    .select({
      text: sql<string>`json_group_array(json_object(${sql.raw(
        Object.entries(getTableColumns(records))
          .map(([field, column]) => asText(field, column))
          .join(', '),
      )}))`,
    })
    .from(
      sql`(select * from ${records} where job_id = ${sql.placeholder('jobId')} and arrival > ${sql.placeholder('after')} order by arrival limit ${sql.placeholder('most')})`,
    )
    .prepare(),
);

/** What arrived of a job after an arrival, in the order of arrival, a page of it. */
export async function listArrived(
  db: Database,
  jobId: string,
  after: number,
  most = PAGE,
): Promise<{ records: RecordKept[]; more: boolean }> {
  const [{ text }] = await arriving(db).all({ jobId, after, most: most + 1 });
  const rows = JSON.parse(text) as (typeof records.$inferSelect)[];
  return { records: rows.slice(0, most).map(recordOf), more: rows.length > most };
}

export type ClockRow = typeof deviceClocks.$inferSelect;
/** Clocks of a device that are remembered. */
const CLOCKS_KEPT = 8;

/** The lines of clocks of some devices, each in its order. */
export async function findClocks(db: Writer, devices: readonly string[]): Promise<Map<string, ClockRow[]>> {
  if (devices.length === 0) return new Map();
  const rows = await db
    .select()
    .from(deviceClocks)
    .where(inArray(deviceClocks.device, [...devices]))
    .orderBy(asc(deviceClocks.sinceMs));
  const lines = new Map<string, ClockRow[]>(devices.map((device) => [device, []]));
  for (const row of rows) lines.get(row.device)?.push(row);
  return lines;
}

/** Adds how a clock is now to its line; the oldest goes. */
export async function keepClock(tx: Writer, row: ClockRow, line: readonly ClockRow[]): Promise<void> {
  await tx.insert(deviceClocks).values(row).onConflictDoNothing();
  for (const { device, sinceMs } of line.slice(0, Math.max(0, line.length + 1 - CLOCKS_KEPT)))
    await tx.delete(deviceClocks).where(and(eq(deviceClocks.device, device), eq(deviceClocks.sinceMs, sinceMs)));
}

/** A record as one text, without its picture: a row of many columns is read several times as fast so. */
export const RECORD_TEXT = sql<string>`json_object(${sql.join(
  Object.entries(getTableColumns(records)).map(([field, column]) =>
    field === 'body'
      ? sql`'body', case ${records.kind} when 'photo' then json_set(${records.body}, '$.image', '') else json(${records.body}) end`
      : sql`${sql.raw(`'${field}'`)}, ${column}`,
  ),
  sql`, `,
)})`;
export const recordOfText = (text: string): RecordKept => recordOf(JSON.parse(text) as typeof records.$inferSelect);

const lastOfJob = builtOnce((db) =>
  db
    .select({ last: sql<number>`coalesce(max(${records.arrival}), 0)` })
    .from(records)
    .where(eq(records.jobId, sql.placeholder('jobId')))
    .prepare(),
);

/** How many records a job has. */
export const countRecords = async (db: Database, jobId: string): Promise<number> =>
  (await db.select({ n: count() }).from(records).where(eq(records.jobId, jobId)))[0]?.n ?? 0;

/** Arrival of the last record of a job; 0 for none. */
export const lastArrival = async (db: Writer, jobId: string): Promise<number> =>
  (await lastOfJob(db).all({ jobId }))[0]?.last ?? 0;
