import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { openDatabase } from '../src/server/database';
import { seedSampleShop } from '../src/server/demo/sample-shop';
import { records } from '../src/server/schema';
import { takeRecords } from '../src/server/services/record-service';

const JOB = 'sample-job-bearing-block';
const RUNS = 2000;
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-bench-'));
async function main() {
  const { db, client } = await openDatabase(`file:${folder}/shop.db`);
  await seedSampleShop(db);
  const where = { featureId: 'sample-hole-block-clamp', holeNumber: 1 };
  const times: Record<'ours' | 'bare' | 'raw', number[]> = { ours: [], bare: [], raw: [] };
  const timed = async (of: keyof typeof times, work: () => Promise<unknown>): Promise<void> => {
    const start = performance.now();
    await work();
    times[of].push(performance.now() - start);
  };
  for (let i = 0; i < RUNS; i++) {
    const at = new Date().toISOString();
    const row = (id: string) =>
      ({
        id: `bench-${id}-${i}`,
        kind: 'step-done',
        jobId: JOB,
        body: { step: `clamp/1/drill/${i}`, part: 1, seconds: 12.5 },
        happenedAt: at,
        ...where,
      }) as const;
    await timed('bare', () => db.insert(records).values({ ...row('bare'), arrivedAt: at, arrival: -2 * i - 1 }));
    const { id, kind, jobId, body, featureId, holeNumber } = row('raw');
    await timed('raw', () =>
      client.execute({
        sql: 'insert into records (id, kind, job_id, feature_id, hole_number, body, happened_at, arrived_at, arrival) values (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        args: [id, kind, jobId, featureId, holeNumber, JSON.stringify(body), at, at, -2 * i - 2],
      }),
    );
    await timed('ours', () =>
      takeRecords(db, { records: [{ ...row('ours'), device: 'bench-device', sequence: i + 1 }], sentAt: at }),
    );
  }
  const p95 = (of: keyof typeof times): number => times[of].sort((a, b) => a - b)[Math.floor(RUNS * 0.95)];
  const [ms, bareMs, rawMs] = [p95('ours'), p95('bare'), p95('raw')];
  const name = 'record checked and taken in, p95, against a bare insert through the same Drizzle connection';
  console.log(JSON.stringify({ name, ms, bareMs, ratio: ms / bareMs, rawMs, againstRaw: ms / rawMs }));
  client.close();
}

void main().finally(() => rmSync(folder, { recursive: true, force: true }));
