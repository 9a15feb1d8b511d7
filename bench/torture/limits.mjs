import { browser } from '../../scripts/lib/browser.mjs';
import { feature, grid, percentile, PIER, plate, said, send, Server, wait } from './lib.mjs';

export async function limits() {
  const server = new Server(3964);
  await server.start();
  const made = (id, holes, part) => ({
    id,
    name: id,
    materialId: 'steel-low-carbon',
    quantity: 1,
    holes,
    ...(part ? { part } : {}),
  });
  await send(server.base, 'POST', '/api/v1/jobs', made('warm-up-01', [feature('feature-01', grid(9, 9, 3))]));
  for (const [name, holes] of [
    ['one grid of 150 x 130 at 0.01 mm', [feature('feature-01', grid(150, 130, 0.01))]],
    ['20 grids of 999 x 999', Array.from({ length: 20 }, (_, i) => feature(`feature-${i + 10}`, grid(999, 999, 0.01)))],
  ]) {
    const times = [];
    let status;
    for (let i = 0; i < 5; i++) {
      const start = performance.now();
      ({ status } = await send(server.base, 'POST', '/api/v1/jobs', made('too-many-holes', holes)));
      times.push(performance.now() - start);
    }
    const ms = percentile(times, 0.5);
    said(`${name}: refused`, status === 422 && ms < 50, { status, ms, slowestMs: Math.max(...times) });
  }
  await send(
    server.base,
    'POST',
    '/api/v1/jobs',
    made('dense-holes', [feature('feature-01', grid(50, 50, 0.5))], plate(60, 60)),
  );
  const chromium = await browser();
  const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.base}/jobs/${PIER}/plate`, { waitUntil: 'networkidle' });
  const times = [];
  let open = false;
  const other = (async () => {
    while (!open) {
      const start = performance.now();
      await (await fetch(`${server.base}/api/v1/materials`)).text();
      times.push(performance.now() - start);
      await wait(10);
    }
  })();
  const start = performance.now();
  await page.goto(`${server.base}/jobs/dense-holes/plate`);
  await page.locator('[role=application][aria-label*="2500 holes"]').waitFor({ timeout: 30_000 });
  const opened = performance.now() - start;
  open = true;
  await other;
  said(
    '2,500 holes at 0.5 mm from each other open on Plate; a small request of another meanwhile',
    Math.max(...times) < 250,
    {
      openedMs: Math.round(opened),
      slowestOtherMs: Math.round(Math.max(...times)),
    },
  );
  await chromium.close();
  await server.kill();
}
