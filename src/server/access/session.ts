import { createHmac, timingSafeEqual } from 'node:crypto';
import { sealData, unsealData } from 'iron-session';

/** Who is signed in, sealed in a cookie. */
export interface Session {
  /** Its own, so that it can be ended before it runs out. */
  id: string;
  who: string;
  /** When the passcode was given last, ms since 1970. */
  confirmedAt: number;
}

export const COOKIE = 'jolly-bit-session';
/** A tablet at a machine stays signed in for a month. */
const TTL_S = 30 * 24 * 3600;
export const SESSION_MS = 1000 * TTL_S;

/** What a server asks of those who come: set once, when it starts. */
export interface Door {
  /** It stands open to the network, or has a name there: a session is needed, by whatever address one comes. */
  guarded: boolean;
  /** There is a passcode. */
  locked: boolean;
  /** Seals sessions. */
  key: string;
  /** Signs names. */
  nameKey: string;
  /** Whether a session was signed out of. */
  isEnded: (id: string) => Promise<boolean>;
}

const CLOSED: Door = { guarded: true, locked: true, key: '', nameKey: '', isEnded: () => Promise.resolve(true) };
const shared = globalThis as { jollyBitDoor?: Door };
/** The server's door; closed until the server has started. */
export const door = (): Door => shared.jollyBitDoor ?? CLOSED;
export const setDoor = (next: Door): void => {
  shared.jollyBitDoor = next;
};

/** The session in a Cookie header; undefined for none, an old or ended one, or one that was not sealed here. */
export async function sessionIn(cookies: string | null): Promise<Session | undefined> {
  const { key, isEnded } = door();
  const sealed = new RegExp(`(?:^|;\\s*)${COOKIE}=([^;]+)`).exec(cookies ?? '')?.[1];
  if (!sealed || key === '') return undefined;
  try {
    const { id, who, confirmedAt } = await unsealData<Partial<Session>>(decodeURIComponent(sealed), {
      password: key,
      ttl: TTL_S,
    });
    return typeof id === 'string' && typeof who === 'string' && typeof confirmedAt === 'number' && !(await isEnded(id))
      ? { id, who, confirmedAt }
      : undefined;
  } catch {
    return undefined;
  }
}

const attributes = (value: string, maxAgeS: number, secure: boolean): string =>
  `${COOKIE}=${encodeURIComponent(value)}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${maxAgeS}${secure ? '; Secure' : ''}`;

/** A Set-Cookie header that signs in. */
export const sessionCookie = async (session: Session, secure: boolean): Promise<string> =>
  attributes(await sealData(session, { password: door().key, ttl: TTL_S }), TTL_S, secure);

/** A Set-Cookie header that signs out. */
export const endedCookie = (secure: boolean): string => attributes('', 0, secure);

const DEVICE = 'jolly-bit-device';
/** A browser that was signed in once is known by this for a year, signed in or not. */
const DEVICE_S = 365 * 24 * 3600;
const deviceMark = (id: string): string =>
  createHmac('sha256', door().nameKey).update(`device ${id}`).digest('base64url');

/** A Set-Cookie header by which a browser is known again. */
export const deviceCookie = (id: string, secure: boolean): string =>
  `${DEVICE}=${id}.${deviceMark(id)}; Path=/api/v1/session; HttpOnly; SameSite=Strict; Max-Age=${DEVICE_S}${secure ? '; Secure' : ''}`;

/** Which browser that was signed in here before sends this; undefined for none, or a token that was not made here. */
export function knownDevice(cookies: string | null): string | undefined {
  const [, id, mark] = new RegExp(`(?:^|;\\s*)${DEVICE}=([\\w-]{8,64})\\.([\\w-]+)`).exec(cookies ?? '') ?? [];
  if (id === undefined || door().nameKey === '') return undefined;
  const [given, right] = [Buffer.from(mark), Buffer.from(deviceMark(id))];
  return given.length === right.length && timingSafeEqual(given, right) ? id : undefined;
}

/** What shows later, without a session, that a name was signed in here when something was made under it. */
export const markOf = (who: string): string => createHmac('sha256', door().nameKey).update(who).digest('base64url');

/** Whether a mark is of this name and was made here. */
export function isMarkOf(who: string, mark: string): boolean {
  const [given, right] = [Buffer.from(mark), Buffer.from(markOf(who))];
  return door().nameKey !== '' && given.length === right.length && timingSafeEqual(given, right);
}
