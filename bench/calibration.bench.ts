import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { plannerFor } from '../src/core/job/plan-in-job';
import { learn, type Reading } from '../src/core/learning/learning';
import { modelsOfRoute } from '../src/core/rehearsal/alternatives';
import { jobOf } from '../src/core/rehearsal/rehearse';
import { openDatabase } from '../src/server/database';
import { PAST_JOBS } from '../src/server/demo/past-jobs';
import { addSampleLog } from '../src/server/demo/sample-log';
import { seedSampleShop } from '../src/server/demo/sample-shop';
import { findTeaching } from '../src/server/repositories/observation-repository';
import { existingJob } from '../src/server/services/job-service';
import { routeOf } from '../src/server/services/route-service';
import { shopNow } from '../src/server/services/shop-service';

/** Five months rehearsed before and counted after: what was stated of each kind of hole, and what came of it. */
const JOBS = 200;

const folder = mkdtempSync(path.join(tmpdir(), 'jolly-bit-calibration-'));
const { db, client } = await openDatabase(`file:${folder}/shop.db`);
try {
  await seedSampleShop(db);
  await addSampleLog(db, new Date('2026-12-01T10:00:00Z'));
  const seen = (await findTeaching(db)).sort((a, b) => a.happenedAt.localeCompare(b.happenedAt));
  const { learned: _, lives: _l, ...shopThen } = await shopNow(db);
  const counted = { rows: 0, inside: 0, broken: 0, brokenStated: [] as number[] };
  for (const { id = '' } of PAST_JOBS) {
    const job = await existingJob(db, id);
    const own = seen.filter((o) => o.jobId === id);
    const before = seen.filter((o) => o.happenedAt < own[0].happenedAt);
    const readings = before.flatMap((o): Reading[] =>
      o.figures.map((f) => ({ ...f, recordId: o.recordId, happenedAt: o.happenedAt })),
    );
    const shop = { ...shopThen, learned: learn(readings) };
    const { models, besideS } = modelsOfRoute(routeOf(job, shop), job.holes, job, plannerFor(shop), shop);
    const drawn = Array.from(
      { length: JOBS },
      (_n, n) => jobOf(models, { quantity: job.quantity, seed: 1, besideS }, n).troubles,
    );
    const range = (values: number[]): [number, number] => {
      const sorted = values.sort((a, b) => a - b);
      return [sorted[Math.floor(0.05 * JOBS)], sorted[Math.ceil(0.95 * JOBS) - 1]];
    };
    for (const { letter, featureId, callout, points, size } of models) {
      const pins = own.filter(
        (o) => o.at.featureId === featureId && o.observed.what === 'gauged' && o.observed.check === 'minor',
      );
      if (pins.length === 0 || !size) continue;
      const bad = pins.filter((o) => o.observed.what === 'gauged' && o.observed.verdict === 'bad').length;
      const [from, to] = range(
        drawn.map(
          (all) => all.filter((t) => t.letter === letter && (t.fault === 'large' || t.fault === 'small')).length,
        ),
      ).map((n) => n / (points.length * job.quantity));
      const share = bad / pins.length;
      // One hole more or less is no miss.
      const one = 1 / pins.length;
      const isInside = share >= from - one && share <= to + one;
      counted.rows += 1;
      counted.inside += Number(isInside);
      console.log(
        JSON.stringify({
          job: job.name,
          hole: callout,
          pinned: pins.length,
          stated: [from, to].map((s) => +(100 * s).toFixed(1)),
          counted: +(100 * share).toFixed(1),
          isInside,
        }),
      );
    }
    counted.broken += own.filter((o) => o.observed.what === 'broken').length;
    drawn.forEach((all, n) => {
      counted.brokenStated[n] = (counted.brokenStated[n] ?? 0) + all.filter((t) => t.fault === 'tap-broken').length;
    });
  }
  const taps = counted.brokenStated.sort((a, b) => a - b);
  console.log(
    JSON.stringify({
      name: 'stated before, counted after: kinds of hole whose share out of class lies in its range of nine in ten; taps broken',
      kinds: counted.rows,
      inside: counted.inside,
      tapsBroken: counted.broken,
      tapsStated: [taps[Math.floor(0.05 * JOBS)], taps[Math.ceil(0.95 * JOBS) - 1]],
    }),
  );
} finally {
  client.close();
  rmSync(folder, { recursive: true, force: true });
}
