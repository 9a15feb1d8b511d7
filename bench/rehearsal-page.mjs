// How soon a rehearsal shows its first figures, and the longest that it holds up the page: against a quiet page of the same length of time.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-rehearsal-'));
const chromium = await browser();

try {
  await served('.', 3957, { DATABASE_URL: `file:${folder}/shop.db` }, async (base) => {
    const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => {
      window.longest = 0;
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration);
      }).observe({ entryTypes: ['longtask'] });
    });
    await page.goto(`${base}/jobs/sample-job-pier-adapter-plate/route`, { waitUntil: 'networkidle' });
    const key = page.getByRole('button', { name: 'Rehearse the job' });
    await key.waitFor();
    await page.waitForTimeout(1000);
    const loadingMs = await page.evaluate(() => window.longest);
    await page.evaluate(() => (window.longest = 0));
    const begun = Date.now();
    await key.click();
    await page.getByText('All good at the first go').waitFor();
    const firstMs = Date.now() - begun;
    await page.getByRole('button', { name: 'Once more, other luck' }).waitFor();
    const longestMs = await page.evaluate(() => window.longest);
    console.log(
      JSON.stringify({
        name: 'rehearsal beside the page',
        firstMs,
        wholeMs: Date.now() - begun,
        longestMs,
        loadingMs,
        ratio: longestMs / Math.max(1, loadingMs),
      }),
    );
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
