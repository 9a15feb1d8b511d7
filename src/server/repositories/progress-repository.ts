import { inArray } from 'drizzle-orm';
import type { Database } from '../database';
import { jobProgress } from '../schema';
import { keeping } from '../writing';

export type ProgressRow = typeof jobProgress.$inferSelect;

/** How far some jobs were when it was worked out last, by their ids. */
export async function findProgress(db: Database, jobIds: readonly string[]): Promise<Map<string, ProgressRow>> {
  if (jobIds.length === 0) return new Map();
  const rows = await db
    .select()
    .from(jobProgress)
    .where(inArray(jobProgress.jobId, [...jobIds]));
  return new Map(rows.map((row) => [row.jobId, row]));
}

/** Keeps how far a job is. */
export const keepProgress = (db: Database, row: ProgressRow): Promise<void> =>
  keeping(db, async (tx) => {
    await tx.insert(jobProgress).values(row).onConflictDoUpdate({ target: jobProgress.jobId, set: row });
  });
