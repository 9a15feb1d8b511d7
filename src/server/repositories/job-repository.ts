import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Job, JobHoleInput, JobInput } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import { USUAL_PART } from '@/core/layout/part';
import type { Database } from '../database';
import { jobHoles, jobs } from '../schema';

export type Writer = Pick<Database, 'insert' | 'update' | 'delete' | 'select'>;
type JobRow = typeof jobs.$inferSelect;

const columns = ({ name, materialId, quantity, notes, part }: JobInput) => ({
  name,
  materialId,
  quantity,
  notes,
  part,
});

/** Rows written in one statement; SQLite takes only so many values at once. */
const BATCH = 500;

async function writeHoles(tx: Writer, jobId: string, holes: readonly JobHoleInput[]): Promise<void> {
  await tx.delete(jobHoles).where(eq(jobHoles.jobId, jobId));
  const rows = holes.map(({ id, name, question, face, place, exit, edits }, position) => ({
    id,
    jobId,
    position,
    name,
    question,
    face,
    place: place ?? null,
    exit: exit ?? null,
    edits: edits ?? null,
  }));
  for (let at = 0; at < rows.length; at += BATCH) await tx.insert(jobHoles).values(rows.slice(at, at + BATCH));
}

/** Writes a new job with its holes; the caller owns the transaction. */
export async function insertJob(tx: Writer, job: JobInput, at: string): Promise<void> {
  await tx.insert(jobs).values({ id: job.id, ...columns(job), createdAt: at, updatedAt: at });
  await writeHoles(tx, job.id, job.holes);
}

/** Writes a change when the row still has the version it was made from; says whether it did. */
export async function updateJob(tx: Writer, job: JobInput, version: number, at: string): Promise<boolean> {
  const done = await tx
    .update(jobs)
    .set({ ...columns(job), updatedAt: at, version: version + 1 })
    .where(and(eq(jobs.id, job.id), eq(jobs.version, version), isNull(jobs.deletedAt)))
    .returning({ id: jobs.id });
  if (done.length === 0) return false;
  await writeHoles(tx, job.id, job.holes);
  return true;
}

/** Marks a job deleted (a moment) or brings it back (null). */
export async function markDeleted(db: Writer, id: string, deletedAt: string | null): Promise<boolean> {
  const done = await db
    .update(jobs)
    .set({ deletedAt, version: sql`${jobs.version} + 1` })
    .where(and(eq(jobs.id, id), deletedAt === null ? undefined : isNull(jobs.deletedAt)))
    .returning({ id: jobs.id });
  return done.length > 0;
}

async function withHoles(db: Writer, rows: JobRow[]): Promise<Job[]> {
  if (rows.length === 0) return [];
  const holes = await db
    .select()
    .from(jobHoles)
    .where(
      inArray(
        jobHoles.jobId,
        rows.map((r) => r.id),
      ),
    )
    .orderBy(asc(jobHoles.position));
  return rows.map((row) => ({
    ...columns({ ...row, part: row.part ?? USUAL_PART, holes: [] }),
    id: row.id,
    version: row.version,
    createdAt: row.createdAt,
    updatedAt: row.updatedAt,
    holes: holes
      .filter((h) => h.jobId === row.id)
      .map(({ id, name, question, face, place, exit, edits }) => ({
        id,
        name,
        // Questions kept before a field was asked lack it.
        question: { ...BLANK_FORM, ...question },
        face,
        ...(place ? { place } : {}),
        ...(exit ? { exit } : {}),
        ...(edits ? { edits } : {}),
      })),
  }));
}

/** Jobs that are not deleted, newest change first. */
export async function listJobs(db: Writer): Promise<Job[]> {
  return withHoles(db, await db.select().from(jobs).where(isNull(jobs.deletedAt)).orderBy(desc(jobs.updatedAt)));
}

/** One job that is not deleted, or undefined. */
export async function findJob(db: Writer, id: string): Promise<Job | undefined> {
  const rows = await db
    .select()
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)));
  return (await withHoles(db, rows))[0];
}

/** Whether an id is taken, deleted rows included. */
export async function jobIdTaken(db: Writer, id: string): Promise<boolean> {
  return (await db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id))).length > 0;
}
