import { randomInt } from 'node:crypto';
import { PIER, said, send, Server, wait } from './lib.mjs';

const SECOND = 1000;
const HOUR = 3600 * SECOND;
const DAY = 24 * HOUR;
/** A request is on its way for so long at most; times that lie nearer to each other are not told apart. */
const NEAR_MS = 400;

/**
 * Devices whose clocks are off by as much each record notes at true moments of the last ten minutes, sent later: some clocks are
 * set meanwhile, with a measure that no setting changes, or after what is sent so late that nothing measured it.
 */
export async function clocks() {
  const server = new Server(3968);
  await server.start();
  for (const [name, off] of [
    ['right', 0],
    ['15 s fast', 15 * SECOND],
    ['2 min behind', -120 * SECOND],
    ['an hour ahead', HOUR],
    ['an hour behind', -HOUR],
    ['a day ahead', DAY],
    ['a day behind', -DAY],
    ['in 1970', -Math.floor(Date.now() / DAY) * DAY],
  ]) {
    const truth = [];
    for (const [device, offBy, setMeanwhile] of [
      ['steady', 0, 0],
      ['other', off, 0],
      ['set', off, -off],
    ]) {
      // In contact once before it goes offline, as it had its job from here.
      await send(server.base, 'POST', '/api/v1/records', {
        records: [
          {
            id: `clock-${off}-${device}-first`,
            kind: 'note',
            jobId: PIER,
            device: `${device}${off}`,
            sequence: 1,
            happenedAt: new Date(Date.now() - 900 * SECOND + offBy).toISOString(),
            body: { part: 1, text: 'first' },
          },
        ],
        sentAt: new Date(Date.now() + offBy).toISOString(),
      });
      await wait(50);
      const now = Date.now();
      const waits = Array.from({ length: 40 }, () => randomInt(600) * SECOND + randomInt(1000)).sort((a, b) => b - a);
      const records = waits.map((ago, i) => ({
        id: `clock-${off}-${device}-${String(i).padStart(3, '0')}`,
        kind: 'note',
        jobId: PIER,
        device: `${device}${off}`,
        sequence: i + 2,
        happenedAt: new Date(now - ago + offBy).toISOString(),
        body: { part: 1, text: `${ago}` },
      }));
      records.forEach((r, i) => truth.push({ id: r.id, at: now - waits[i] }));
      await send(server.base, 'POST', '/api/v1/records', {
        records,
        sentAt: new Date(now + offBy + setMeanwhile).toISOString(),
        ...(setMeanwhile ? { agoMs: Object.fromEntries(records.map((r, i) => [r.id, waits[i]])) } : {}),
      });
    }
    const { records: all } = await (await fetch(`${server.base}/api/v1/jobs/${PIER}/records?kind=note`)).json();
    const place = new Map(all.map((r, i) => [r.id, i]));
    let wrong = 0;
    let worstMs = 0;
    for (const { id, at } of truth) {
      worstMs = Math.max(worstMs, Math.abs(Date.parse(all[place.get(id)].happenedAt) - at));
      for (const other of truth) if (other.at > at + NEAR_MS && place.get(other.id) < place.get(id)) wrong += 1;
    }
    const own = truth.filter(({ id }) => id.includes('-set-')).map(({ id }) => place.get(id));
    const inOrder = own.every((p, i) => i === 0 || p > own[i - 1]);
    said(
      `three devices, one ${name}, one set right before it sends: in the order in which it happened`,
      wrong === 0 && inOrder,
      {
        wrong,
        worstMs,
      },
    );
  }
  const future = await send(server.base, 'POST', '/api/v1/records', {
    records: [
      {
        id: 'clock-future',
        kind: 'note',
        jobId: PIER,
        happenedAt: new Date(Date.now() + DAY).toISOString(),
        body: { part: 1, text: 'x' },
      },
    ],
  });
  said('a time in the future is put right, and said', (await future.json()).corrected?.[0] === 'clock-future');
  await server.kill();
}
