const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[?::1\]?)$/;
const nameIn = (header: string): string => header.toLowerCase().replace(/(?<!^:):\d{1,5}$/, '');

/** Whether a Host header, or an address to listen at, is this computer's own. */
export const isLoopback = (header: string | null): boolean => header !== null && LOOPBACK.test(nameIn(header));

/**
 * Whether a request's Host header names this server: loopback, `HOST`, or the host of `PUBLIC_URL`. Any other name may
 * have been pointed here by a foreign page.
 * @param header like "127.0.0.1:3000"; the port is not looked at, as a gateway may stand before it
 */
export function isOurHost(header: string | null, env: Readonly<Record<string, string | undefined>>): boolean {
  if (header === null) return false;
  const name = nameIn(header);
  const ours = [env.HOST?.toLowerCase(), env.PUBLIC_URL && URL.parse(env.PUBLIC_URL)?.hostname];
  return isLoopback(header) || (name !== '' && ours.includes(name));
}

/** The address that codes on paper lead to: `PUBLIC_URL`, else the one that was asked. */
export const publicAddress = (headers: Pick<Headers, 'get'>): string =>
  process.env.PUBLIC_URL?.replace(/\/+$/, '') ?? `http://${headers.get('host') ?? '127.0.0.1:3000'}`;
