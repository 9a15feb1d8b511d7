import type { Database } from '../database';
import { attemptsSince, forgetAttempts, writeAttempt } from '../repositories/access-repository';
import { writing } from '../writing';

/** Wrong passcodes that go without a wait, and the longest wait after more, s. */
interface Limit {
  free: number;
  longestS: number;
}
const OF_ONE: Limit = { free: 4, longestS: 300 };
/** Guessing from many addresses is slowed too, but never so long that the shop stands before a locked door. */
const OF_ALL: Limit = { free: 40, longestS: 60 };
const ALL = '*';
/** After so long without another attempt an address begins anew, ms. */
const FORGOTTEN_MS = 3_600_000;

const waitAfter = (wrong: number, { free, longestS }: Limit): number =>
  wrong <= free ? 0 : Math.min(longestS, 2 ** Math.min(20, wrong - free - 1));

/**
 * Counts an attempt as wrong before it is looked at, so that many at once are no way around the wait. Each makes the next
 * wait longer: 1 s, 2 s, 4 s ...; kept in the database, so that a restart forgets none.
 * @param address where it comes from, or the browser that was signed in before
 * @param now ms since 1970
 * @param isKnown such a browser: it is counted by itself, so that who guesses elsewhere never keeps it out
 * @returns 0, or the seconds until an attempt from here is looked at; this one is not counted then
 */
export const tryPasscode = (db: Database, address: string, now: number, isKnown = false): Promise<number> =>
  writing(db, async (tx) => {
    const rows = await attemptsSince(tx, now - FORGOTTEN_MS);
    const at = (key: string) => rows.find((r) => r.address === key) ?? { address: key, wrong: 0, notBefore: now };
    const waitMs = Math.max(at(address).notBefore, isKnown ? 0 : at(ALL).notBefore) - now;
    if (waitMs > 0) return Math.ceil(waitMs / 1000);
    const counted = [[address, OF_ONE] as const, ...(isKnown ? [] : [[ALL, OF_ALL] as const])];
    for (const [key, limit] of counted) {
      const wrong = at(key).wrong + 1;
      await writeAttempt(tx, { address: key, wrong, notBefore: now + 1000 * waitAfter(wrong, limit) });
    }
    return 0;
  });

/** A right passcode: its address begins anew, and it counts no longer among all. */
export const passcodeWasRight = (db: Database, address: string, now: number, isKnown = false): Promise<void> =>
  writing(db, async (tx) => {
    await forgetAttempts(tx, address);
    if (isKnown) return;
    const all = (await attemptsSince(tx, now - FORGOTTEN_MS)).find((r) => r.address === ALL);
    if (all) await writeAttempt(tx, { ...all, wrong: Math.max(0, all.wrong - 1), notBefore: now });
  });
