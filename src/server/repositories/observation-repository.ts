import { and, asc, eq, inArray, isNotNull, max, sql } from 'drizzle-orm';
import type { HoleAt } from '@/core/run/bench-record';
import type { Observation } from '@/core/run/observations';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { jobProgress, jobs, observations, records, setAside } from '../schema';
import type { Writer } from '../writing';

/** An observation with the job that it is of. */
export interface JobObservation extends Observation {
  jobId: string;
}

const toolOf = ({ observed }: Observation): string | null => ('tool' in observed ? (observed.tool ?? null) : null);

/** Keeps what records of a job observe; one that is there already is as it was worked out last. */
export async function keepObservations(db: Writer, jobId: string, seen: readonly Observation[]): Promise<void> {
  if (seen.length === 0) return;
  const rows = seen.map((o) => [
    o.recordId,
    o.at.featureId,
    o.at.holeNumber,
    o.at.part,
    o.happenedAt,
    toolOf(o),
    Number(o.figures.length > 0),
    JSON.stringify(o),
  ]);
  await db
    .insert(observations)
    .select(
      sql`select value ->> 0, ${jobId}, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6, value ->> 7
        from json_each(${JSON.stringify(rows)}) where true`,
    )
    .onConflictDoUpdate({
      target: observations.recordId,
      set: {
        tool: sql`excluded.tool`,
        teaches: sql`excluded.teaches`,
        happenedAt: sql`excluded.happened_at`,
        observation: sql`excluded.observation`,
      },
    });
}

/** Takes away what records observed that were corrected since. */
export async function dropObservations(db: Writer, recordIds: readonly string[]): Promise<void> {
  if (recordIds.length > 0) await db.delete(observations).where(inArray(observations.recordId, [...recordIds]));
}

/** Takes away what some jobs observed. */
export async function forgetObserved(db: Writer, jobIds: readonly string[]): Promise<void> {
  await db.delete(observations).where(inArray(observations.jobId, [...jobIds]));
}

const rowsOf = (rows: readonly { jobId: string; observation: Observation }[]): JobObservation[] =>
  rows.map(({ jobId, observation }) => ({ ...observation, jobId }));
const FIELDS = { jobId: observations.jobId, observation: observations.observation };

const all = builtOnce((db) =>
  db
    .select({
      text: sql<string>`json_group_array(json_object('jobId', ${observations.jobId}, 'gone', ${jobs.deletedAt}, 'observation', json(${observations.observation})))`,
    })
    .from(observations)
    .innerJoin(jobs, eq(jobs.id, observations.jobId))
    .where(sql`${observations.teaches} = 1 or ${observations.tool} is not null`)
    .prepare(),
);

/** Everything from which something is learned, or that a tool did; a removed job teaches nothing, but its tools have worked. */
export async function findTeaching(db: Database): Promise<JobObservation[]> {
  const [{ text }] = await all(db).all();
  const rows = JSON.parse(text) as { jobId: string; gone: string | null; observation: Observation }[];
  return rowsOf(
    rows.map(({ gone, ...row }) =>
      gone === null ? row : { ...row, observation: { ...row.observation, figures: [] } },
    ),
  );
}

/** What was observed of one hole, in order. */
export const findOfHole = async (
  db: Writer,
  jobId: string,
  { featureId, holeNumber, part }: HoleAt,
): Promise<JobObservation[]> =>
  rowsOf(
    await db
      .select(FIELDS)
      .from(observations)
      .where(
        and(
          eq(observations.jobId, jobId),
          eq(observations.featureId, featureId),
          eq(observations.holeNumber, holeNumber),
          eq(observations.part, part),
        ),
      )
      .orderBy(asc(observations.happenedAt)),
  );

/** What holes observe that a tool worked in, in order: its own work and what was gauged there. */
export const findOfTool = async (db: Writer, tool: string, most: number): Promise<JobObservation[]> =>
  rowsOf(
    await db
      .select(FIELDS)
      .from(observations)
      .where(
        sql`(${observations.jobId}, ${observations.featureId}, ${observations.holeNumber}, ${observations.part}) in
          (select job_id, feature_id, hole_number, part from observations where tool = ${tool})`,
      )
      .orderBy(asc(observations.happenedAt))
      .limit(most),
  );

/** Jobs with records that nobody has observed yet. */
export async function findUnobserved(db: Writer): Promise<string[]> {
  const rows = await db
    .select({ jobId: records.jobId })
    .from(records)
    .leftJoin(jobProgress, eq(jobProgress.jobId, records.jobId))
    .where(isNotNull(records.jobId))
    .groupBy(records.jobId)
    .having(sql`${max(records.arrival)} > coalesce(${jobProgress.observed}, 0)`);
  return rows.flatMap(({ jobId }) => jobId ?? []);
}

export type SetAside = typeof setAside.$inferSelect;

/** What is not learned from. */
export const listSetAside = (db: Writer): Promise<SetAside[]> => db.select().from(setAside).orderBy(asc(setAside.at));

export async function putAside(db: Writer, row: { id: string; reason: string; who?: string }): Promise<void> {
  await db
    .insert(setAside)
    .values(row)
    .onConflictDoUpdate({ target: setAside.id, set: { reason: row.reason, who: row.who } });
}

export async function takeBack(db: Writer, id: string): Promise<boolean> {
  return (await db.delete(setAside).where(eq(setAside.id, id)).returning({ id: setAside.id })).length > 0;
}
