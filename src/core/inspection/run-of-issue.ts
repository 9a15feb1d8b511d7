import type { Result } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import type { JobFeature, JobHead, Planner } from '../job/plan-in-job';
import { expandPlaces, type Expanded } from '../layout/place';
import { runSteps, type IsDue, type RunStep } from '../route/run-steps';
import type { Route } from '../route/route';
import type { Shop } from '../shop/shop';
import { holeKey, type BenchRecord, type HoleAt, type RemedyChange } from './bench-record';
import type { CheckSetting } from './checks-of';
import { changeOfChoice, type ChoiceChange } from './choice-change';
import { isRedone, planAtBench } from './plan-at-bench';
import { resultsOf } from './progress';
import { changeFor, remediesIn, runOf, type Run } from './run';
import type { Choice } from './verdict';
import { partsToGauge } from './sampling';
import { settingAt } from './setting-at';

/** An issued route with the job and the shop as they were frozen. */
export interface IssuedWork {
  route: Route;
  job: JobHead & { holes: readonly (JobFeature & { id: string })[]; route?: { checkEvery?: number } };
  shop: Pick<Shop, 'habits' | 'taps'>;
}

/** How far an issued route is, and how each of its holes is made by now. */
export interface RunOfIssue {
  run: Run;
  /** With every remedy so far; undefined for a feature that the issue does not have. */
  planAt: (hole: HoleAt) => Result<HolePlan> | undefined;
  /** What a choice changes of a hole of this plan; undefined where nothing, or where it can’t be made so. */
  changeOf: (choice: Choice, hole: HoleAt, plan: HolePlan) => ChoiceChange | undefined;
  /** Thread that was decided for a hole of this plan in place of the drawing’s; undefined where it is as drawn. */
  decidedThread: (hole: HoleAt, plan: HolePlan) => string | undefined;
  /** What a hole of this plan is held against. */
  settingFor: (hole: HoleAt, plan: HolePlan) => CheckSetting;
  /** Parts in which a hole is gauged, by what was found so far. */
  duePartsOf: (featureId: string, hole: number) => number[];
}

const known = new WeakMap<Route, RunStep[]>();
/** Steps of a frozen route with every hole gauged, made once. */
function everyStep(route: Route): RunStep[] {
  const steps = known.get(route) ?? runSteps(route);
  known.set(route, steps);
  return steps;
}

/**
 * Judges an issued route by what was recorded.
 * @param records of the job, in the order in which they happened
 */
export function runOfIssue(
  { route, job, shop }: IssuedWork,
  records: readonly BenchRecord[],
  planner: Planner,
): RunOfIssue {
  const every = job.route?.checkEvery ?? 1;
  const due = new Map<string, number[]>();
  const duePartsOf = (featureId: string, hole: number): number[] => {
    const key = `${featureId}/${hole}`;
    const parts = due.get(key) ?? partsToGauge(job.quantity, every, resultsOf(records, featureId, hole));
    due.set(key, parts);
    return parts;
  };
  const isDue: IsDue = (item, part) => duePartsOf(item.featureId, item.hole).includes(part);
  const plans = new Map<string, Result<HolePlan>>();
  let points: Expanded['points'] | undefined;
  const find = (id: string): JobFeature | undefined => job.holes.find((f) => f.id === id);
  const made = (featureId: string, change: RemedyChange): Result<HolePlan> | undefined => {
    const feature = find(featureId);
    return feature && planAtBench(feature, job, planner, change);
  };
  const remedies = remediesIn(records);
  const run = runOf(
    every <= 1 ? everyStep(route) : runSteps(route, isDue),
    records,
    ({ opKey, featureId }, _part, before, after) => isRedone(opKey, made(featureId, before), made(featureId, after)),
    (hole) => {
      const plan = made(hole.featureId, changeFor(remedies, hole));
      return plan?.ok ? plan.value.operations : [];
    },
  );
  return {
    run,
    duePartsOf,
    planAt: (hole) => {
      const plan = plans.get(holeKey(hole)) ?? made(hole.featureId, changeFor(remedies, hole));
      if (plan) plans.set(holeKey(hole), plan);
      return plan;
    },
    changeOf: (choice, hole, plan) => {
      const found = changeOfChoice(choice, plan, shop.taps ?? []);
      return found && made(hole.featureId, { ...changeFor(remedies, hole), ...found.change })?.ok ? found : undefined;
    },
    decidedThread: (hole, plan) =>
      changeFor(remedies, hole).callout === undefined ? undefined : plan.thread?.thread.designation,
    settingFor: (hole, plan) => {
      points ??= expandPlaces(job.holes.filter((f) => f.place)).points;
      return settingAt(points, hole, plan, shop, find(hole.featureId)?.zoneMm);
    },
  };
}
