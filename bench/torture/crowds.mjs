import { randomBytes } from 'node:crypto';
import { connect } from 'node:net';
import { folder, said, send, Server, tick, wait } from './lib.mjs';

/** 64 writers at once, each ten changes of jobs; what comes back by status. */
async function crowd(bases) {
  const counts = {};
  let without = 0;
  await Promise.all(
    Array.from({ length: 64 }, async (_, i) => {
      const base = bases[i % bases.length];
      for (let n = 0; n < 10; n++) {
        const id = `crowd-${i}-${n}-${randomBytes(4).toString('hex')}`;
        const job = { id, name: id, materialId: 'copper', quantity: 1, holes: [] };
        const got = await send(
          base,
          n % 2 ? 'POST' : 'POST',
          n % 2 ? '/api/v1/records' : '/api/v1/jobs',
          n % 2 ? { records: [tick(id)] } : job,
        ).catch(() => ({ status: 'refused connection', headers: new Map() }));
        counts[got.status] = (counts[got.status] ?? 0) + 1;
        if (got.status === 503 && !got.headers.get('retry-after')) without += 1;
      }
    }),
  );
  const bad = Object.keys(counts).filter((s) => Number(s) >= 500 && Number(s) !== 503);
  return { holds: bad.length === 0 && without === 0, counts };
}

export async function crowds() {
  const server = new Server(3962);
  await server.start();
  const warm = await crowd([server.base]);
  said('64 writers, warm', warm.holds, warm.counts);
  await server.kill();
  const fresh = new Server(3962, `file:${folder}/fresh.db`);
  await fresh.start(false);
  while (
    !(await new Promise((resolve) =>
      connect(3962, '127.0.0.1')
        .once('connect', () => resolve(true))
        .once('error', () => resolve(false)),
    ))
  )
    await wait(5);
  const cold = await crowd([fresh.base]);
  said('64 writers in the first second of a new database', cold.holds, cold.counts);
  const second = new Server(3963, `file:${folder}/fresh.db`);
  await second.start();
  const two = await crowd([fresh.base, second.base]);
  said('64 writers on two servers of one file', two.holds, two.counts);
  await Promise.all([fresh.kill(), second.kill()]);
}
