// Cost of a frame while the plate is panned: 2,000 holes against an empty face, in the same browser.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';
import { GRID, putHoles } from './many-holes.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-pan-'));
const chromium = await browser();

async function frameMs(base, id, place) {
  await putHoles(base, id, place);
  const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${base}/jobs/${id}/plate`, { waitUntil: 'networkidle' });
  const ms = await page.evaluate(async () => {
    const drawing = document.querySelector('[role=application]');
    const rect = drawing.getBoundingClientRect();
    const times = [];
    for (let i = 0; i < 60; i++) {
      const start = performance.now();
      drawing.dispatchEvent(
        new WheelEvent('wheel', {
          deltaY: i % 2 ? 40 : -40,
          clientX: rect.x + 150,
          clientY: rect.y + 150,
          bubbles: true,
          cancelable: true,
        }),
      );
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      times.push(performance.now() - start);
    }
    return times.sort((a, b) => a - b)[30];
  });
  await page.close();
  return ms;
}

try {
  await served('.', 3954, { DATABASE_URL: `file:${folder}/shop.db` }, async (base) => {
    const emptyMs = await frameMs(base, 'sample-job-dust-cap-ring', undefined);
    const fullMs = await frameMs(base, 'sample-job-counterweight-collar', GRID);
    console.log(
      JSON.stringify({ name: 'frame of a zoom on the plate, 2000 holes', fullMs, emptyMs, ratio: fullMs / emptyMs }),
    );
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
