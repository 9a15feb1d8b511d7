import { isHandHeld } from '../cutting/machine';
import { allCautions, refusals, type HolePlan } from '../hole/hole-plan';
import { settingOf, type JobHead, type Planner } from '../job/plan-in-job';
import type { Shop } from '../shop/shop';
import { planRoute, type RouteEdits } from './route';
import type { RoutedFeature } from './work-item';
import { workOfJob } from './work-of-job';

/** Every feature on another machine, and what the whole then takes. */
export interface MachineChoice {
  label: string;
  /** Machine of each feature, by its id. */
  machines: Record<string, string>;
  seconds: number;
}

/** Jobs with more features than this are not planned for every machine. */
const MOST_FEATURES = 60;
/** Less than this is not worth moving for, s. */
const WORTH_S = 60;
const SHOWN = 3;

/** A hole off the axis of a lathe. */
const isUnfit = (feature: RoutedFeature, { machine }: HolePlan, { part }: JobHead): boolean =>
  machine?.kind === 'lathe' && (settingOf(part, feature).offAxisMm ?? 0) > ON_AXIS_MM;
const ON_AXIS_MM = 0.5;

/**
 * Other machines on which the job would be finished sooner: all of it on one, or each feature where it is made soonest, the
 * way between machines counted. Only where each hole can be made there with no more warnings than now, and never in a drill
 * that is held by hand: what it saves it costs in squareness.
 * @param nowS what the route takes as it is, s
 */
export function machineChoices(
  features: readonly RoutedFeature[],
  job: JobHead,
  shop: Shop,
  planner: Planner,
  edits: RouteEdits,
  nowS: number,
): MachineChoice[] {
  if (features.length > MOST_FEATURES) return [];
  const on = (feature: RoutedFeature, machine: string): RoutedFeature => ({
    ...feature,
    question: { ...feature.question, machine },
  });
  const judged = (feature: RoutedFeature): { warnings: number; seconds: number } => {
    const plan = planner.plan(feature, job);
    if (!plan.ok || refusals(plan.value).length > 0 || isUnfit(feature, plan.value, job))
      return { warnings: Infinity, seconds: Infinity };
    return { warnings: allCautions(plan.value).filter((c) => c.level !== 'note').length, seconds: plan.value.seconds };
  };
  const fixed = shop.machines.filter((machine) => !isHandHeld(machine));
  const fit = features.map((feature) => {
    const now = judged(feature).warnings;
    return new Map(
      fixed.flatMap(({ id }) => {
        const there = judged(on(feature, id));
        return there.warnings <= now && there.seconds < Infinity ? [[id, there.seconds] as const] : [];
      }),
    );
  });
  const candidates: { label: string; pick: (i: number) => string | undefined }[] = [
    ...fixed.map(({ id, name }) => ({
      label: `All on the ${name}`,
      pick: (i: number) => (fit[i].has(id) ? id : undefined),
    })),
    {
      label: 'Each feature where it is made soonest',
      pick: (i) => [...fit[i]].sort((a, b) => a[1] - b[1])[0]?.[0],
    },
  ];
  const chosen = candidates.flatMap(({ label, pick }) => {
    const machines = features.map((_, i) => pick(i));
    return machines.every((m) => m !== undefined) ? [{ label, machines }] : [];
  });
  const keys = chosen.map(({ machines }) => machines.join(' '));
  return chosen
    .filter((_, i) => keys.indexOf(keys[i]) === i)
    .flatMap(({ label, machines }): MachineChoice[] => {
      const moved = features.map((f, i) => on(f, machines[i]));
      const work = workOfJob(moved, job, shop, planner, edits);
      if (!work.ok) return [];
      const { seconds } = planRoute(work.value, job.quantity, shop.habits);
      return [{ label, machines: Object.fromEntries(features.map((f, i) => [f.id, machines[i]])), seconds }];
    })
    .filter((c) => c.seconds < nowS - WORTH_S)
    .sort((a, b) => a.seconds - b.seconds)
    .slice(0, SHOWN);
}
