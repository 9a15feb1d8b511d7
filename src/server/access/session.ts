import { sealData, unsealData } from 'iron-session';

/** Who is signed in, sealed in a cookie. */
export interface Session {
  who: string;
  /** When the passcode was given last, ms since 1970. */
  confirmedAt: number;
}

export const COOKIE = 'jolly-bit-session';
/** A tablet at a machine stays signed in for a month. */
const TTL_S = 30 * 24 * 3600;

/** What a server asks of those who come: set once, when it starts. */
export interface Door {
  /** A passcode is needed, by whatever address one comes. */
  guarded: boolean;
  /** There is a passcode. */
  locked: boolean;
  key: string;
}

const shared = globalThis as { jollyBitDoor?: Door };
/** The server's door; closed until the server has started. */
export const door = (): Door => shared.jollyBitDoor ?? { guarded: true, locked: true, key: '' };
export const setDoor = (next: Door): void => {
  shared.jollyBitDoor = next;
};

/** The session in a Cookie header; undefined for none, an old one, or one that was not sealed here. */
export async function sessionIn(cookies: string | null): Promise<Session | undefined> {
  const { key } = door();
  const sealed = new RegExp(`(?:^|;\\s*)${COOKIE}=([^;]+)`).exec(cookies ?? '')?.[1];
  if (!sealed || key === '') return undefined;
  try {
    const session = await unsealData<Partial<Session>>(decodeURIComponent(sealed), { password: key, ttl: TTL_S });
    return typeof session.who === 'string' && typeof session.confirmedAt === 'number'
      ? (session as Session)
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
