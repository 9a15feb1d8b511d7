import { randomInt } from 'node:crypto';
import { PIER, said, send, Server, tick, wait } from './lib.mjs';

export async function kills() {
  const server = new Server(3961);
  await server.start();
  const WRITES = 1000;
  const KILLS = 20;
  let acknowledged = 0;
  let sentAgain = 0;
  let next = 0;
  const writer = async () => {
    while (next < WRITES) {
      const id = `kill-${String(next++).padStart(6, '0')}`;
      for (let tries = 0; ; tries++) {
        const got = await send(server.base, 'POST', '/api/v1/records', { records: [tick(id)] }).catch(() => undefined);
        if (got?.ok) break;
        if (tries === 0) sentAgain += 1;
        await wait(50);
      }
      acknowledged += 1;
    }
  };
  const killer = async () => {
    for (let i = 1; i <= KILLS; i++) {
      while (acknowledged < (i * WRITES) / (KILLS + 1)) await wait(5);
      await wait(randomInt(20));
      await server.kill();
      await server.start();
    }
  };
  await Promise.all([killer(), writer(), writer(), writer(), writer()]);
  const { records } = await (await fetch(`${server.base}/api/v1/jobs/${PIER}/records?kind=layout-tick`)).json();
  const there = records.map((r) => r.id).filter((id) => id.startsWith('kill-'));
  said(
    '1,000 acknowledged writes under 20 kills: all there, each once',
    there.length === WRITES && new Set(there).size === WRITES,
    {
      there: there.length,
      sentAgain,
    },
  );
  await server.kill('SIGTERM');
}
