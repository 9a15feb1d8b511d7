import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { LEAST_PASSCODE } from '@/contracts/session';
import type { Database } from '../database';
import { access } from '../schema';
import { writing } from '../writing';

export interface AccessRow {
  passcodeHash: string | null;
  sessionKey: string;
  guardsCrib: boolean;
}

const ROW = 'access';
const newKey = (): string => randomBytes(32).toString('hex');

/** Who may come in; made with a key of its own where there is none yet. */
export async function accessRow(db: Database): Promise<AccessRow> {
  const [row] = await db.select().from(access);
  if (row) return row;
  await writing(db, (tx) => tx.insert(access).values({ id: ROW, sessionKey: newKey() }).onConflictDoNothing());
  return (await db.select().from(access))[0];
}

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
