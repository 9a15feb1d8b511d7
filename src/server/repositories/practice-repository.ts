import { asc, desc, eq, inArray } from 'drizzle-orm';
import type { Assignment, PractisedInput } from '@/contracts/practice';
import type { Database } from '../database';
import { assignments, practised } from '../schema';
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
  (await db
    .select()
    .from(practised)
    .where(who === undefined ? undefined : eq(practised.who, who))
    .orderBy(asc(practised.at))) as PractisedInput[];

/** Takes away everything that was done under a name. @returns how much it was */
export const removePractised = async (db: Writer, who: string): Promise<number> =>
  (await db.delete(practised).where(eq(practised.who, who)).returning({ id: practised.id })).length;

export const listAssignments = async (db: Database): Promise<Assignment[]> =>
  (await db.select().from(assignments).orderBy(desc(assignments.at))).map(({ at: _, ...row }) => row as Assignment);

export const putAssignment = async (db: Writer, row: Assignment): Promise<void> =>
  void (await db.insert(assignments).values(row).onConflictDoUpdate({ target: assignments.id, set: row }));

export const removeAssignment = async (db: Writer, id: string): Promise<void> =>
  void (await db.delete(assignments).where(eq(assignments.id, id)));
