import type { RecordInput } from '@/contracts/record';
import type { CheckKind } from '@/core/gauging/checks-of';
import type { VerdictState } from '@/core/gauging/verdict';
import { runSteps, type RunStep } from '@/core/route/run-steps';
import type { Database } from '../database';
import { takeRecords } from '../services/record-service';
import { issuedRoute, issueRoute } from '../services/route-service';

const JOB = 'sample-job-dust-cap-ring';
const ROUTE = 'sample-route-dust-cap-ring';

/** Against what was planned; a bench is never as even as a plan. */
const PACE = [1.3, 0.9, 1.1, 0.8, 1.6, 1, 0.9];
/** Holes of the ring that are tapped by now. */
const TAPPED = 7;

/** What was gauged on which of them so far: one of the formed threads is tight. */
const GAUGED: [tapped: number, check: CheckKind, values: Record<string, number>, verdict: VerdictState][] = [
  [0, 'go', { turns: 8.9 }, 'good'],
  [0, 'not-go', { turns: 0 }, 'good'],
  [0, 'minor', { in: 2.05, out: 2.1 }, 'good'],
  [3, 'minor', { in: 1.95, out: 2 }, 'bad'],
];

/** One went through first; the others are tapped in one visit. */
const isStillOpen = ({ item, place }: RunStep): boolean =>
  item?.code === 'tap' && place !== undefined && place.of > 1 && place.n > TAPPED - 1;

/**
 * Puts one job of the sample shop on the bench: its route issued, seven of twelve holes tapped, and one that waits for a
 * decision.
 * @param now when the last of it happened
 */
export async function beginSampleRun(db: Database, now = new Date()): Promise<void> {
  await issueRoute(db, JOB, { id: ROUTE, jobVersion: 1 });
  const steps = runSteps((await issuedRoute(db, JOB, 1)).route);
  const done = steps.slice(0, steps.findIndex(isStillOpen));
  const tapped = done.flatMap(({ item }) => (item?.code === 'tap' ? [item] : []));
  const common = { jobId: JOB, routeId: ROUTE };
  const records: RecordInput[] = [
    ...done.map(({ key, part, item }, i) => ({
      ...common,
      id: `sample-run-step-${i}`,
      kind: 'step-done' as const,
      ...(item ? { featureId: item.featureId, holeNumber: item.hole } : {}),
      body: { step: key, part, seconds: Math.round((item?.seconds ?? 60) * PACE[i % PACE.length]) },
    })),
    ...GAUGED.map(([n, check, values, verdict], i) => ({
      ...common,
      id: `sample-run-check-${i}`,
      kind: 'checked' as const,
      featureId: tapped[n].featureId,
      holeNumber: tapped[n].hole,
      body: { part: 1, check, values, verdict },
    })),
  ];
  await takeRecords(db, {
    records: records.map((record, i) => ({
      ...record,
      happenedAt: new Date(now.getTime() - (records.length - i) * 40_000).toISOString(),
    })),
  });
}
