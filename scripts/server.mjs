// The production server: `node scripts/server.mjs HOST PORT`. With HTTPS_PORT it serves encrypted there, and over plain http
// tells tablets how to trust it. Turns away at the door what no page or program of ours
// sends: odd methods, paths that are not text, and requests that never end.
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { hostname } from 'node:os';
import path from 'node:path';
import { namesHere, shopCertificate, trustPage } from './lib/certificate.mjs';

const [host = '127.0.0.1', port = '3000'] = process.argv.slice(2);
const METHODS = new Set(['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']);
const LOOPBACK = /^(::1|(::ffff:)?127(\.\d{1,3}){3})$/;
/** What a gateway adds to what it passes on: who sent it is not who is connected. */
const FORWARDED = ['forwarded', 'via', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-real-ip'];
const HEADERS_MS = 10_000;
const REQUEST_MS = 60_000;
/** Longer than browsers and gateways keep a connection: who sends on one just then must not find it closed. */
const KEEP_ALIVE_MS = 75_000;
/** Exit code of a server that another start would not help; serve.mjs reads it. */
const NOT_STARTABLE = 78;

function refuse(response, status, title, detail, headers = {}) {
  const code = title.toLowerCase().replaceAll(' ', '-');
  const body = JSON.stringify({ type: `urn:jolly-bit:problem:${code}`, title, status, detail });
  response.writeHead(status, { 'content-type': 'application/problem+json; charset=utf-8', ...headers });
  response.end(body);
}

/** Control characters in an address, but the tab and the ends of lines, which a question may hold. */
const CONTROL = /%(0[0-8bcef]|1[0-9a-f]|7f)/i;

/** Whether an address is one of ours to read: a path, and not one that begins with another host. */
function isText(url) {
  try {
    decodeURIComponent(url.split('?')[0]);
    return /^\/(?![/\\])/.test(url) && !CONTROL.test(url);
  } catch {
    return false;
  }
}

const STATE = 'next-router-state-tree';
/** Drops what a browser never sends: a router state that cannot be read, which would end in a fault deep inside. */
async function readableState() {
  const { parseAndValidateFlightRouterState: parse } =
    await import('next/dist/server/app-render/parse-and-validate-flight-router-state.js');
  return (headers) => {
    try {
      parse(headers[STATE]);
    } catch {
      Reflect.deleteProperty(headers, STATE);
    }
  };
}

process.env.NODE_ENV ??= 'production';
process.env.HOST = host;
const securePort = process.env.HTTPS_PORT;
// The name by which the shop calls it; tablets are led there.
if (securePort) process.env.PUBLIC_URL ??= `https://${hostname()}:${securePort}`;
const publicUrl = process.env.PUBLIC_URL;
const { default: next } = await import('next');
const app = next({ dev: false, hostname: host, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
const keepReadableState = await readableState();
const secure =
  securePort &&
  (await shopCertificate(
    path.join(path.dirname((process.env.DATABASE_URL ?? 'file:data/jolly-bit.db').replace(/^file:/, '')), 'https'),
    namesHere([publicUrl && new URL(publicUrl).hostname, host]),
  ));

/** What is open over plain http where the server is encrypted: how to trust it, and the way there. */
function plain(request, response) {
  const { pathname } = new URL(request.url, 'http://shop');
  if (pathname === '/shop-ca.crt') {
    response.writeHead(200, {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="shop-ca.crt"',
    });
    return response.end(secure.authority);
  }
  if (pathname === '/trust') {
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' });
    return response.end(trustPage(publicUrl, secure.fingerprint));
  }
  response.writeHead(302, { location: pathname === '/' ? '/trust' : new URL(request.url, publicUrl).href });
  return response.end();
}

const answer = (request, response) => {
  if (!METHODS.has(request.method))
    return refuse(response, 405, 'No such method', 'Use GET, POST, PUT, PATCH or DELETE.', {
      allow: [...METHODS].join(', '),
    });
  if (!isText(request.url))
    return refuse(response, 400, 'Not an address', 'The address is not readable as text, or has control characters.');
  // Who it came from, as seen here: what a program writes into this header itself is not believed.
  keepReadableState(request.headers);
  for (const name of Object.keys(request.headers))
    if (name.startsWith('x-jolly-bit-')) Reflect.deleteProperty(request.headers, name);
  const remote = request.socket.remoteAddress ?? 'unknown';
  const trusts = /^\/(trust|shop-ca\.crt)(\?|$)/.test(request.url);
  if (secure && !request.socket.encrypted && (trusts || !LOOPBACK.test(remote))) return plain(request, response);
  request.headers['x-jolly-bit-remote'] = remote;
  if (LOOPBACK.test(remote) && !FORWARDED.some((name) => name in request.headers))
    request.headers['x-jolly-bit-own'] = '1';
  if (request.socket.encrypted) request.headers['x-jolly-bit-secure'] = '1';
  // A gateway may not keep for a year what tells a browser which build to use.
  if (request.url.startsWith('/serwist/')) {
    const set = response.setHeader.bind(response);
    response.setHeader = (name, value) => set(name, /^cache-control$/i.test(name) ? 'no-cache' : value);
  }
  return handle(request, response);
};
const listeners = [
  { server: createServer(answer), at: port, scheme: 'http' },
  ...(secure ? [{ server: createSecureServer(secure, answer), at: securePort, scheme: 'https' }] : []),
];
for (const { server, at, scheme } of listeners) {
  server.headersTimeout = HEADERS_MS;
  server.requestTimeout = REQUEST_MS;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.on('error', (error) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${at} is in use already. End the other server, or name another ${scheme === 'https' ? 'HTTPS_PORT' : 'PORT'}.`
        : `The server cannot listen at ${host}:${at}: ${error.message}`,
    );
    process.exit(NOT_STARTABLE);
  });
  server.listen(Number(at), host, () => console.log(`Ready at ${scheme}://${host}:${at}`));
}
if (secure)
  console.log(
    `Tablets: open http://${new URL(publicUrl).hostname}:${port}/trust once, then ${publicUrl}\nFingerprint of the shop's certificate: ${secure.fingerprint}`,
  );
/** Answers what was asked, then puts all data into the one file, and ends. */
let ending = false;
async function end() {
  if (ending) return;
  ending = true;
  // A stream of readings has no end of its own.
  setTimeout(() => listeners.forEach(({ server }) => server.closeAllConnections()), 1000).unref();
  await Promise.all(
    listeners.map(
      ({ server }) =>
        new Promise((resolve) => {
          server.close(resolve);
          server.closeIdleConnections();
        }),
    ),
  );
  await globalThis.jollyBitClose?.();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    void end();
    setTimeout(() => process.exit(0), 5000).unref();
  });
