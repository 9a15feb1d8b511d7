// Cost of a frame while the plate is panned: 2,000 holes against an empty face, in the same browser.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';

const PORT = 3954;
const BASE = `http://127.0.0.1:${PORT}`;
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-pan-'));
const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(PORT)],
  {
    stdio: 'ignore',
    env: { ...process.env, DATABASE_URL: `file:${folder}/shop.db` },
  },
);
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

async function frameMs(id, place) {
  const job = await (await fetch(`${BASE}/api/v1/jobs/${id}`)).json();
  const { createdAt: _c, updatedAt: _u, ...body } = job;
  const [hole] = body.holes;
  const part = { stock: { shape: 'plate', widthMm: 1000, heightMm: 800, thicknessMm: 10 }, condition: '', datums: {} };
  const holes = place
    ? [{ ...hole, face: 'top', place, question: { ...hole.question, callout: '2000x M4 THRU' } }]
    : [];
  const done = await fetch(`${BASE}/api/v1/jobs/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...body, part, holes }),
  });
  if (!done.ok) throw new Error(await done.text());
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${BASE}/jobs/${id}/plate`, { waitUntil: 'networkidle' });
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
  for (let i = 0; i < 60; i++) {
    if (
      await fetch(`${BASE}/api/openapi.json`)
        .then((r) => r.ok)
        .catch(() => false)
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  const emptyMs = await frameMs('sample-job-dust-cap-ring', undefined);
  const fullMs = await frameMs('sample-job-counterweight-collar', {
    kind: 'grid',
    x: 20,
    y: 20,
    columns: 50,
    rows: 40,
    dx: 19,
    dy: 19,
  });
  console.log(
    JSON.stringify({ name: 'frame of a zoom on the plate, 2000 holes', fullMs, emptyMs, ratio: fullMs / emptyMs }),
  );
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
