import { equalFeatures } from '../job/equal-features';
import type { JobFeature } from '../job/plan-in-job';
import { holeName, type LikeHoles, type SetUp, type WorkItem } from './work-item';

/** One hole of a group of like ones that goes through to the gauge before the others are drilled. */
export interface FirstHole {
  /** Of {@link LikeHoles}. */
  key: string;
  /** As a drawing writes one of them. */
  callout: string;
  /** Which hole: `A1`. */
  hole: string;
  /** Holes, of all parts, that wait for its verdict. */
  waits: number;
  /** It is left out: all are made, then gauged. */
  leftOut: boolean;
  /** Changes of tool and speed that it costs besides, and what they take, s. */
  changes: number;
  costS: number;
}

/** Kinds of hole whose size a gauge decides. */
const GAUGED: readonly string[] = ['tapped', 'reamed'];

/** Features that are the same hole in different places of one face, in the order in which each kind first comes. */
export const likeHoles = (features: readonly (JobFeature & { id: string })[]): LikeHoles[] =>
  [...new Set(features.map((f) => f.face))].flatMap((face) =>
    equalFeatures(features.filter((f) => f.face === face)).map(({ callout, kind, features: alike }) => ({
      key: alike[0].id,
      callout,
      features: alike.map((f) => f.id),
      decides: GAUGED.includes(kind),
    })),
  );

/** Names of the holes that go through first. */
export const firstHoles = ({ setUps }: { setUps: readonly { firsts?: readonly FirstHole[] }[] }): Set<string> =>
  new Set(setUps.flatMap((s) => (s.firsts ?? []).flatMap((f) => (f.leftOut ? [] : [f.hole]))));

const spotOf = ({ featureId, hole }: WorkItem): string => `${featureId}/${hole}`;

/** Whether one hole of a group goes through first: as the user has set it; else where a gauge decides and the shop does so. */
const isWanted = ({ key, decides }: LikeHoles, set: Record<string, boolean>, habit: boolean): boolean =>
  set[key] ?? (habit && decides);

/** Items with everything of the same set-up that they need. */
function closure(items: readonly WorkItem[], among: readonly WorkItem[]): WorkItem[] {
  const byId = new Map(among.map((i) => [i.id, i]));
  const found = new Map<number, WorkItem>();
  const add = (item: WorkItem): void => {
    if (found.has(item.id)) return;
    for (const id of item.after) {
      const needed = byId.get(id);
      if (needed) add(needed);
    }
    found.set(item.id, item);
  };
  items.forEach(add);
  return [...found.values()];
}

/** What is made first in a set-up, and what its groups come to. */
export interface FirstThrough {
  /** Everything that one hole of each group needs, to its gauge. */
  items: WorkItem[];
  holes: Omit<FirstHole, 'changes' | 'costS'>[];
}

/**
 * One hole of each group of like ones of a set-up, with all its operations and its gauging.
 * @param all every set-up, in which the gauging is found; a hole that is made in several set-ups is not made through in one
 * @param quantity parts, at least 1
 * @param set groups that the user has decided about, by their key
 * @param habit the shop sends one through first
 */
export function firstThrough(
  setUp: SetUp,
  all: readonly SetUp[],
  likes: readonly LikeHoles[],
  quantity: number,
  set: Record<string, boolean>,
  habit: boolean,
): FirstThrough {
  const made = new Map<string, WorkItem[]>();
  for (const item of setUp.items) made.set(spotOf(item), [...(made.get(spotOf(item)) ?? []), item]);
  const elsewhere = new Set(all.filter((s) => s !== setUp && s.machine).flatMap((s) => s.items.map(spotOf)));
  const gauging = new Map(
    all.filter((s) => !s.machine).flatMap((s) => s.items.filter((i) => i.code === 'check').map((i) => [spotOf(i), i])),
  );
  const items: WorkItem[] = [];
  const holes: FirstThrough['holes'] = [];
  for (const like of likes) {
    const spots = [...made.keys()].filter((spot) => like.features.includes(made.get(spot)?.[0].featureId ?? ''));
    const [spot] = spots;
    const check = spot === undefined ? undefined : gauging.get(spot);
    const waits = spots.length * quantity - 1;
    if (!check || waits < 1 || elsewhere.has(spot)) continue;
    const wanted = isWanted(like, set, habit);
    holes.push({ key: like.key, callout: like.callout, hole: holeName(check), waits, leftOut: !wanted });
    const own = made.get(spot) ?? [];
    // At the machine it is gauged as soon as it is made; the far side is deburred at the bench.
    if (wanted) items.push(...own, { ...check, after: own.map((i) => i.id) });
  }
  return { items: closure(items, [...setUp.items, ...items]), holes };
}
