import { feature, folder, percentile, plate, said, send, Server, wait } from './lib.mjs';

export async function lists() {
  const server = new Server(3965, `file:${folder}/lists.db`);
  await server.start();
  const pageMs = async () => {
    const times = [];
    for (let i = 0; i < 15; i++) {
      const start = performance.now();
      await (await fetch(`${server.base}/jobs`)).text();
      times.push(performance.now() - start);
    }
    return percentile(times, 0.5);
  };
  const emptyMs = async () => {
    const times = [];
    for (let i = 0; i < 15; i++) {
      const start = performance.now();
      await (await fetch(`${server.base}/jobs?search=zzzzzz`)).text();
      times.push(performance.now() - start);
    }
    return percentile(times, 0.5);
  };
  const callouts = ['M8 x 16 DEEP', '4x M5 THRU', 'ø9 THRU', '1/4-20 THRU', 'ø8 H7 REAM THRU'];
  for (let i = 0; i < 2000; i++) {
    const holes = callouts
      .slice(0, 1 + (i % 5))
      .map((c, n) => feature(`feature-${n}0`, { kind: 'point', x: 10 * n, y: 10 }, c));
    await send(server.base, 'POST', '/api/v1/jobs', {
      id: `list-${String(i).padStart(6, '0')}`,
      name: `Job ${i}`,
      materialId: 'copper',
      quantity: 1,
      holes,
    });
  }
  await (await fetch(`${server.base}/jobs`)).text();
  const empty = await emptyMs();
  const full = await pageMs();
  said('2,000 jobs: first page against an empty one', full < 4 * empty, {
    fullMs: full,
    emptyMs: empty,
    ratio: full / empty,
  });

  await send(server.base, 'POST', '/api/v1/jobs', {
    id: 'two-thousand-holes',
    name: 'Two thousand',
    materialId: 'steel-low-carbon',
    quantity: 1,
    holes: Array.from({ length: 2000 }, (_, i) =>
      feature(
        `feature-${i + 1000}`,
        { kind: 'point', x: 1 + i / 4, y: 5 },
        `M${[4, 5, 6, 8, 10][i % 5]} x ${(8 + (i % 400) / 50).toFixed(2)} DEEP`,
      ),
    ),
    part: plate(600, 60),
  });
  const ask = async (n) => {
    const times = [];
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        for (let i = 0; i < n; i++) {
          const start = performance.now();
          await (
            await send(server.base, 'POST', '/api/v1/answer', {
              callout: 'M8 x 16 DEEP',
              materialId: 'copper',
              hole: { thickness: 30 },
            })
          ).text();
          times.push(performance.now() - start);
        }
      }),
    );
    return percentile(times, 0.95);
  };
  await ask(20);
  const alone = await ask(60);
  let asking = true;
  const heavy = [];
  const operations = (async () => {
    while (asking) {
      const start = performance.now();
      const got = await fetch(`${server.base}/api/v1/jobs/two-thousand-holes/operations`);
      await got.text();
      heavy.push([got.status, Math.round(performance.now() - start)]);
    }
  })();
  await wait(300);
  const beside = await ask(60);
  asking = false;
  await operations;
  said('answers of 8 clients while another asks for the operations of 2,000 holes, p95', beside <= 3 * alone, {
    aloneMs: alone,
    besideMs: beside,
    ratio: beside / alone,
    operations: heavy,
  });
  await server.kill();
}
