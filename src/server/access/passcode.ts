import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { eq, isNull, lt, sql } from 'drizzle-orm';
import { LEAST_PASSCODE } from '@/contracts/session';
import { builtOnce } from '../built-once';
import type { Database } from '../database';
import { access, endedSessions } from '../schema';
import { writing } from '../writing';
import { SESSION_MS } from './session';

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

/** Ends a session before it runs out; those that would have run out by now are forgotten. */
export const endSession = (db: Database, id: string): Promise<void> =>
  writing(db, async (tx) => {
    await tx.delete(endedSessions).where(lt(endedSessions.at, new Date(Date.now() - SESSION_MS).toISOString()));
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

/**
 * Sets the passcode; everyone who is signed in has to sign in again.
 * @throws Error when it is shorter than eight characters
 */
export async function setPasscode(db: Database, passcode: string): Promise<void> {
  if (passcode.length < LEAST_PASSCODE) throw new Error(`A passcode has at least ${LEAST_PASSCODE} characters.`);
  const row = { passcodeHash: await hash(passcode), sessionKey: newKey() };
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

/** Whether this is the passcode (argon2id); false where there is none. */
export const isPasscode = async (row: AccessRow, passcode: string): Promise<boolean> =>
  row.passcodeHash !== null && verify(row.passcodeHash, passcode);
