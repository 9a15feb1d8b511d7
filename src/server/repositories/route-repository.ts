import { and, asc, desc, eq, inArray, max } from 'drizzle-orm';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import { jobs, routes } from '../schema';
import type { Writer } from '../writing';

const issueOf = ({ route, inputs: _, ...row }: typeof routes.$inferSelect): RouteIssue => ({
  ...row,
  seconds: route.seconds,
  quantity: route.quantity,
});

/** Issued routes of a job, newest first. */
export async function listRoutes(db: Writer, jobId: string): Promise<RouteIssue[]> {
  const rows = await db.select().from(routes).where(eq(routes.jobId, jobId)).orderBy(desc(routes.number));
  return rows.map(issueOf);
}

/** The last route issued of each of some jobs, and whether the job is still as it was then. */
export async function lastIssued(
  db: Writer,
  jobIds: readonly string[],
): Promise<Map<string, { id: string; number: number; current: boolean }>> {
  if (jobIds.length === 0) return new Map();
  const rows = await db
    .select({
      id: routes.id,
      jobId: routes.jobId,
      number: routes.number,
      jobVersion: routes.jobVersion,
      workVersion: jobs.workVersion,
    })
    .from(routes)
    .innerJoin(jobs, eq(jobs.id, routes.jobId))
    .where(inArray(routes.jobId, [...jobIds]))
    .orderBy(asc(routes.number));
  return new Map(rows.map((r) => [r.jobId, { id: r.id, number: r.number, current: r.jobVersion >= r.workVersion }]));
}

/** One issued route, whole. */
export async function findRoute(db: Writer, jobId: string, number: number): Promise<FrozenRoute | undefined> {
  const [row] = await db
    .select()
    .from(routes)
    .where(and(eq(routes.jobId, jobId), eq(routes.number, number)));
  return row && { ...issueOf(row), route: row.route, inputs: row.inputs };
}

/** The issue with an id, of any job. */
export async function findIssue(db: Writer, id: string): Promise<RouteIssue | undefined> {
  const [row] = await db.select().from(routes).where(eq(routes.id, id));
  return row && issueOf(row);
}

/** Number of the last route issued of a job; 0 for none. */
export async function lastNumber(db: Writer, jobId: string): Promise<number> {
  const [row] = await db
    .select({ last: max(routes.number) })
    .from(routes)
    .where(eq(routes.jobId, jobId));
  return row?.last ?? 0;
}

export async function insertRoute(db: Writer, row: typeof routes.$inferInsert): Promise<void> {
  await db.insert(routes).values(row);
}
