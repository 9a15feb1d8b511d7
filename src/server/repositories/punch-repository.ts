import { and, asc, eq } from 'drizzle-orm';
import type { PunchMark, PunchMarkInput } from '@/contracts/punch';
import { layoutTicks, punchMarks } from '../schema';
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
  return rows.map(({ id, holeId, number, dxMm, dyMm, zoneMm, corrects, means, at }) => ({
    id,
    holeId,
    number,
    dxMm,
    dyMm,
    zoneMm,
    at,
    ...(corrects ? { corrects } : {}),
    ...(means ? { means } : {}),
  }));
}

/** Ticks a line of the layout sheet, or takes the tick off; doing either twice changes nothing. */
export async function setTick(db: Writer, jobId: string, line: string, ticked: boolean): Promise<void> {
  if (ticked) await db.insert(layoutTicks).values({ jobId, line }).onConflictDoNothing();
  else await db.delete(layoutTicks).where(and(eq(layoutTicks.jobId, jobId), eq(layoutTicks.line, line)));
}

/** The lines of a job's layout sheets that are ticked. */
export async function listTicks(db: Writer, jobId: string): Promise<string[]> {
  return (await db.select().from(layoutTicks).where(eq(layoutTicks.jobId, jobId))).map((row) => row.line).sort();
}
