import { createClient } from '@libsql/client';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { recordInput } from '../src/contracts/record';
import { openDatabase } from '../src/server/database';
import { seedSampleShop } from '../src/server/demo/sample-shop';
import { takeRecords } from '../src/server/services/record-service';

const JOB = 'sample-job-bearing-block';
const RUNS = 2000;
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-bench-'));
const share = (times: number[], of: number): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * of)];

/** The same record as a row of a table of the same shape, in a file of its own that is as durable. */
async function bare() {
  const db = createClient({ url: `file:${folder}/bare.db` });
  await db.execute('pragma journal_mode = wal');
  await db.execute(
    'create table bare (id text primary key, kind text, job text, feature text, hole int, body text, happened text, arrived text)',
  );
  await db.execute('create index of_job on bare (job, kind, happened)');
  return (id: string, body: object, at: string) =>
    db.execute({
      sql: 'insert into bare values (?, ?, ?, ?, ?, ?, ?, ?)',
      args: [id, 'step-done', JOB, 'sample-hole-block-clamp', 1, JSON.stringify(body), at, at],
    });
}

async function main() {
  const { db, client } = await openDatabase(`file:${folder}/shop.db`);
  await seedSampleShop(db);
  const insert = await bare();
  const times = { ours: [] as number[], bare: [] as number[] };
  for (let i = 0; i < RUNS; i++) {
    const id = `bench-step-${i}`;
    const body = { step: `clamp/1/drill/${i}`, part: 1, seconds: 12.5 };
    const at = new Date().toISOString();
    let start = performance.now();
    await insert(id, body, at);
    times.bare.push(performance.now() - start);
    const where = { featureId: 'sample-hole-block-clamp', holeNumber: 1 };
    const record = recordInput.parse({ id, kind: 'step-done', jobId: JOB, body, happenedAt: at, ...where });
    start = performance.now();
    await takeRecords(db, [record], at);
    times.ours.push(performance.now() - start);
  }
  const bareMs = share(times.bare, 0.95);
  const ms = share(times.ours, 0.95);
  const medians = share(times.ours, 0.5) / share(times.bare, 0.5);
  console.log(
    JSON.stringify({
      name: 'record taken in, p95, against a bare insert as durable',
      ms,
      bareMs,
      ratio: ms / bareMs,
      medians,
    }),
  );
  client.close();
}

void main().finally(() => rmSync(folder, { recursive: true, force: true }));
