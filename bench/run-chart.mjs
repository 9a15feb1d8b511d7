// Cost of a frame while one looks along a run chart: five thousand points against a page without one, in the same browser.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';

const READINGS = '/log/readings?figure=seconds&level=hand+toolmaker';
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-chart-'));
const chromium = await browser();

/** Opening, and frames as a pointer moves across. */
async function moved(base, address, selector) {
  const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}${address}`, { waitUntil: 'networkidle' });
  const at = await page.locator(selector).first().boundingBox();
  const frames = await page.evaluate(async ({ x, y, width, height }) => {
    const target = document.elementFromPoint(x + width / 2, y + height / 2);
    const times = [];
    for (let i = 0; i < 80; i++) {
      const start = performance.now();
      const to = { clientX: x + (width * i) / 80, clientY: y + height / 2, bubbles: true };
      target.dispatchEvent(new MouseEvent('mousemove', to));
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      times.push(performance.now() - start);
    }
    return times.sort((a, b) => a - b);
  }, at);
  await page.close();
  return frames[Math.floor(0.95 * frames.length)];
}

try {
  await served('.', 3956, { DATABASE_URL: `file:${folder}/shop.db`, JOLLY_BIT_SEED: 'sample' }, async (base) => {
    let points = 0;
    for (let tries = 0; points < 5000 && tries < 60; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 1000));
      const { readings } = await (
        await fetch(`${base}/api/v1/learned/readings?figure=seconds&level=hand+toolmaker`)
      ).json();
      points = readings.length;
    }
    const emptyMs = await moved(base, '/log/tools', 'h1');
    const fullMs = await moved(base, READINGS, 'canvas');
    console.log(JSON.stringify({ name: 'frame along a run chart', points, fullMs, emptyMs, ratio: fullMs / emptyMs }));
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
