import { hash, verify } from '@node-rs/argon2';
import { LEAST_PASSCODE } from '@/contracts/session';
import { repaired } from '@/core/answer/sound-text';
import type { Database } from '../database';
import { writePasscode, type AccessRow } from '../repositories/access-repository';

/**
 * Sets the passcode; everyone who is signed in has to sign in again.
 * @throws Error when it is shorter than eight characters
 */
export async function setPasscode(db: Database, passcode: string): Promise<void> {
  if (passcode.length < LEAST_PASSCODE) throw new Error(`A passcode has at least ${LEAST_PASSCODE} characters.`);
  await writePasscode(db, await hash(repaired(passcode)));
}

/** Whether this is the passcode (argon2id); false where there is none. */
export const isPasscode = async (row: AccessRow, passcode: string): Promise<boolean> =>
  row.passcodeHash !== null && verify(row.passcodeHash, repaired(passcode));
