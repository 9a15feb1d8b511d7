// Whether the page stays responsive while a route of 2,000 holes is planned: its longest task against 100 ms.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';
import { GRID, putHoles } from './many-holes.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-route-'));
const chromium = await browser();
const LIMIT_MS = 100;

try {
  await served('.', 3955, { DATABASE_URL: `file:${folder}/shop.db` }, async (base) => {
    const id = 'sample-job-dust-cap-ring';
    await putHoles(base, id, GRID);
    const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${base}/jobs/${id}/route`);
    await page.getByLabel('Other machines').or(page.getByLabel('Issues')).first().waitFor();
    // From the first plan on: a change of the order is planned anew while the page is used.
    const whenPlanned = () =>
      page.getByRole('progressbar', { name: 'Planning' }).waitFor({ state: 'detached', timeout: 60000 });
    await whenPlanned();
    await page.evaluate(() => {
      window.tasks = [];
      new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((e) => e.duration))).observe({
        type: 'longtask',
      });
    });
    await page.reload();
    await page.evaluate(() => {
      window.tasks = [];
      new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((e) => e.duration))).observe({
        type: 'longtask',
        buffered: true,
      });
    });
    await page
      .getByRole('progressbar', { name: 'Planning' })
      .waitFor({ timeout: 5000 })
      .catch(() => undefined);
    const started = Date.now();
    await whenPlanned();
    const longestMs = Math.max(0, ...(await page.evaluate(() => window.tasks)));
    console.log(
      JSON.stringify({
        name: 'longest task of the page while 2000 holes are planned',
        plannedMs: Date.now() - started,
        longestMs,
        ratio: longestMs / LIMIT_MS,
      }),
    );
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
