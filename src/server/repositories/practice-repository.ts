import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { Assignment, AssignmentSeen, PractisedInput } from '@/contracts/practice';
import type { Database } from '../database';
import { assignments, jobs, practised } from '../schema';
import type { Writer } from '../writing';

/** Appends what was done; what is there already stays. @returns ids that were there */
export async function appendPractised(db: Writer, rows: readonly PractisedInput[]): Promise<Set<string>> {
  const ids = rows.map((r) => r.id);
  const known = await db.select({ id: practised.id }).from(practised).where(inArray(practised.id, ids));
  await db
    .insert(practised)
    .values([...rows])
    .onConflictDoNothing();
  return new Set(known.map((k) => k.id));
}

/** Everything that was done, of one person where named, in the order in which it was done. */
export const findPractised = async (db: Database, who?: string): Promise<PractisedInput[]> =>
  (
    await db
      .select()
      .from(practised)
      .where(who === undefined ? undefined : eq(practised.who, who))
      .orderBy(asc(practised.at))
  ).map(({ jobId, ...row }) => ({ ...row, ...(jobId === null ? {} : { jobId }) }) as PractisedInput);

/** Takes away everything that was done under a name. @returns how much it was */
export const removePractised = async (db: Writer, who: string): Promise<number> =>
  (await db.delete(practised).where(eq(practised.who, who)).returning({ id: practised.id })).length;

/** What is set, the newest first, each with the name of the job that it is about. */
export const listAssignments = async (db: Database): Promise<AssignmentSeen[]> =>
  (
    await db
      .select({ row: assignments, jobId: jobs.id, jobName: jobs.name })
      .from(assignments)
      .leftJoin(jobs, and(eq(jobs.id, assignments.jobId), isNull(jobs.deletedAt)))
      .orderBy(desc(assignments.at))
  ).map(({ row: { at: _, jobId: _job, ...row }, jobId, jobName }) => ({
    ...(row as Assignment),
    ...(jobId !== null && jobName !== null ? { jobId, jobName } : {}),
  }));

export async function putAssignment(db: Writer, { id, kinds, names, due, jobId }: Assignment): Promise<void> {
  const row = { id, kinds, names, due, jobId: jobId ?? null };
  await db.insert(assignments).values(row).onConflictDoUpdate({ target: assignments.id, set: row });
}

export const removeAssignment = async (db: Writer, id: string): Promise<void> =>
  void (await db.delete(assignments).where(eq(assignments.id, id)));
