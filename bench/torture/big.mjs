import { browser } from '../../scripts/lib/browser.mjs';
import { feature, folder, grid, percentile, plate, said, send, Server, wait } from './lib.mjs';

const DB = `file:${folder}/big.db`;
const BIG = 'a-hundred-thousand';
const SMALL = 'a-few-records';
const RECORDS = 100_000;
const made = (id, holes, quantity, part) => ({
  id,
  name: id,
  materialId: 'copper',
  quantity,
  holes,
  ...(part && { part }),
});
const get = async (server, at) => (await fetch(server.base + at)).json();

async function issue(server, id) {
  const { version } = await get(server, `/api/v1/jobs/${id}`);
  return send(server.base, 'POST', `/api/v1/jobs/${id}/routes`, { id: `${id}-route`, jobVersion: version });
}

/** Steps of an issued route as the bench records them, with a gauging for every hole. */
function* recordsOf({ route }, jobId, most) {
  let n = 0;
  for (let part = 1; part <= route.quantity; part++)
    for (const visit of route.setUps.flatMap((s) => s.visits))
      for (const { featureId, hole, opKey, code } of visit.items) {
        if (n >= most) return;
        const at = { jobId, featureId, holeNumber: hole };
        const id = `${jobId}-${String(n++).padStart(7, '0')}`;
        yield { id, kind: 'step-done', ...at, body: { step: [featureId, hole, opKey, part].join('/'), part } };
        if (code !== 'check' || n >= most) continue;
        const body = { part, check: 'go', values: { turns: 20 }, verdict: 'good' };
        yield { id: `${jobId}-${String(n++).padStart(7, '0')}`, kind: 'checked', ...at, body };
      }
}

async function record(server, jobId, most) {
  const issued = await get(server, `/api/v1/jobs/${jobId}/routes/1`);
  let batch = [];
  for (const one of recordsOf(issued, jobId, most)) {
    batch.push(one);
    if (batch.length < 500) continue;
    await send(server.base, 'POST', '/api/v1/records', { records: batch });
    batch = [];
  }
  if (batch.length > 0) await send(server.base, 'POST', '/api/v1/records', { records: batch });
}

async function medianMs(work, times = 15) {
  const found = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await work();
    found.push(performance.now() - start);
  }
  return percentile(found, 0.5);
}
const firstPage = (server) => medianMs(async () => (await fetch(`${server.base}/jobs`)).text());

/** p95 of a small request, alone and beside another piece of work. */
async function beside(server, work) {
  const small = async (goes) => {
    const times = [];
    while (goes() || times.length < 40) {
      const start = performance.now();
      await (await fetch(`${server.base}/api/v1/materials`)).text();
      times.push(performance.now() - start);
      await wait(5);
    }
    return percentile(times, 0.95);
  };
  await small(() => false);
  let n = 0;
  const alone = await small(() => n++ < 150);
  let busy = true;
  const done = work().finally(() => (busy = false));
  const among = await small(() => busy);
  return { aloneMs: alone, besideMs: among, ratio: among / alone, ...(await done) };
}

/** From a key to the next paint, in the page itself. */
async function keyMs(page, jobId, base) {
  await page.goto(`${base}/jobs/${jobId}/bench`);
  await page.getByRole('progressbar', { name: 'Steps done' }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(4000);
  const times = [];
  for (let i = 0; i < 30; i++) {
    times.push(
      await page.evaluate(
        () =>
          new Promise((resolve) => {
            const start = performance.now();
            document.querySelector('.bench-next').click();
            requestAnimationFrame(() => {
              const { port1, port2 } = new MessageChannel();
              port1.onmessage = () => resolve(performance.now() - start);
              port2.postMessage(0);
            });
          }),
      ),
    );
    await page.waitForTimeout(400);
  }
  return { median: percentile(times, 0.5), p95: percentile(times, 0.95) };
}

export async function big() {
  let server = new Server(3967, DB);
  await server.start();
  const holes = [feature('feature-01', grid(4, 4, 20), 'M6 THRU')];
  await send(server.base, 'POST', '/api/v1/jobs', made(SMALL, holes, 10));
  await issue(server, SMALL);
  await record(server, SMALL, 200);
  await wait(1500);
  const without = await firstPage(server);

  for (const [name, id, of, quantity, part] of [
    ['16 holes x 100,000 parts', 'too-many-parts', holes, 100_000],
    [
      '2,500 holes x 200 parts',
      'too-many-holes',
      [feature('feature-01', grid(50, 50, 10), 'M3 THRU')],
      200,
      plate(520, 520),
    ],
  ]) {
    await send(server.base, 'POST', '/api/v1/jobs', made(id, of, quantity, part));
    const got = await issue(server, id);
    const { detail } = await got.json();
    const listed = await fetch(`${server.base}/jobs`);
    said(`${name}: refused with a sentence, and Jobs opens`, got.status === 422 && listed.ok, {
      status: got.status,
      detail,
    });
  }

  await send(server.base, 'POST', '/api/v1/jobs', made(BIG, holes, 1200));
  said('a job of 100,000 records is issued', (await issue(server, BIG)).status === 201);
  const start = performance.now();
  await record(server, BIG, RECORDS);
  const s = (performance.now() - start) / 1000;
  await wait(2500);
  const withIt = await firstPage(server);
  said('Jobs with a job of 100,000 records against without', withIt <= 2 * without, {
    withoutMs: without,
    withMs: withIt,
    ratio: withIt / without,
    recordedInS: s,
  });
  await server.kill('SIGTERM');
  await server.start();
  const cold = performance.now();
  await (await fetch(`${server.base}/jobs`)).text();
  const firstMs = performance.now() - cold;
  const again = await firstPage(server);
  said('the same after a restart', again <= 2 * without, { firstMs, withMs: again, ratio: again / without });

  const csv = await beside(server, async () => {
    const begun = performance.now();
    const text = await (await fetch(`${server.base}/jobs/${BIG}/inspection.csv`)).text();
    return { ms: performance.now() - begun, rows: text.split('\n').length - 2 };
  });
  said('CSV of 100,000 records, a small request beside it', csv.ratio <= 5, csv);
  const all = await fetch(`${server.base}/jobs/${BIG}/inspection.pdf`);
  said('a sheet of more rows than fit is refused with a sentence', all.status === 422, {
    detail: (await all.json()).detail,
  });
  const pdf = await beside(server, async () => {
    const begun = performance.now();
    const got = await fetch(`${server.base}/jobs/${BIG}/inspection.pdf?from=1&to=312`);
    return { status: got.status, kb: (await got.arrayBuffer()).byteLength / 1024, ms: performance.now() - begun };
  });
  said('a small request beside the PDF of 5,000 records, p95', pdf.ratio <= 3 && pdf.status === 200, pdf);

  const chromium = await browser();
  const page = await chromium.newPage({ viewport: { width: 1280, height: 800 } });
  const few = await keyMs(page, SMALL, server.base);
  const many = await keyMs(page, BIG, server.base);
  said('key to paint with 100,000 records against 200', many.median <= 1.3 * few.median + 2, { few, many });
  await chromium.close();
  await server.kill();
}
