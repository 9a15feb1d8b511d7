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
const INCH =
  '/?callout=1/4-20+UNC-2B+x+.5+DEEP&thickness=13/16&machine=knee-mill&material=stainless-austenitic&units=inch';
const DESK = { width: 1280, height: 800 };
const SHOTS = [
  ['ask', ASK, DESK],
  ['ask-inch', INCH, DESK],
  ['ask-phone', ASK, { width: 390, height: 844 }],
  ['jobs', '/jobs', DESK],
  ['job', '/jobs/sample-job-pier-adapter-plate', DESK],
  ['plate', '/jobs/sample-job-pier-adapter-plate/plate', DESK],
  ['plate-phone', '/jobs/sample-job-bearing-block/plate', { width: 390, height: 844 }],
  ['card', '/jobs/sample-job-bearing-block/card', DESK],
  ['holes', '/jobs/sample-job-pier-adapter-plate/holes', DESK],
  ['holes-phone', '/jobs/sample-job-bearing-block/holes', { width: 390, height: 844 }],
  ['crib', '/crib', DESK],
  ['crib-drills', '/crib?tab=drills', DESK],
  ['crib-tools', '/crib?tab=tools', DESK],
  ['crib-taps', '/crib?tab=taps', DESK],
  ['crib-habits', '/crib?tab=habits', DESK],
  ['route', '/jobs/sample-job-spreader-bars/route', DESK],
  ['thread', '/thread', DESK],
  ['heights', '/jobs/sample-job-pier-adapter-plate/sheet?face=top', DESK],
];

await installed();
await build();
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-pictures-'));
const chromium = await browser();
const wanted = process.argv.slice(2);
try {
  await served('.', PORT, { DATABASE_URL: `file:${folder}/shop.db` }, async (base) => {
    for (const [name, address, viewport] of SHOTS) {
      if (wanted.length > 0 && !wanted.includes(name)) continue;
      const page = await chromium.newPage({ ...devices['Desktop Chrome'], viewport });
      await page.goto(base + address, { waitUntil: 'networkidle' });
      await page.screenshot({ path: `docs/screenshots/${name}.png` });
      await page.close();
    }
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
