#!/usr/bin/env node
// One current picture of each main view, from the sample shop, into docs/screenshots.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { devices } from '@playwright/test';
import { browser, served } from './lib/browser.mjs';
import { build, installed } from './lib/steps.mjs';

const PORT = 3953;
const ASK = '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press&units=mm';
const DESK = { width: 1280, height: 800 };
const PIER = 'sample-job-pier-adapter-plate';
const SHOTS = [
  ['ask', ASK, DESK],
  ['ask-phone', ASK, { width: 390, height: 844 }],
  ['jobs', '/jobs', DESK],
  ['job', '/jobs/sample-job-pier-adapter-plate', DESK],
  ['plate', '/jobs/sample-job-pier-adapter-plate/plate', DESK],
  ['card', '/jobs/sample-job-bearing-block/card', DESK],
  ['holes', '/jobs/sample-job-pier-adapter-plate/holes', DESK],
  ['crib', '/crib', DESK],
  ['crib-drills', '/crib?tab=drills', DESK],
  ['route', '/jobs/sample-job-pier-adapter-plate/route', DESK],
  ['bench', `/jobs/${PIER}/bench`, DESK],
  ['check', `/jobs/${PIER}/check`, DESK],
  ['papers', `/jobs/${PIER}/papers`, DESK],
  ['log', '/log?q=broken', DESK],
  ['learned', '/log/learned', DESK],
  ['tool', '/log/tool?tool=tap+tap-m6x1-spiral-point', DESK],
  ['hole', '/jobs/sample-job-cell-pads/holes/sample-hole-past-pad/1?part=5', DESK],
  ['practice', '/practice/tap', DESK],
  ['thread', '/thread', DESK],
];

async function post(base, path, data) {
  const got = await fetch(base + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(data),
  });
  if (!got.ok) throw new Error(`${path}: ${await got.text()}`);
}

/** The five months of the sample shop fill in beside all else. */
async function past(base) {
  const found = async () => (await (await fetch(`${base}/api/v1/log?q=drive+brackets+tapped`)).json()).entries;
  while ((await found()).length === 0) await new Promise((resolve) => setTimeout(resolve, 300));
}

/** The pier plate at work: laid out and started, some holes gauged, one mark drifting to the right. */
async function atWork(base) {
  const { version } = await (await fetch(`${base}/api/v1/jobs/${PIER}`)).json();
  await post(base, `/api/v1/jobs/${PIER}/routes`, { id: 'picture-route', jobVersion: version });
  const { route } = await (await fetch(`${base}/api/v1/jobs/${PIER}/routes/1`)).json();
  const items = route.setUps.flatMap((s) => s.visits.flatMap((v) => v.items));
  const upTo = items.findIndex((i) => i.code === 'drill');
  const record = (i, n, kind, body) => ({
    id: `picture-${kind}-${n}`,
    kind,
    jobId: PIER,
    featureId: i.featureId,
    holeNumber: i.hole,
    body,
  });
  const done = items
    .slice(0, upTo)
    .map((i, n) =>
      record(i, n, 'step-done', { step: [i.featureId, i.hole, i.opKey, 1].join('/'), part: 1, seconds: i.seconds }),
    );
  const gauged = items
    .filter((i) => i.code === 'check')
    .slice(0, 6)
    .map((i, n) => {
      const off = [0.06, 0.11, 0.02, 0.09, 0.31, 0.05][n];
      const values = { x: i.x + off, y: i.y + off / 3 - 0.04 };
      return record(i, n, 'checked', { part: 1, check: 'position', values, verdict: off > 0.2 ? 'bad' : 'good' });
    });
  const clamped = { id: 'picture-clamp', kind: 'step-done', jobId: PIER };
  const [first] = route.setUps.filter((s) => s.machine);
  await post(base, '/api/v1/records', {
    records: [...done, ...gauged, { ...clamped, body: { step: `clamp/${first.key}/1`, part: 1 } }],
  });
}

/** The route with what its rehearsal came to. */
async function rehearsed(page) {
  await page.getByRole('button', { name: 'Rehearse the job' }).click();
  await page.getByRole('button', { name: 'Once more, other luck' }).waitFor();
  await page.getByRole('region', { name: 'Rehearsal' }).evaluate((panel) => panel.scrollIntoView());
}

await installed();
await build();
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-pictures-'));
const chromium = await browser();
const wanted = process.argv.slice(2);
try {
  await served('.', PORT, { DATABASE_URL: `file:${folder}/shop.db`, JOLLY_BIT_SEED: 'sample' }, async (base) => {
    await past(base);
    if (wanted.length === 0 || wanted.some((w) => w === 'bench' || w === 'check')) await atWork(base);
    for (const [name, address, viewport] of SHOTS) {
      if (wanted.length > 0 && !wanted.includes(name)) continue;
      const page = await chromium.newPage({ ...devices['Desktop Chrome'], viewport });
      await page.goto(base + address, { waitUntil: 'networkidle' });
      // A quiet network is no drawn page: what says that it is still opening is waited for.
      await page.waitForFunction(() => !/Opening.*…/.test(document.body.innerText));
      if (name === 'route') await rehearsed(page);
      await page.screenshot({ path: `docs/screenshots/${name}.png` });
      await page.close();
    }
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
