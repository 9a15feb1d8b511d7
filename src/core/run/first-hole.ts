import { composed, phrase } from '../answer/answer';
import { drillName, type Drill } from '../drills/drill';
import type { HolePlan, ThreadPart } from '../hole/hole-plan';
import { remedyFor, type Remedy } from '../hole/remedies';
import { kindsThat } from '../operation/kinds';
import type { TapDrillCandidate } from '../tap-drill/tap-drill-candidate';
import type { Route } from '../route/route';
import type { WorkItem } from '../route/work-item';
import { holeKey, type HoleAt, type RemedyChange } from './bench-record';
import { stepHole } from './bench-step';
import type { Run } from './run';
import type { Checked } from './run-records';

/** What the holes wait for that come after one that went through first. */
export interface FirstHere {
  /** Holes like it that are not drilled yet, of all parts. */
  left: number;
  /** What makes them come out otherwise; undefined where nothing in the question would. */
  remedy?: { label: Remedy['label']; change: RemedyChange };
}

/** Features alike of a route: of which one went through first. */
export const alikeOf = (
  { setUps }: Route,
  likes: ReadonlyMap<string, readonly string[]>,
  at: HoleAt,
): readonly string[] | undefined =>
  at.part === 1 &&
  setUps.some(
    (s) =>
      s.isFirst &&
      s.visits.some((v) =>
        v.items.some((i) => i.code === 'check' && i.featureId === at.featureId && i.hole === at.holeNumber),
      ),
  )
    ? likes.get(at.featureId)
    : undefined;

const BORED: readonly WorkItem['code'][] = kindsThat((kind) => kind.removes === 'bore');

/** Holes of these features on which nothing has been bored yet, beside one of them. */
function notDrilled({ steps, settled }: Run, alike: readonly string[], at: HoleAt): number {
  const open = new Set<string>();
  const begun = new Set<string>();
  for (const step of steps) {
    const hole = stepHole(step);
    if (!hole || !step.item || !alike.includes(hole.featureId)) continue;
    if (!BORED.includes(step.item.code)) continue;
    (settled.has(step.key) ? begun : open).add(holeKey(hole));
  }
  begun.add(holeKey(at));
  return [...open].filter((key) => !begun.has(key)).length;
}

type Gauged = Pick<Checked['body'], 'check' | 'values'>;

/**
 * The drill of the crib whose hole, cut as the one that was pinned, comes nearest to the middle of the class. What was
 * measured goes before what was predicted.
 */
function drillByPins(
  { tapDrill: { candidates, used }, limits }: ThreadPart,
  values: Gauged['values'],
  canBeMade: (change: RemedyChange) => boolean,
): { drill: Drill; offMm: number } | undefined {
  if (!limits || values.in === undefined) return undefined;
  const { minorMinMm: least, minorMaxMm: most } = limits;
  const measured = (values.in + (values.out ?? values.in)) / 2;
  const off = measured - used.finishedMinorMm;
  const from = (c: TapDrillCandidate): number => Math.abs(c.finishedMinorMm + off - (least + most) / 2);
  const drill = candidates
    .filter((c) => c.finishedMinorMm + off >= least && c.finishedMinorMm + off <= most)
    .sort((a, b) => from(a) - from(b))
    .map((c) => c.drill)
    .find(({ label }) => canBeMade({ drill: label }));
  return drill && { drill, offMm: off };
}

/** Another drill for the holes that wait: by the pins where they were tried, else the next up or down. */
function remedyOf(
  { check, values }: Gauged,
  plan: HolePlan,
  canBeMade: (change: RemedyChange) => boolean,
): FirstHere['remedy'] {
  const pinned = check === 'minor' && plan.thread ? drillByPins(plan.thread, values, canBeMade) : undefined;
  if (pinned)
    return {
      label: phrase('Use {drill} for them', { drill: drillName(pinned.drill) }),
      change: { drill: pinned.drill.label, pinnedOffMm: pinned.offMm },
    };
  const kind = check === 'go' ? 'next-drill' : check === 'not-go' ? 'smaller-drill' : undefined;
  const found = kind && remedyFor(kind, plan);
  return (
    found && {
      label: composed(`${found.label.text} for them`, found.label.values),
      change: found.change as RemedyChange,
    }
  );
}

/** What a gauging that failed means for the holes that wait for it. */
export function firstHere(
  run: Run,
  alike: readonly string[],
  at: HoleAt,
  plan: HolePlan,
  gauged: Gauged,
  canBeMade: (change: RemedyChange) => boolean,
): FirstHere | undefined {
  const left = notDrilled(run, alike, at);
  return left === 0 ? undefined : { left, remedy: remedyOf(gauged, plan, canBeMade) };
}
