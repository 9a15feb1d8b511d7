// What must hold under kills, crowds, large jobs and odd requests, on the production build. Prints a line for each, and
// ends with 1 when one does not hold: `node bench/holds.mjs [kills crowds limits lists odd]`.
import { spawn } from 'node:child_process';
import { randomBytes, randomInt } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { browser } from '../scripts/lib/browser.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-holds-'));
const DB = `file:${folder}/shop.db`;
const PIER = 'sample-job-pier-adapter-plate';
const JSON_TYPE = { 'content-type': 'application/json' };
let broken = 0;
const children = new Set();
process.on('exit', () => children.forEach((child) => child.kill('SIGKILL')));

function said(name, holds, figures) {
  if (!holds) broken += 1;
  console.log(JSON.stringify({ name, holds, ...figures }));
}

class Server {
  constructor(port, url = DB) {
    this.base = `http://127.0.0.1:${port}`;
    this.start = async (awaited = true) => {
      this.child = spawn(process.execPath, ['scripts/server.mjs', '127.0.0.1', String(port)], {
        stdio: 'ignore',
        env: { ...process.env, DATABASE_URL: url },
      });
      children.add(this.child);
      if (awaited) await this.up();
    };
  }
  async up() {
    for (let i = 0; i < 300; i++) {
      if (
        await fetch(`${this.base}/api/v1/materials`).then(
          (r) => r.ok,
          () => false,
        )
      )
        return;
      await wait(100);
    }
    throw new Error('The server did not come up.');
  }
  kill(signal = 'SIGKILL') {
    return new Promise((resolve) => {
      this.child.once('exit', resolve);
      this.child.kill(signal);
    });
  }
}
const send = (base, method, at, body, headers = JSON_TYPE) =>
  fetch(base + at, { method, headers, body: body === undefined ? undefined : JSON.stringify(body) });
const tick = (id, jobId = PIER) => ({ id, kind: 'layout-tick', jobId, body: { line: `top x ${id}`, ticked: true } });
const percentile = (times, share) => [...times].sort((a, b) => a - b)[Math.floor(times.length * share)];

async function kills() {
  const server = new Server(3961);
  await server.start();
  const WRITES = 1000;
  const KILLS = 20;
  let acknowledged = 0;
  let sentAgain = 0;
  let next = 0;
  const writer = async () => {
    while (next < WRITES) {
      const id = `kill-${String(next++).padStart(6, '0')}`;
      for (let tries = 0; ; tries++) {
        const got = await send(server.base, 'POST', '/api/v1/records', { records: [tick(id)] }).catch(() => undefined);
        if (got?.ok) break;
        if (tries === 0) sentAgain += 1;
        await wait(50);
      }
      acknowledged += 1;
    }
  };
  const killer = async () => {
    for (let i = 1; i <= KILLS; i++) {
      while (acknowledged < (i * WRITES) / (KILLS + 1)) await wait(5);
      await wait(randomInt(20));
      await server.kill();
      await server.start();
    }
  };
  await Promise.all([killer(), writer(), writer(), writer(), writer()]);
  const { records } = await (await fetch(`${server.base}/api/v1/jobs/${PIER}/records?kind=layout-tick`)).json();
  const there = records.map((r) => r.id).filter((id) => id.startsWith('kill-'));
  said(
    '1,000 acknowledged writes under 20 kills: all there, each once',
    there.length === WRITES && new Set(there).size === WRITES,
    {
      there: there.length,
      sentAgain,
    },
  );
  await server.kill('SIGTERM');
}

/** 64 writers at once, each ten changes of jobs; what comes back by status. */
async function crowd(bases) {
  const counts = {};
  let without = 0;
  await Promise.all(
    Array.from({ length: 64 }, async (_, i) => {
      const base = bases[i % bases.length];
      for (let n = 0; n < 10; n++) {
        const id = `crowd-${i}-${n}-${randomBytes(4).toString('hex')}`;
        const job = { id, name: id, materialId: 'copper', quantity: 1, holes: [] };
        const got = await send(
          base,
          n % 2 ? 'POST' : 'POST',
          n % 2 ? '/api/v1/records' : '/api/v1/jobs',
          n % 2 ? { records: [tick(id)] } : job,
        ).catch(() => ({ status: 'refused connection', headers: new Map() }));
        counts[got.status] = (counts[got.status] ?? 0) + 1;
        if (got.status === 503 && !got.headers.get('retry-after')) without += 1;
      }
    }),
  );
  const bad = Object.keys(counts).filter((s) => Number(s) >= 500 && Number(s) !== 503);
  return { holds: bad.length === 0 && without === 0, counts };
}

async function crowds() {
  const server = new Server(3962);
  await server.start();
  const warm = await crowd([server.base]);
  said('64 writers, warm', warm.holds, warm.counts);
  await server.kill();
  const fresh = new Server(3962, `file:${folder}/fresh.db`);
  await fresh.start(false);
  while (
    !(await new Promise((resolve) =>
      connect(3962, '127.0.0.1')
        .once('connect', () => resolve(true))
        .once('error', () => resolve(false)),
    ))
  )
    await wait(5);
  const cold = await crowd([fresh.base]);
  said('64 writers in the first second of a new database', cold.holds, cold.counts);
  const second = new Server(3963, `file:${folder}/fresh.db`);
  await second.start();
  const two = await crowd([fresh.base, second.base]);
  said('64 writers on two servers of one file', two.holds, two.counts);
  await Promise.all([fresh.kill(), second.kill()]);
}

const feature = (id, place, callout = 'ø1 THRU') => ({
  id,
  name: '',
  face: 'top',
  place,
  question: {
    callout,
    material: 'steel-low-carbon',
    hole: 'auto',
    depth: '',
    thickness: '',
    width: '',
    existing: '',
    drills: 'crib',
    drill: '',
    tap: 'auto',
    percent: 'auto',
    machine: 'bench-drill-press',
    start: 'auto',
    dry: false,
    bolt: '',
    parts: '1',
    units: 'mm',
  },
});
const grid = (columns, rows, pitch) => ({ kind: 'grid', x: 1, y: 1, columns, rows, dx: pitch, dy: pitch });
const plate = (width, height) => ({
  stock: { shape: 'plate', widthMm: width, heightMm: height, thicknessMm: 8 },
  condition: '',
  datums: {},
});

async function limits() {
  const server = new Server(3964);
  await server.start();
  const made = (id, holes, part) => ({
    id,
    name: id,
    materialId: 'steel-low-carbon',
    quantity: 1,
    holes,
    ...(part ? { part } : {}),
  });
  await send(server.base, 'POST', '/api/v1/jobs', made('warm-up-01', [feature('feature-01', grid(9, 9, 3))]));
  for (const [name, holes] of [
    ['one grid of 150 x 130 at 0.01 mm', [feature('feature-01', grid(150, 130, 0.01))]],
    ['20 grids of 999 x 999', Array.from({ length: 20 }, (_, i) => feature(`feature-${i + 10}`, grid(999, 999, 0.01)))],
  ]) {
    const times = [];
    let status;
    for (let i = 0; i < 5; i++) {
      const start = performance.now();
      ({ status } = await send(server.base, 'POST', '/api/v1/jobs', made('too-many-holes', holes)));
      times.push(performance.now() - start);
    }
    const ms = percentile(times, 0.5);
    said(`${name}: refused`, status === 422 && ms < 50, { status, ms, slowestMs: Math.max(...times) });
  }
  await send(
    server.base,
    'POST',
    '/api/v1/jobs',
    made('dense-holes', [feature('feature-01', grid(50, 50, 0.5))], plate(60, 60)),
  );
  const chromium = await browser();
  const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.base}/jobs/${PIER}/plate`, { waitUntil: 'networkidle' });
  const times = [];
  let open = false;
  const other = (async () => {
    while (!open) {
      const start = performance.now();
      await (await fetch(`${server.base}/api/v1/materials`)).text();
      times.push(performance.now() - start);
      await wait(10);
    }
  })();
  const start = performance.now();
  await page.goto(`${server.base}/jobs/dense-holes/plate`);
  await page.locator('[role=application][aria-label*="2500 holes"]').waitFor({ timeout: 30_000 });
  const opened = performance.now() - start;
  open = true;
  await other;
  said(
    '2,500 holes at 0.5 mm from each other open on Plate; a small request of another meanwhile',
    Math.max(...times) < 250,
    {
      openedMs: Math.round(opened),
      slowestOtherMs: Math.round(Math.max(...times)),
    },
  );
  await chromium.close();
  await server.kill();
}

async function lists() {
  const server = new Server(3965, `file:${folder}/lists.db`);
  await server.start();
  const pageMs = async () => {
    const times = [];
    for (let i = 0; i < 15; i++) {
      const start = performance.now();
      await (await fetch(`${server.base}/jobs`)).text();
      times.push(performance.now() - start);
    }
    return percentile(times, 0.5);
  };
  const emptyMs = async () => {
    const times = [];
    for (let i = 0; i < 15; i++) {
      const start = performance.now();
      await (await fetch(`${server.base}/jobs?search=zzzzzz`)).text();
      times.push(performance.now() - start);
    }
    return percentile(times, 0.5);
  };
  const callouts = ['M8 x 16 DEEP', '4x M5 THRU', 'ø9 THRU', '1/4-20 THRU', 'ø8 H7 REAM THRU'];
  for (let i = 0; i < 2000; i++) {
    const holes = callouts
      .slice(0, 1 + (i % 5))
      .map((c, n) => feature(`feature-${n}0`, { kind: 'point', x: 10 * n, y: 10 }, c));
    await send(server.base, 'POST', '/api/v1/jobs', {
      id: `list-${String(i).padStart(6, '0')}`,
      name: `Job ${i}`,
      materialId: 'copper',
      quantity: 1,
      holes,
    });
  }
  await (await fetch(`${server.base}/jobs`)).text();
  const empty = await emptyMs();
  const full = await pageMs();
  said('2,000 jobs: first page against an empty one', full < 4 * empty, {
    fullMs: full,
    emptyMs: empty,
    ratio: full / empty,
  });

  await send(server.base, 'POST', '/api/v1/jobs', {
    id: 'two-thousand-holes',
    name: 'Two thousand',
    materialId: 'steel-low-carbon',
    quantity: 1,
    holes: Array.from({ length: 2000 }, (_, i) =>
      feature(
        `feature-${i + 1000}`,
        { kind: 'point', x: 1 + i / 4, y: 5 },
        `M${[4, 5, 6, 8, 10][i % 5]} x ${(8 + (i % 400) / 50).toFixed(2)} DEEP`,
      ),
    ),
    part: plate(600, 60),
  });
  const ask = async (n) => {
    const times = [];
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        for (let i = 0; i < n; i++) {
          const start = performance.now();
          await (
            await send(server.base, 'POST', '/api/v1/answer', {
              callout: 'M8 x 16 DEEP',
              materialId: 'copper',
              hole: { thickness: 30 },
            })
          ).text();
          times.push(performance.now() - start);
        }
      }),
    );
    return percentile(times, 0.95);
  };
  await ask(20);
  const alone = await ask(60);
  let asking = true;
  const heavy = [];
  const operations = (async () => {
    while (asking) {
      const start = performance.now();
      const got = await fetch(`${server.base}/api/v1/jobs/two-thousand-holes/operations`);
      await got.text();
      heavy.push([got.status, Math.round(performance.now() - start)]);
    }
  })();
  await wait(300);
  const beside = await ask(60);
  asking = false;
  await operations;
  said('answers of 8 clients while another asks for the operations of 2,000 holes, p95', beside <= 3 * alone, {
    aloneMs: alone,
    besideMs: beside,
    ratio: beside / alone,
    operations: heavy,
  });
  await server.kill();
}

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

async function odd() {
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

const ALL = { kills, crowds, limits, lists, odd };
const wanted = process.argv.slice(2);
try {
  for (const [name, work] of Object.entries(ALL)) if (wanted.length === 0 || wanted.includes(name)) await work();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
process.exitCode = broken > 0 ? 1 : 0;
