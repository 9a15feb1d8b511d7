import { NextResponse, type NextRequest } from 'next/server';
import { needsSession } from './server/access/at-the-door';
import { door, sessionIn } from './server/access/session';
import { isOurHost } from './server/http/hosts';
import { problemResponse } from './server/http/respond';
import { Refusal } from './server/refusal';

const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A browser says where a request comes from; a page of another origin may not change anything here. */
function isForeign(request: NextRequest): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return request.headers.get('sec-fetch-site') === 'cross-site';
  try {
    return new URL(origin).host !== request.headers.get('host');
  } catch {
    return true;
  }
}

function contentSecurityPolicy(nonce: string): string {
  const dev = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

const refusal = (status: 401 | 403 | 421, title: string, field: string, detail: string, remedy: string): Response =>
  problemResponse(
    new Refusal(status, title, detail, [{ field, code: title.toLowerCase().replace(' ', '-'), detail, remedy }]),
  );

/** The answer to a request that goes no further: one for another host, or a write from a foreign page. */
function refused(request: NextRequest): Response | undefined {
  if (!isOurHost(request.headers.get('host'), process.env))
    return refusal(
      421,
      'Foreign host',
      'host',
      'This address does not belong to the server.',
      'Open it by the address that it was started with, or name that in PUBLIC_URL.',
    );
  if (!SAFE_METHODS.has(request.method) && isForeign(request))
    return refusal(
      403,
      'Foreign origin',
      'origin',
      'The page that sent this is not served from here.',
      'Open Jolly Bit itself, or send the request without a browser.',
    );
  return undefined;
}

/** What anyone may ask for: the page to sign in at, the signing in, and the script that keeps pages for when there is no network. */
const OPEN = /^\/(sign-in|api\/v1\/session|serwist\/[\w.-]+)$/;

/** The answer to one who has to sign in first: a page leads there, a program is told. */
async function stopped(request: NextRequest): Promise<Response | undefined> {
  const { pathname, search } = request.nextUrl;
  if (!needsSession(request.headers) || OPEN.test(pathname)) return undefined;
  if (!door().locked)
    return refusal(
      403,
      'No passcode',
      'session',
      'This server has no passcode, so it answers to its own computer only.',
      'Start it once with PASSCODE set; behind a gateway name its address in PUBLIC_URL too.',
    );
  if (await sessionIn(request.headers.get('cookie'))) return undefined;
  if (pathname.startsWith('/api/') || request.method !== 'GET')
    return refusal(401, 'Sign in', 'session', 'This needs the passcode.', 'POST it to /api/v1/session first.');
  const to = request.nextUrl.clone();
  to.pathname = '/sign-in';
  to.search = new URLSearchParams({ next: pathname + search }).toString();
  return NextResponse.redirect(to, 303);
}

/** Refuses requests for other hosts and writes from foreign pages, and sets the security headers of every answer. */
export async function proxy(request: NextRequest): Promise<Response> {
  const nonce = btoa(crypto.randomUUID());
  const csp = contentSecurityPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', csp);
  const response = refused(request) ?? (await stopped(request)) ?? NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', csp);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
