import { phrase } from '../answer/answer';
import type { CheckKind } from '../gauging/checks-of';
import type { HolePlan } from '../hole/hole-plan';
import { remedyFor, type Remedy } from '../hole/remedies';
import { kindsThat } from '../operation/kinds';
import type { Route } from '../route/route';
import type { WorkItem } from '../route/work-item';
import { holeKey, type HoleAt, type RemedyChange } from './bench-record';
import { stepHole } from './bench-step';
import type { Run } from './run';

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

/** A hole too small takes the next drill up, one too large the next down. */
function remedyOfCheck(kind: CheckKind, isSmall: boolean, plan: HolePlan): FirstHere['remedy'] {
  const found =
    kind === 'go' || (kind === 'minor' && isSmall)
      ? remedyFor('next-drill', plan)
      : kind === 'minor' || kind === 'not-go'
        ? remedyFor('smaller-drill', plan)
        : undefined;
  return (
    found && { label: phrase(`${found.label.text} for them`, found.label.values), change: found.change as RemedyChange }
  );
}

/**
 * What a gauging that failed means for the holes that wait for it.
 * @param isSmall it failed because the hole is too small
 */
export function firstHere(
  run: Run,
  alike: readonly string[],
  at: HoleAt,
  plan: HolePlan,
  kind: CheckKind,
  isSmall: boolean,
): FirstHere | undefined {
  const left = notDrilled(run, alike, at);
  return left === 0 ? undefined : { left, remedy: remedyOfCheck(kind, isSmall, plan) };
}
