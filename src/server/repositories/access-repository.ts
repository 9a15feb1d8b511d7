import { randomBytes } from 'node:crypto';
import { eq, isNull, lt, sql } from 'drizzle-orm';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { access, endedSessions, signInAttempts } from '../schema';
import { writing, type Writer } from '../writing';

export interface AccessRow {
  passcodeHash: string | null;
  sessionKey: string;
  guardsCrib: boolean;
  nameKey: string;
}

const ROW = 'access';
const newKey = (): string => randomBytes(32).toString('hex');

/** Who may come in; made with keys of its own where there are none yet. */
export async function accessRow(db: Database): Promise<AccessRow> {
  const [row] = await db.select().from(access);
  if (row?.nameKey) return { ...row, nameKey: row.nameKey };
  await writing(db, async (tx) => {
    await tx.insert(access).values({ id: ROW, sessionKey: newKey() }).onConflictDoNothing();
    await tx.update(access).set({ nameKey: newKey() }).where(isNull(access.nameKey));
  });
  return accessRow(db);
}

/** Keeps the hash of a passcode under a new key, so that everyone who is signed in has to sign in again. */
export async function writePasscode(db: Database, passcodeHash: string): Promise<void> {
  const row = { passcodeHash, sessionKey: newKey() };
  await writing(db, (tx) =>
    tx
      .insert(access)
      .values({ id: ROW, ...row })
      .onConflictDoUpdate({ target: access.id, set: row }),
  );
}

/** Sets whether changing the crib asks for the passcode again. */
export const setGuardsCrib = (db: Database, guardsCrib: boolean): Promise<void> =>
  writing(db, async (tx) => void (await tx.update(access).set({ guardsCrib })));

/**
 * Ends a session before it runs out.
 * @param ranOut when those ended until then would have run out by now, ISO 8601: they are forgotten
 */
export const endSession = (db: Database, id: string, ranOut: string): Promise<void> =>
  writing(db, async (tx) => {
    await tx.delete(endedSessions).where(lt(endedSessions.at, ranOut));
    await tx.insert(endedSessions).values({ id }).onConflictDoNothing();
  });

const ended = builtOnce((db) =>
  db
    .select({ id: endedSessions.id })
    .from(endedSessions)
    .where(eq(endedSessions.id, sql.placeholder('id')))
    .prepare(),
);

/** Whether a session was ended. */
export const isEnded = async (db: Database, id: string): Promise<boolean> => (await ended(db).all({ id })).length > 0;

export type Attempt = typeof signInAttempts.$inferSelect;

/** Wrong passcodes by address, those of long ago forgotten. @param before ms since 1970 */
export async function attemptsSince(tx: Writer, before: number): Promise<Attempt[]> {
  await tx.delete(signInAttempts).where(lt(signInAttempts.notBefore, before));
  return tx.select().from(signInAttempts);
}

export async function writeAttempt(tx: Writer, row: Attempt): Promise<void> {
  await tx.insert(signInAttempts).values(row).onConflictDoUpdate({ target: signInAttempts.address, set: row });
}

export async function forgetAttempts(tx: Writer, address: string): Promise<void> {
  await tx.delete(signInAttempts).where(eq(signInAttempts.address, address));
}
