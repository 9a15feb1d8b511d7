import { asc, eq } from 'drizzle-orm';
import type { PunchMark, PunchMarkInput } from '@/contracts/punch';
import { punchMarks } from '../schema';
import type { Writer } from './job-repository';

/** Appends a mark; the same id sent again changes nothing. */
export async function appendPunchMark(db: Writer, jobId: string, mark: PunchMarkInput): Promise<void> {
  await db
    .insert(punchMarks)
    .values({ ...mark, jobId })
    .onConflictDoNothing();
}

/** Every mark of a job in the order in which it was recorded. */
export async function listPunchMarks(db: Writer, jobId: string): Promise<PunchMark[]> {
  const rows = await db
    .select()
    .from(punchMarks)
    .where(eq(punchMarks.jobId, jobId))
    .orderBy(asc(punchMarks.at), asc(punchMarks.id));
  return rows.map(({ id, holeId, number, dxMm, dyMm, zoneMm, corrects, at }) => ({
    id,
    holeId,
    number,
    dxMm,
    dyMm,
    zoneMm,
    at,
    ...(corrects ? { corrects } : {}),
  }));
}
