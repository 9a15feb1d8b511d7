import { and, count, desc, eq, gte, inArray, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import type { LogEntry } from '@/contracts/log';
import type { RecordKind } from '@/contracts/record';
import type { HoleAt } from '@/core/run/bench-record';
import type { Database } from '../database';
import { jobFeatures, jobs, observations, records } from '../schema';
import { RECORD_TEXT, recordOfText } from './record-repository';

interface Looked {
  /** All have to be found, in lower case. */
  words: readonly string[];
  kinds?: readonly RecordKind[];
  jobId?: string;
  hole?: HoleAt;
  materialId?: string;
  tool?: string;
  /** Moments, the first that counts and the first that does not. */
  from?: string;
  until?: string;
}
/** A part of it. */
interface Page {
  limit: number;
  offset?: number;
  /** Only what arrived before this arrival. */
  before?: number;
}

const callout = sql<string>`json_extract(${jobFeatures.question}, '$.callout')`;
/** A hole as people name it: `d`, `a2`. */
const HOLE_NAME = /^([a-z]{1,3})(\d{1,4})?$/;

/** Words of a record are looked for by their beginning. */
const beginning = (word: string): string => `"${word.replaceAll('"', ' ').trim()}"*`;

/** Records that have a word: in themselves, or in the job, the metal or the hole that they are of. */
function having(db: Database, word: string): SQL | undefined {
  const jobsOf = db
    .select({ id: jobs.id })
    .from(jobs)
    .where(sql`instr(lower(${jobs.name} || ' ' || ${jobs.materialId}), ${word}) > 0`);
  const featuresOf = (where: SQL) => db.select({ id: jobFeatures.id }).from(jobFeatures).where(where);
  const [, letter, number] = HOLE_NAME.exec(word) ?? [];
  return or(
    /[\p{L}\p{N}]/u.test(word)
      ? sql`${records.arrival} in (select rowid from record_words where record_words match ${beginning(word)})`
      : undefined,
    inArray(records.jobId, jobsOf),
    inArray(records.featureId, featuresOf(sql`instr(lower(${callout}), ${word}) > 0`)),
    letter === undefined
      ? undefined
      : and(
          inArray(records.featureId, featuresOf(sql`lower(${jobFeatures.letter}) = ${letter}`)),
          number === undefined ? undefined : eq(records.holeNumber, Number(number)),
        ),
  );
}

/** Records of every job, what arrived last first. */
export async function findLog(db: Database, looked: Looked, { limit, offset = 0, before }: Page): Promise<LogEntry[]> {
  const rows = await db
    .select({
      text: RECORD_TEXT,
      id: jobs.id,
      name: jobs.name,
      materialId: jobs.materialId,
      letter: jobFeatures.letter,
      callout,
    })
    .from(records)
    .leftJoin(jobs, eq(jobs.id, records.jobId))
    .leftJoin(jobFeatures, and(eq(jobFeatures.jobId, records.jobId), eq(jobFeatures.id, records.featureId)))
    .where(and(wanted(db, looked), before === undefined ? undefined : lt(records.arrival, before)))
    .orderBy(desc(records.arrival))
    .limit(limit)
    .offset(offset);
  return rows.map(({ text, id, name, materialId, letter, callout: written }) => ({
    record: recordOfText(text),
    ...(id !== null && name !== null && materialId !== null ? { job: { id, name, materialId } } : {}),
    ...(letter ? { hole: { letter, callout: written } } : {}),
  }));
}

/** Of a record and its job, whether it is looked for. */
function wanted(db: Database, { words, kinds, jobId, hole, materialId, tool, from, until }: Looked): SQL | undefined {
  return and(
    isNull(jobs.deletedAt),
    kinds ? inArray(records.kind, [...kinds]) : undefined,
    jobId === undefined ? undefined : eq(records.jobId, jobId),
    materialId === undefined ? undefined : eq(jobs.materialId, materialId),
    tool === undefined
      ? undefined
      : inArray(
          records.id,
          db.select({ id: observations.recordId }).from(observations).where(eq(observations.tool, tool)),
        ),
    from === undefined ? undefined : gte(records.happenedAt, from),
    until === undefined ? undefined : lt(records.happenedAt, until),
    hole &&
      and(
        eq(records.featureId, hole.featureId),
        eq(records.holeNumber, hole.holeNumber),
        sql`json_extract(${records.body}, '$.part') = ${hole.part}`,
      ),
    ...words.map((word) => having(db, word)),
  );
}

/** How many records are looked for. */
export async function countLog(db: Database, looked: Looked): Promise<number> {
  const [row] = await db
    .select({ n: count() })
    .from(records)
    .leftJoin(jobs, eq(jobs.id, records.jobId))
    .where(wanted(db, looked));
  return row?.n ?? 0;
}
