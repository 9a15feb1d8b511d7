import type { Result } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import type { Planner } from '../job/plan-in-job';
import { holeKey, type HoleAt, type RemedyChange } from './bench-record';
import type { IssuedWork } from './issued-work';
import { planAtBench } from './plan-at-bench';
import { changeFor } from './run';
import type { Remedy } from './run-records';

/** How the holes of an issued route are made by now. */
export interface PlansOfRun {
  /** A feature with a change; undefined for one that the issue does not have. */
  made: (featureId: string, change: RemedyChange) => Result<HolePlan> | undefined;
  /** A hole with every remedy so far. A remedy that can’t be made, sent by another program, changes nothing. */
  at: (hole: HoleAt) => Result<HolePlan> | undefined;
  /** There is another remedy: what they reach is planned anew. */
  forgetRemedied: () => void;
}

/** @param remedies so far; looked at as they are when a plan is asked for */
export function plansOfRun({ job }: IssuedWork, planner: Planner, remedies: readonly Remedy[]): PlansOfRun {
  const features = new Map(job.holes.map((f) => [f.id, f]));
  const asDrawn = new Map<string, Result<HolePlan> | undefined>();
  const remedied = new Map<string, Result<HolePlan> | undefined>();
  const made: PlansOfRun['made'] = (featureId, change) => {
    const feature = features.get(featureId);
    return feature && planAtBench(feature, job, planner, change);
  };
  const madeOrAsDrawn: PlansOfRun['made'] = (featureId, change) => {
    const result = made(featureId, change);
    return result?.ok ? result : made(featureId, {});
  };
  return {
    made,
    at: (hole) => {
      const change = changeFor(remedies, hole);
      const [plans, key] = Object.keys(change).length === 0 ? [asDrawn, hole.featureId] : [remedied, holeKey(hole)];
      if (!plans.has(key)) plans.set(key, madeOrAsDrawn(hole.featureId, change));
      return plans.get(key);
    },
    forgetRemedied: () => remedied.clear(),
  };
}
