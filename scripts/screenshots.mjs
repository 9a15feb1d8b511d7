#!/usr/bin/env node
// One current picture of each main view, from the sample shop, into docs/screenshots.
import { spawn } from 'node:child_process';
import { chromium, devices } from '@playwright/test';
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
  ['crib', '/crib', DESK],
];

await installed();
await build();
const server = spawn(process.execPath, ['e2e/serve-sample.mjs', String(PORT)], { stdio: 'ignore' });
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  for (let i = 0; i < 60; i++) {
    if (
      await fetch(`http://127.0.0.1:${PORT}/`)
        .then((r) => r.ok)
        .catch(() => false)
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  const wanted = process.argv.slice(2);
  for (const [name, path, viewport] of SHOTS) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const page = await browser.newPage({ ...devices['Desktop Chrome'], viewport });
    await page.goto(`http://127.0.0.1:${PORT}${path}`, { waitUntil: 'networkidle' });
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
  }
} finally {
  await browser.close();
  server.kill();
}
