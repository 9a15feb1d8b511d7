import { and, desc, eq, inArray, sql } from 'drizzle-orm';
import type { LogEntry } from '@/contracts/log';
import type { RecordKind } from '@/contracts/record';
import type { Database } from '../database';
import { jobFeatures, jobs, records } from '../schema';
import { listed } from './record-repository';

interface Looked {
  /** All have to be found, in lower case. */
  words: readonly string[];
  kinds?: readonly RecordKind[];
  jobId?: string;
  limit: number;
  offset: number;
}

const callout = sql<string>`json_extract(${jobFeatures.question}, '$.callout')`;
/** What a record can be found by: itself without a picture, who, and the job, metal and hole that it is of. */
const findable = sql`lower(${records.kind} || ' ' || case ${records.kind} when 'photo' then '' else ${records.body} end || ' '
  || coalesce(${records.who}, '') || ' ' || coalesce(${jobs.name}, '') || ' ' || coalesce(${jobs.materialId}, '') || ' '
  || coalesce(${jobFeatures.letter} || coalesce(${records.holeNumber}, ''), '') || ' ' || coalesce(${callout}, ''))`;

/** Records of every job, what arrived last first. */
export async function findLog(db: Database, { words, kinds, jobId, limit, offset }: Looked): Promise<LogEntry[]> {
  const rows = await db
    .select({
      record: records,
      job: { id: jobs.id, name: jobs.name, materialId: jobs.materialId },
      hole: { letter: jobFeatures.letter, callout },
    })
    .from(records)
    .leftJoin(jobs, eq(jobs.id, records.jobId))
    .leftJoin(jobFeatures, and(eq(jobFeatures.jobId, records.jobId), eq(jobFeatures.id, records.featureId)))
    .where(
      and(
        kinds ? inArray(records.kind, [...kinds]) : undefined,
        jobId === undefined ? undefined : eq(records.jobId, jobId),
        ...words.map((word) => sql`instr(${findable}, ${word}) > 0`),
      ),
    )
    .orderBy(desc(records.arrival))
    .limit(limit)
    .offset(offset);
  return rows.map(({ record, job, hole }) => ({
    record: listed(record),
    ...(job ? { job } : {}),
    ...(hole?.letter ? { hole } : {}),
  }));
}
