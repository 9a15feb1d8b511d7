import { isLoopback } from '../http/hosts';
import type { Database } from '../database';
import { Refusal } from '../services/refusal';
import { SlowedAttempts } from './attempts';
import { accessRow, isPasscode } from './passcode';
import { door, sessionIn, type Session } from './session';

/** The passcode given lately is not asked for again, ms. */
const CONFIRMED_MS = 10 * 60_000;

const attempts = new SlowedAttempts();

/** Address that a request came from, as the server itself saw it. */
export const REMOTE = 'x-jolly-bit-remote';

/** Whether a request needs a session: it does unless server and address are this computer's own. */
export const needsSession = (host: string | null): boolean => door().guarded || (door().locked && !isLoopback(host));

/** Checks a passcode, slowing those who guess. @throws Refusal 401 when it is wrong, 429 when it is too soon */
export async function checkPasscode(db: Database, request: Request, passcode: string): Promise<void> {
  const from = request.headers.get(REMOTE) ?? 'unknown';
  const wait = attempts.waitS(from);
  if (wait > 0)
    throw new Refusal(429, 'Too many attempts', `Wait ${wait} seconds, then try again.`, [
      {
        field: 'passcode',
        code: 'too-soon',
        detail: 'Too many wrong passcodes.',
        remedy: `Wait ${wait} seconds.`,
      },
    ]);
  // Counted before it is looked at, so that many at once are no way around it.
  attempts.wrong(from);
  if (!(await isPasscode(await accessRow(db), passcode)))
    throw new Refusal(401, 'Wrong passcode', 'Wrong passcode.', [
      {
        field: 'passcode',
        code: 'passcode-wrong',
        detail: 'Wrong passcode.',
        remedy: 'Ask whoever runs the shop.',
      },
    ]);
  attempts.right(from);
}

/** Who is at the bench by the session of a request. */
export const sessionOf = (request: Request): Promise<Session | undefined> => sessionIn(request.headers.get('cookie'));

/** Before a change of the crib or the shop. @throws Refusal 401 where the shop asks for the passcode again */
export async function mayChangeCrib(db: Database, request: Request): Promise<void> {
  const { guardsCrib, passcodeHash } = await accessRow(db);
  if (!guardsCrib || passcodeHash === null) return;
  const session = await sessionOf(request);
  if (session && Date.now() - session.confirmedAt < CONFIRMED_MS) return;
  throw new Refusal(401, 'Passcode again', 'Changing the crib and the shop needs the passcode again.', [
    {
      field: 'passcode',
      code: 'passcode-again',
      detail: 'You entered the passcode more than ten minutes ago.',
      remedy: 'Enter the passcode, then send it again.',
    },
  ]);
}
