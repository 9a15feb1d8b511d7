import type { Machine } from '../cutting/machine';
import type { StartMeans } from '../drills/expected-hole';
import type { CheckKind } from '../gauging/checks-of';
import type { HolePlan } from '../hole/hole-plan';
import type { Planner } from '../job/plan-in-job';
import { mainOperation } from '../operation/operation';
import type { RunStep } from '../route/run-steps';
import { runSteps } from '../route/run-steps';
import type { WayId } from '../tapping/ways';
import { holeOf, type BenchRecord, type HoleAt } from './bench-record';
import { followRun, type IssuedWork } from './run-of-issue';

/** What was read, felt or timed at a hole. */
export type Observed =
  | { what: 'gauged'; check: CheckKind; values: Readonly<Record<string, number>>; instrument?: string }
  | { what: 'timed'; operation: string; seconds: number; usualS: number }
  | { what: 'felt'; sign: string }
  | { what: 'broken'; tap: string; turns?: number };

/** One observation with everything that it belongs to, as the hole was made by then: a record alone does not hold that. */
export interface Observation {
  recordId: string;
  at: HoleAt;
  happenedAt: string;
  who?: string;
  observed: Observed;
  material: string;
  machine?: Machine['id'];
  start: StartMeans;
  /** Name, steel and size (mm) of the drill of the main bore; undefined where nothing was drilled. */
  drill?: { name: string; steel: string; diameterMm: number };
  /** Keys of its taps, and how they were driven. */
  taps: readonly string[];
  way?: WayId;
  /** Designation of its thread. */
  thread?: string;
  /** Of the main bore to its full diameter, mm. */
  depthMm?: number;
}

/** What a plan says of how a hole was made. */
function madeOf(plan: HolePlan): Omit<Observation, 'recordId' | 'at' | 'happenedAt' | 'who' | 'observed'> {
  const cut = mainOperation(plan.operations)?.cut;
  const { thread } = plan;
  return {
    material: plan.material.id,
    machine: plan.machine?.id,
    start: plan.start,
    ...(cut
      ? {
          drill: {
            name: cut.spec.tool.name,
            steel: cut.spec.drill?.material ?? 'hss',
            diameterMm: cut.spec.diameterMm,
          },
          depthMm: cut.spec.fullMm,
        }
      : {}),
    taps: thread?.tapping.best.taps.map((t) => t.key) ?? [],
    way: thread?.tapping.best.id,
    thread: thread?.thread.designation,
  };
}

function observedIn(r: BenchRecord, plan: HolePlan, steps: ReadonlyMap<string, RunStep>): Observed | undefined {
  switch (r.kind) {
    case 'checked': {
      const { check, values, instrument } = r.body;
      return { what: 'gauged', check, values, ...(instrument ? { instrument } : {}) };
    }
    case 'step-done': {
      const { step, seconds } = r.body;
      const op = plan.operations.find((o) => o.key === steps.get(step)?.item?.opKey);
      return seconds === undefined || !op
        ? undefined
        : { what: 'timed', operation: op.code, seconds, usualS: op.time.value };
    }
    case 'tap-felt':
      return { what: 'felt', sign: r.body.sign };
    case 'tap-broken':
      return { what: 'broken', tap: r.body.tap, turns: r.body.turns };
    default:
      return undefined;
  }
}

/**
 * Everything that was observed while an issued route was made, each with what it belongs to by then: through remedies and
 * threads that were decided otherwise.
 * @param records of the job, in the order in which they happened
 */
export function observationsOf(work: IssuedWork, records: readonly BenchRecord[], planner: Planner): Observation[] {
  const run = followRun(work, planner);
  const steps = new Map(runSteps(work.route).map((s) => [s.key, s]));
  return records.flatMap((r): Observation[] => {
    const at = holeOf(r) ?? holeOfStep(r, steps);
    const plan = at && run.planAt(at);
    run.add([r]);
    if (!at || !plan?.ok) return [];
    const observed = observedIn(r, plan.value, steps);
    if (!observed) return [];
    return [
      {
        recordId: r.id,
        at,
        happenedAt: r.happenedAt,
        ...(r.who ? { who: r.who } : {}),
        observed,
        ...madeOf(plan.value),
      },
    ];
  });
}

/** A step names its hole. */
function holeOfStep(r: BenchRecord, steps: ReadonlyMap<string, RunStep>): HoleAt | undefined {
  const step = 'step' in r.body ? steps.get(r.body.step) : undefined;
  return step?.item && { featureId: step.item.featureId, holeNumber: step.item.hole, part: step.part };
}
