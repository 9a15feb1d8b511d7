import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { logQuery } from '../src/contracts/log';
import { openDatabase } from '../src/server/database';
import { seedSampleShop } from '../src/server/demo/sample-shop';
import { logPageOf } from '../src/server/services/log-service';

const JOB = 'sample-job-bearing-block';
const HOLE = 'sample-hole-block-clamp';
const RECORDS = 100_000;
const RUNS = 100;
/** Before anything is measured: the first ones are compiled. */
const WARM = 30;
const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-bench-'));

/** The same rows, found and joined by the database alone. */
const BARE = `select r.*, j.name, j.material_id, f.letter, json_extract(f.question, '$.callout') from records r
  left join jobs j on j.id = r.job_id left join job_features f on f.job_id = r.job_id and f.id = r.feature_id
  order by r.arrival desc limit 101`;
const BARE_SEARCH = `select count(*) from records where instr(lower(kind || body), 'broken') > 0`;

async function p95(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < WARM; i++) await work();
  for (let i = 0; i < RUNS; i++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(0.95 * RUNS)];
}

async function main() {
  const { db, client } = await openDatabase(`file:${folder}/shop.db`);
  await seedSampleShop(db);
  await client.execute({
    sql: `with recursive n(i) as (select 1 union all select i + 1 from n where i < ?)
      insert into records (id, kind, job_id, feature_id, hole_number, body, happened_at, arrived_at, arrival)
      select 'log-' || i, case when i % 997 = 0 then 'tap-broken' else 'step-done' end, ?, ?, 1 + i % 12,
        json_object('part', 1 + i % 50, 'step', 'clamp/' || i || '/tap-1/1', 'tap', 'plug'),
        strftime('%Y-%m-%dT%H:%M:%fZ', 1750000000 + i * 60, 'unixepoch'), strftime('%Y-%m-%dT%H:%M:%fZ', 1750000000 + i * 60, 'unixepoch'), 1000000 + i from n`,
    args: [RECORDS, JOB, HOLE],
  });
  const first = await p95(() => logPageOf(db, logQuery.parse({})));
  const bare = await p95(() => client.execute(BARE));
  const search = await p95(() => logPageOf(db, logQuery.parse({ q: 'broken' })));
  const bareSearch = await p95(() => client.execute(BARE_SEARCH));
  const said = (name: string, ours: number, reference: number): void =>
    console.log(JSON.stringify({ name, ours, reference, ratio: ours / reference, limit: 2 }));
  said('first page of the log, 100,000 records', first, bare);
  said('a rare word in the log, 100,000 records', search, bareSearch);
  client.close();
}
void main().finally(() => rmSync(folder, { recursive: true, force: true }));
