import { and, eq, inArray } from 'drizzle-orm';
import type { JobSummary } from '@/core/job/summary';
import type { Database } from '../database';
import { jobSummaries } from '../schema';
import { keeping } from '../writing';

/** What a summary was made from; it holds as long as none of it changes. */
export interface MadeFrom {
  jobVersion: number;
  cribRevision: number;
  coreVersion: string;
  learnedMark: string;
}

/** Keeps the summary of a job with what it was made from. */
export const keepSummary = (db: Database, jobId: string, made: MadeFrom, summary: JobSummary): Promise<void> =>
  keeping(db, async (tx) => {
    const row = { jobId, ...made, summary };
    await tx.insert(jobSummaries).values(row).onConflictDoUpdate({ target: jobSummaries.jobId, set: row });
  });

/** Summaries of jobs that were made from this state of crib and rules. */
export const findSummaries = (
  db: Database,
  jobIds: readonly string[],
  { cribRevision, coreVersion, learnedMark }: Omit<MadeFrom, 'jobVersion'>,
): Promise<(typeof jobSummaries.$inferSelect)[]> =>
  db
    .select()
    .from(jobSummaries)
    .where(
      and(
        inArray(jobSummaries.jobId, [...jobIds]),
        eq(jobSummaries.cribRevision, cribRevision),
        eq(jobSummaries.coreVersion, coreVersion),
        eq(jobSummaries.learnedMark, learnedMark),
      ),
    );
