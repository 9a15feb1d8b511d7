import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Writer } from '../writing';
import { drillCases, drills, jobFeatures, jobProgress, jobs, routes, shop } from '../schema';

/** Whether a feature of a job that is still there is made on a machine. */
export async function isMachineUsed(db: Writer, machineId: string): Promise<boolean> {
  const [found] = await db
    .select({ id: jobFeatures.id })
    .from(jobFeatures)
    .innerJoin(jobs, eq(jobs.id, jobFeatures.jobId))
    .where(
      and(
        isNull(jobs.deletedAt),
        isNull(jobFeatures.deletedAt),
        eq(sql`json_extract(${jobFeatures.question}, '$.machine')`, machineId),
      ),
    )
    .limit(1);
  return found !== undefined;
}

/** Whether a case still holds a drill. */
export async function holdsDrills(db: Writer, caseId: string): Promise<boolean> {
  const [found] = await db.select({ id: drills.id }).from(drills).where(eq(drills.caseId, caseId)).limit(1);
  return found !== undefined;
}

/** Whether any of these jobs is still there. */
export async function anyOfJobs(db: Writer, ids: readonly string[]): Promise<boolean> {
  const rows = await db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.deletedAt));
  return rows.some((r) => ids.includes(r.id));
}

/** Whether any of these cases is still there. */
export async function anyOfCases(db: Writer, ids: readonly string[]): Promise<boolean> {
  const rows = await db.select({ id: drillCases.id }).from(drillCases);
  return rows.some((r) => ids.includes(r.id));
}

/** Gives the shop another name, where it has this one. */
export const renameShop = async (db: Writer, from: string, to: string): Promise<void> => {
  await db.update(shop).set({ name: to }).where(eq(shop.name, from));
};

/** Puts a job of the sample into the past: when its route was issued, and how far it was then. */
export async function putInPast(db: Writer, issuedAt: string, row: typeof jobProgress.$inferInsert): Promise<void> {
  await db.update(routes).set({ issuedAt }).where(eq(routes.jobId, row.jobId));
  await db.insert(jobProgress).values(row);
}
