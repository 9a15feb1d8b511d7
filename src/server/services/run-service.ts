import type { FrozenRoute } from '@/contracts/route-issue';
import type { RecordKept } from '@/contracts/record';
import type { BenchRecord } from '@/core/inspection/bench-record';
import { verbOf } from '@/core/inspection/bench-words';
import { inspectionRows, type InspectionRow } from '@/core/inspection/inspection-rows';
import { holesWaiting } from '@/core/inspection/run';
import { runOfIssue, type RunOfIssue } from '@/core/inspection/run-of-issue';
import { plannerFor } from '@/core/job/plan-in-job';
import { NOTHING_RECORDED, type Progress, type Recorded } from '@/core/job/stage';
import { holeName } from '@/core/route/work-item';
import { wholeShop } from '@/core/shop/shop';
import type { Database } from '../database';
import { findJobsAtBench, findProgress, listRecords } from '../repositories/record-repository';
import { findRoute, lastIssued, lastNumber } from '../repositories/route-repository';
import { issuedRoute } from './route-service';

const isOfBench = (r: RecordKept): r is RecordKept & BenchRecord => r.kind !== 'punch-mark' && r.kind !== 'layout-tick';

async function runOf(db: Database, issue: FrozenRoute): Promise<{ at: RunOfIssue; records: BenchRecord[] }> {
  const records = (await listRecords(db, issue.jobId, 'bench')).filter(isOfBench);
  const shop = wholeShop(issue.inputs.shop);
  return { records, at: runOfIssue({ route: issue.route, job: issue.inputs.job, shop }, records, plannerFor(shop)) };
}

/** How far an issued route is at the bench. */
async function benchProgress(db: Database, issue: FrozenRoute): Promise<Progress['bench']> {
  const { run } = (await runOf(db, issue)).at;
  const { next } = run;
  const open = run.steps.filter((s) => !run.settled.has(s.key) && !run.scrapped.has(s.part)).length;
  return {
    done: run.steps.length - open,
    steps: run.steps.length,
    waiting: holesWaiting(run),
    ...(next ? { next: next.item ? `${verbOf(next.item.code)} ${holeName(next.item)}`.trim() : 'clamp' } : {}),
  };
}

/** What was recorded of some jobs, by their ids. */
export async function recordedOf(db: Database, jobIds: readonly string[]): Promise<Map<string, Recorded>> {
  const [progress, issued, atBench] = await Promise.all([
    findProgress(db, jobIds),
    lastIssued(db, jobIds),
    findJobsAtBench(db, jobIds),
  ]);
  const found = new Map<string, Recorded>();
  for (const id of jobIds) {
    const last = issued.get(id);
    const issue = last && atBench.has(id) ? await findRoute(db, id, last.number) : undefined;
    found.set(id, {
      ...(progress.get(id) ?? NOTHING_RECORDED),
      ...(last ? { issued: last } : {}),
      ...(issue ? { bench: await benchProgress(db, issue) } : {}),
    });
  }
  return found;
}

/** Everything gauged on a job by its latest route. */
export interface Inspected {
  issue: FrozenRoute;
  rows: InspectionRow[];
}

/** @throws Refusal 404 where no route was issued, against which anything could be held */
export async function inspectionOf(db: Database, jobId: string): Promise<Inspected> {
  const issue = await issuedRoute(db, jobId, await lastNumber(db, jobId));
  const { at, records } = await runOf(db, issue);
  const letters = new Map(issue.inputs.job.holes.map((f) => [f.id, f.letter]));
  const rows = inspectionRows(records, (hole) => {
    const planned = at.planAt(hole);
    if (!planned?.ok) return undefined;
    const name = `${letters.get(hole.featureId)}${hole.holeNumber}`;
    const decided = at.decidedThread(hole, planned.value);
    return {
      name: decided ? `${name} ${decided}` : name,
      plan: planned.value,
      setting: at.settingFor(hole, planned.value),
    };
  });
  return { issue, rows };
}
