// The production server: `node scripts/server.mjs HOST PORT`. Turns away at the door what no page or program of ours
// sends: odd methods, paths that are not text, and requests that never end.
import { createServer } from 'node:http';

const [host = '127.0.0.1', port = '3000'] = process.argv.slice(2);
const METHODS = new Set(['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']);
const LOOPBACK = /^(::1|(::ffff:)?127(\.\d{1,3}){3})$/;
/** What a gateway adds to what it passes on: who sent it is not who is connected. */
const FORWARDED = ['forwarded', 'via', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-real-ip'];
const HEADERS_MS = 10_000;
const REQUEST_MS = 60_000;
/** Exit code of a server that another start would not help; serve.mjs reads it. */
const NOT_STARTABLE = 78;

function refuse(response, status, title, detail, headers = {}) {
  const code = title.toLowerCase().replaceAll(' ', '-');
  const body = JSON.stringify({ type: `urn:jolly-bit:problem:${code}`, title, status, detail });
  response.writeHead(status, { 'content-type': 'application/problem+json; charset=utf-8', ...headers });
  response.end(body);
}

function isText(url) {
  try {
    decodeURIComponent(url.split('?')[0]);
    return url.startsWith('/');
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
const { default: next } = await import('next');
const app = next({ dev: false, hostname: host, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
const keepReadableState = await readableState();
const server = createServer((request, response) => {
  if (!METHODS.has(request.method))
    return refuse(response, 405, 'No such method', 'Use GET, POST, PUT, PATCH or DELETE.', {
      allow: [...METHODS].join(', '),
    });
  if (!isText(request.url)) return refuse(response, 400, 'Not an address', 'The path is not readable as text.');
  // Who it came from, as seen here: what a program writes into this header itself is not believed.
  keepReadableState(request.headers);
  for (const name of Object.keys(request.headers)) if (name.startsWith('x-jolly-bit-')) delete request.headers[name];
  const remote = request.socket.remoteAddress ?? 'unknown';
  request.headers['x-jolly-bit-remote'] = remote;
  if (LOOPBACK.test(remote) && !FORWARDED.some((name) => name in request.headers))
    request.headers['x-jolly-bit-own'] = '1';
  if (request.socket.encrypted) request.headers['x-jolly-bit-secure'] = '1';
  return handle(request, response);
});
server.headersTimeout = HEADERS_MS;
server.requestTimeout = REQUEST_MS;
server.on('error', (error) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is in use already. End the other server, or name another PORT.`
      : `The server cannot listen at ${host}:${port}: ${error.message}`,
  );
  process.exit(NOT_STARTABLE);
});
server.listen(Number(port), host, () => console.log(`Ready at http://${host}:${port}`));
/** Answers what was asked, then puts all data into the one file, and ends. */
let ending = false;
async function end() {
  if (ending) return;
  ending = true;
  // A stream of readings has no end of its own.
  setTimeout(() => server.closeAllConnections(), 1000).unref();
  await new Promise((resolve) => {
    server.close(resolve);
    server.closeIdleConnections();
  });
  await globalThis.jollyBitClose?.();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    void end();
    setTimeout(() => process.exit(0), 5000).unref();
  });
