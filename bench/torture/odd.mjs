import { randomBytes, randomInt } from 'node:crypto';
import { connect } from 'node:net';
import { PIER, said, Server } from './lib.mjs';

/** A request as bytes on a socket; the status of the answer, or what came instead. */
function raw(port, text) {
  return new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => socket.write(text));
    let got = '';
    const end = () => (socket.destroy(), resolve(/^HTTP\/1\.1 (\d+)/.exec(got)?.[1] ?? 'closed'));
    socket.setTimeout(15_000, end);
    socket.on('data', (chunk) => {
      got += chunk.toString('latin1');
      end();
    });
    socket.on('error', end).on('close', end);
  });
}

export async function odd() {
  const server = new Server(3966);
  await server.start();
  const pick = (list) => list[randomInt(list.length)];
  const paths = [
    '/',
    '/jobs',
    `/jobs/${PIER}`,
    `/jobs/${PIER}/plate`,
    `/jobs/${PIER}/holes`,
    `/jobs/${PIER}/card`,
    `/jobs/${PIER}/template.pdf`,
    '/crib',
    '/sign-in',
    '/api/v1/answer',
    '/api/v1/jobs',
    `/api/v1/jobs/${PIER}`,
    `/api/v1/jobs/${PIER}/features/sample-hole-plate-circle`,
    `/api/v1/jobs/${PIER}/operations`,
    `/api/v1/jobs/${PIER}/records`,
    '/api/v1/records',
    '/api/v1/threads',
    '/api/v1/drills',
    '/api/v1/crib/drills',
    '/api/v1/crib/machines/lathe',
    '/api/v1/crib/import',
    '/api/v1/shop',
    '/api/v1/session',
    '/api/v1/access',
    '/api/openapi.json',
  ];
  const methods = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS', 'PROPFIND', 'TRACE', 'FOO', 'get'];
  const junk = () =>
    pick([
      '%',
      '%E0%A4%A',
      '%00',
      '..%2f',
      '\\',
      '{',
      'é',
      '%f0%9f%94%a9',
      'a'.repeat(300),
      '?page=-1',
      '?page=1e9',
      '?search=%25%27--',
      '?units=cubits',
      '?version=x',
      ';',
    ]);
  const value = (depth = 0) =>
    pick(
      [
        null,
        true,
        0,
        -1,
        1e308,
        'M8',
        '',
        '\u0000',
        'x'.repeat(500),
        [],
        {},
        () => Array.from({ length: 3 }, () => value(depth + 1)),
        () => ({
          id: value(2),
          version: 1,
          head: { version: 1, set: {} },
          records: [value(2)],
          features: [{ id: 'x'.repeat(9), version: 1, set: {} }],
          callout: value(2),
          holes: [value(2)],
        }),
      ].slice(0, depth > 1 ? 11 : 13),
    );
  const body = () => {
    const made = value();
    return randomInt(6) === 0
      ? randomBytes(randomInt(200)).toString('latin1')
      : JSON.stringify(typeof made === 'function' ? made() : made, (_, v) => (typeof v === 'function' ? v() : v));
  };
  const counts = {};
  const worst = [];
  let left = 10_000;
  await Promise.all(
    Array.from({ length: 16 }, async () => {
      while (left-- > 0) {
        const method = pick(methods);
        const at = pick(paths) + (randomInt(3) === 0 ? junk() : '');
        const content = ['GET', 'HEAD'].includes(method) ? '' : body();
        const bytes = Buffer.byteLength(content, 'latin1');
        const type = pick([
          'application/json',
          'text/plain',
          'multipart/form-data; boundary=x',
          'application/x-www-form-urlencoded',
          '',
        ]);
        const status = await raw(
          3966,
          Buffer.from(
            `${method} ${at} HTTP/1.1\r\nhost: 127.0.0.1:3966\r\nconnection: close\r\n${type && `content-type: ${type}\r\n`}${bytes ? `content-length: ${bytes}\r\n` : ''}${randomInt(8) ? '' : 'rsc: 1\r\nnext-router-state-tree: %5B%5D\r\n'}${randomInt(9) ? '' : 'next-action: x\r\n'}\r\n${content}`,
            'latin1',
          ),
        );
        counts[status] = (counts[status] ?? 0) + 1;
        if (Number(status) >= 500 && Number(status) !== 503 && worst.length < 10)
          worst.push(`${status} ${method} ${at} ${type} ${content.slice(0, 120)}`);
      }
    }),
  );
  const bad = Object.keys(counts).filter((s) => Number(s) >= 500 && Number(s) !== 503);
  said('10,000 odd requests', bad.length === 0 && (await fetch(server.base)).ok, {
    counts,
    ...(worst.length ? { worst } : {}),
  });
  await server.kill();
}
