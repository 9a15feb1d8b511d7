import type { Database } from '../database';
import { Refusal } from '../refusal';
import { passcodeWasRight, tryPasscode } from './attempts';
import { accessRow } from '../repositories/access-repository';
import { isPasscode } from './passcode';
import { door, knownDevice, sessionIn, type Session } from './session';

/** The passcode given lately is not asked for again, ms. */
const CONFIRMED_MS = 10 * 60_000;

/** Address that a request came from, as the server itself saw it. */
export const REMOTE = 'x-jolly-bit-remote';
/** Set by the server where a request came from this computer itself, and not through a gateway. */
export const OWN = 'x-jolly-bit-own';
/** Set by the server where a request came encrypted. */
export const SECURE = 'x-jolly-bit-secure';

/** Whether a request came from this computer itself. What serves with reload stands on loopback alone. */
const isOwn = (headers: Headers): boolean => process.env.NODE_ENV === 'development' || headers.get(OWN) === '1';

/**
 * Whether a request needs a session: it does where there is a passcode or a name on the network, and else unless it comes from
 * this computer itself. Its Host header says nothing of that.
 */
export const needsSession = (headers: Headers): boolean => door().guarded || door().locked || !isOwn(headers);

/** Whether a session cookie may go over an encrypted connection only. */
export const isSecure = (headers: Headers): boolean =>
  headers.get(SECURE) === '1' || (!isOwn(headers) && (process.env.PUBLIC_URL?.startsWith('https:') ?? false));

/** Checks a passcode, slowing those who guess. @throws Refusal 401 when it is wrong, 429 when it is too soon */
export async function checkPasscode(db: Database, request: Request, passcode: string, now = Date.now()): Promise<void> {
  const device = knownDevice(request.headers.get('cookie'));
  const from = device ? `device ${device}` : (request.headers.get(REMOTE) ?? 'unknown');
  const wait = await tryPasscode(db, from, now, device !== undefined);
  if (wait > 0) {
    const remedy = `Wait ${wait === 1 ? 'a second' : `${wait} seconds`}, then try again.`;
    throw new Refusal(
      429,
      'Too many attempts',
      remedy,
      [{ field: 'passcode', code: 'too-soon', detail: 'Too many wrong passcodes.', remedy }],
      undefined,
      wait,
    );
  }
  if (!(await isPasscode(await accessRow(db), passcode)))
    throw new Refusal(401, 'Wrong passcode', 'Wrong passcode.', [
      {
        field: 'passcode',
        code: 'passcode-wrong',
        detail: 'Wrong passcode.',
        remedy: 'Ask whoever runs the shop.',
      },
    ]);
  await passcodeWasRight(db, from, now, device !== undefined);
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
