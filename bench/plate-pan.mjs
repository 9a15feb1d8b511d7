// Cost of a frame while the plate is panned: 2,000 holes against an empty face, in the same browser.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { browser, served } from '../scripts/lib/browser.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-pan-'));
const chromium = await browser();

async function frameMs(base, id, place) {
  const job = await (await fetch(`${base}/api/v1/jobs/${id}`)).json();
  const { createdAt: _c, updatedAt: _u, ...body } = job;
  const [hole] = body.holes;
  const part = { stock: { shape: 'plate', widthMm: 1000, heightMm: 800, thicknessMm: 10 }, condition: '', datums: {} };
  const holes = place
    ? [{ ...hole, face: 'top', place, question: { ...hole.question, callout: '2000x M4 THRU' } }]
    : [];
  const done = await fetch(`${base}/api/v1/jobs/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...body, part, holes }),
  });
  if (!done.ok) throw new Error(await done.text());
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
    const grid = { kind: 'grid', x: 20, y: 20, columns: 50, rows: 40, dx: 19, dy: 19 };
    const fullMs = await frameMs(base, 'sample-job-counterweight-collar', grid);
    console.log(
      JSON.stringify({ name: 'frame of a zoom on the plate, 2000 holes', fullMs, emptyMs, ratio: fullMs / emptyMs }),
    );
  });
} finally {
  await chromium.close();
  rmSync(folder, { recursive: true, force: true });
}
