import { problem, type Problem } from '../answer/answer';
import type { Route, RouteSetUp, Visit } from './route';
import type { WorkItem } from './work-item';

/** One screen at the bench: a clamping, or one operation on one hole of one part. */
export interface RunStep {
  /** The same on every device. */
  key: string;
  kind: 'clamp' | 'work';
  setUp: number;
  /** From 1. */
  part: number;
  visit?: Visit;
  item?: WorkItem;
  /** Tool or speed are others than in the step before. */
  newTool: boolean;
  newSpeed: boolean;
  /** Place among the holes that this visit makes in this part. */
  place?: { n: number; of: number };
}

/** A run has no more steps than this: what a bench opens in a moment and a server follows beside all else. */
export const MOST_STEPS = 200_000;

/** How many steps a run of a route has at most, without making them. */
export function countSteps({ setUps, quantity }: Pick<Route, 'setUps' | 'quantity'>): number {
  return setUps.reduce((n, { machine, visits, isFirst }) => {
    const work = visits.reduce((sum, v) => sum + v.items.length, 0);
    return n + (work + (machine ? visits.length : 0)) * (isFirst ? 1 : quantity);
  }, 0);
}

/** Why a route cannot be followed at the bench: more steps than a run may have; undefined where it can. */
export function tooManySteps(route: Pick<Route, 'setUps' | 'quantity'>): Problem | undefined {
  const steps = countSteps(route);
  if (steps <= MOST_STEPS) return undefined;
  const parts = Math.floor((MOST_STEPS * route.quantity) / steps);
  return parts < 1
    ? problem('steps-many', 'route', 'One part has more steps than a route can follow.', 'Split the job into several.')
    : problem(
        'steps-many',
        'quantity',
        '{quantity} parts have more steps than a route can follow.',
        'Split the batch: at most {parts} parts at a time.',
        { quantity: route.quantity, parts },
      );
}

/** Checks are made on every hole of every part, where the shop does not sample. */
export type IsDue = (item: WorkItem, part: number) => boolean;

/** An operation on a hole of a part: the same in every issue of the job, so that what is done stays done. */
export const workKey = (
  { featureId, hole, opKey }: Pick<WorkItem, 'featureId' | 'hole' | 'opKey'>,
  part: number,
): string => [featureId, hole, opKey, part].join('/');

function clampStep(setUp: RouteSetUp, n: number, part: number, visit?: Visit): RunStep[] {
  if (!setUp.machine) return [];
  const key = ['clamp', setUp.key, part, ...(visit ? [visit.tool] : [])].join('/');
  return [{ key, kind: 'clamp', setUp: n, part, newTool: false, newSpeed: false }];
}

type Bare = Omit<RunStep, 'newTool' | 'newSpeed'>;

function visitSteps(visit: Visit, n: number, part: number, isLeft: IsDue): Bare[] {
  const items = visit.items.filter((item) => isLeft(item, part));
  // One tool may do several things to a hole: holes are counted, not what is done.
  const holeOf = (item: WorkItem): string => `${item.featureId}/${item.hole}`;
  const holes = new Map<string, number>();
  for (const item of items) if (!holes.has(holeOf(item))) holes.set(holeOf(item), holes.size + 1);
  return items.map((item) => ({
    key: workKey(item, part),
    kind: 'work' as const,
    setUp: n,
    part,
    visit,
    item,
    place: { n: holes.get(holeOf(item)) ?? 1, of: holes.size },
  }));
}

/** Everything that an issued route asks for, step by step, for all parts, in the order of the work. */
export function runSteps(route: Route, isDue: IsDue = () => true): RunStep[] {
  const all = Array.from({ length: route.quantity }, (_, i) => i + 1);
  /** What the first part has by then, of the holes that went through first. */
  const first = new Set(
    route.setUps.filter((s) => s.isFirst).flatMap((s) => s.visits.flatMap((v) => v.items.map((i) => workKey(i, 1)))),
  );
  const bare = route.setUps.flatMap((setUp, n): Bare[] => {
    const isLeft: IsDue = (item, part) =>
      (item.code !== 'check' || isDue(item, part)) && (setUp.isFirst || part > 1 || !first.has(workKey(item, part)));
    const parts = setUp.isFirst ? [1] : all;
    // The first part stays clamped after the hole that went through first.
    const clamped = !setUp.isFirst && route.setUps[n - 1]?.isFirst;
    /** A part is clamped for the work that is left on it. */
    const clampedFor = (part: number, work: Bare[], visit?: Visit): Bare[] => {
      if (work.length === 0) return [];
      const isHeld = clamped && part === 1 && (!visit || visit === setUp.visits[0]);
      return isHeld ? work : [...clampStep(setUp, n, part, visit), ...work];
    };
    return setUp.mode === 'part' || route.quantity === 1
      ? parts.flatMap((part) =>
          clampedFor(
            part,
            setUp.visits.flatMap((visit) => visitSteps(visit, n, part, isLeft)),
          ),
        )
      : setUp.visits.flatMap((visit) =>
          parts.flatMap((part) => clampedFor(part, visitSteps(visit, n, part, isLeft), visit)),
        );
  });
  let tool: string | undefined;
  let rpm: number | undefined;
  return bare.map((step) => {
    const newTool = step.visit !== undefined && step.visit.tool !== tool;
    const newSpeed = step.item?.rpm !== undefined && step.item.rpm !== rpm;
    tool = step.visit?.tool ?? tool;
    rpm = step.item?.rpm ?? rpm;
    return { ...step, newTool, newSpeed };
  });
}
