import { readFileSync } from 'node:fs';
import { browser } from '../../scripts/lib/browser.mjs';
import { said, send, Server, wait } from './lib.mjs';

const MINUTES = Number(process.env.SOAK_MIN ?? 60);
const FIRST = Math.min(10, MINUTES / 3);
const RING = 'sample-job-dust-cap-ring';

/** An hour at the bench: a note every two seconds from elsewhere, a key every five, and what else asks. Memory stays flat. */
export async function soak() {
  const server = new Server(3970);
  await server.start();
  const chromium = await browser();
  const page = await chromium.newPage();
  await page.goto(`${server.base}/jobs/${RING}/bench`);
  await page.getByRole('progressbar', { name: 'Steps done' }).waitFor();
  const devices = await page.context().newCDPSession(page);
  await devices.send('Performance.enable');
  const rssMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.child.pid}/status`, 'utf8'))[1]) / 1024;
  const heapMb = async () => {
    await devices.send('HeapProfiler.collectGarbage');
    const { metrics } = await devices.send('Performance.getMetrics');
    return metrics.find((m) => m.name === 'JSHeapUsedSize').value / 1e6;
  };
  const begun = Date.now();
  const minutes = () => (Date.now() - begun) / 60_000;
  const seen = [];
  for (let n = 0; minutes() < MINUTES; n++) {
    const body = { part: 1, text: `note ${n}` };
    await send(server.base, 'POST', '/api/v1/records', {
      records: [{ id: `soak-${String(n).padStart(6, '0')}`, kind: 'note', jobId: RING, body }],
    });
    // There and back again, so that the work is never at its end.
    if (n % 5 === 0) await page.keyboard.press(n % 2 ? 'ArrowRight' : 'ArrowLeft');
    if (n % 15 === 0) for (const at of ['/jobs', '/', '/crib']) await (await fetch(server.base + at)).text();
    if (n % 30 === 0) seen.push({ at: minutes(), serverMb: rssMb(), pageMb: await heapMb() });
    await wait(2000);
  }
  const average = (of, from, to) => {
    const some = seen.filter(({ at }) => at >= from && at < to);
    return some.reduce((sum, s) => sum + s[of], 0) / some.length;
  };
  for (const [name, of, spareMb] of [
    ['server', 'serverMb', 60],
    ['bench page', 'pageMb', 8],
  ]) {
    const early = average(of, FIRST, FIRST * 2);
    const late = average(of, MINUTES - FIRST, Infinity);
    said(
      `${MINUTES} minutes: memory of the ${name} after the first ${Math.round(FIRST)}`,
      late < early * 1.1 + spareMb,
      {
        earlyMb: early,
        lateMb: late,
      },
    );
  }
  await chromium.close();
  await server.kill();
}
