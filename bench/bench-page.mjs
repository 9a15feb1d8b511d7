// The bench: a record acknowledged against a bare insert, key to the next step painted, and its start without a network.
import { createClient } from '@libsql/client';
import { chromium } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { flags, wholeBrowserPath } from '../scripts/lib/browser-path.mjs';
import { served } from '../scripts/lib/browser.mjs';
import { keyFrames } from './key-frames.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-bench-'));
const PORT = 3956;
const JOB = 'sample-job-pier-adapter-plate';
const COLD_MS = 1000;
const env = { DATABASE_URL: `file:${folder}/shop.db` };
const p = (times, share) =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))];
const say = (name, figures) => console.log(JSON.stringify({ name, ...figures }));
const open = () =>
  chromium.launchPersistentContext(`${folder}/browser`, {
    executablePath: wholeBrowserPath(),
    args: flags,
    viewport: { width: 1280, height: 800 },
  });

async function post(base, url, data) {
  const got = await fetch(base + url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(data),
  });
  if (!got.ok) throw new Error(`${url}: ${got.status} ${await got.text()}`);
}

/** One row after the other into a table of the same shape in a file of its own, as durable as ours. */
async function bareInserts(n) {
  const db = createClient({ url: `file:${folder}/bare.db` });
  await db.execute('pragma journal_mode = wal');
  await db.execute('create table bare (id text primary key, kind text, job text, body text, at text)');
  const times = await timed(n, (i) =>
    db.execute({
      sql: 'insert into bare values (?, ?, ?, ?, ?)',
      args: [`bare-${i}`, 'note', JOB, JSON.stringify({ part: 1, text: `note ${i}` }), new Date().toISOString()],
    }),
  );
  db.close();
  return times;
}

async function timed(n, work) {
  const times = [];
  for (let i = 0; i < n; i++) {
    const start = performance.now();
    await work(i);
    times.push(performance.now() - start);
  }
  return times.slice(Math.floor(n / 10));
}
const acknowledged = (base, n) =>
  timed(n, (i) =>
    post(base, '/api/v1/records', {
      records: [
        {
          id: `bench-note-${i}`,
          kind: 'note',
          jobId: 'sample-job-dust-cap-ring',
          body: { part: 1, text: `note ${i}` },
        },
      ],
    }),
  );
/** The same way to the server and back, with nothing written. */
const wayThere = (base, n) => timed(n, () => post(base, '/api/v1/instruments', { line: 'caliper size 8 mm' }));

try {
  await served('.', PORT, env, async (base) => {
    const bare = await bareInserts(440);
    const way = await wayThere(base, 440);
    const ours = await acknowledged(base, 440);
    say('record acknowledged, p95, against a bare insert and the way to the server and back', {
      bareMs: p(bare, 0.95),
      wayMs: p(way, 0.95),
      acknowledgedMs: p(ours, 0.95),
      ratio: p(ours, 0.95) / (p(bare, 0.95) + p(way, 0.95)),
    });
    const { version } = await (await fetch(`${base}/api/v1/jobs/${JOB}`)).json();
    await post(base, `/api/v1/jobs/${JOB}/routes`, { id: 'bench-route-1', jobVersion: version });
    const context = await open();
    const page = await context.newPage();
    await page.goto(`${base}/jobs/${JOB}/bench`);
    await page.getByRole('progressbar', { name: 'Steps done' }).waitFor();
    await page.waitForTimeout(5000);
    say('key to the next step painted, in frames', await keyFrames(page, 'Enter'));
    say('the same four times slowed', await keyFrames(page, 'Enter', 4));
    await page.waitForTimeout(2000);
    await context.close();
  });
  const context = await open();
  await context.addInitScript(() => {
    new MutationObserver((_, seen) => {
      if (!document.querySelector('[role=progressbar]')) return;
      seen.disconnect();
      requestAnimationFrame(() => (window.usableMs = performance.now()));
    }).observe(document, { childList: true, subtree: true });
  });
  const page = await context.newPage();
  await page.goto(`http://127.0.0.1:${PORT}/jobs/${JOB}/bench`);
  await page.waitForFunction(() => window.usableMs !== undefined);
  const usableMs = await page.evaluate(() => window.usableMs);
  say('bench usable from a cold start without a network, ms against 1 s', { usableMs, ratio: usableMs / COLD_MS });
  await context.close();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
