import { TAPPED_TO_HB, type Material } from '../materials/material';
import { isTapered } from '../threads/thread';
import { isTapUsable, tapToUse } from './own-tap';
import { usualFigures, type UsualFigures } from './tap-lengths.table';
import { roleOf, TAP_ROLES, usualTap, type Tap, type TapRole, type TapToUse } from './tap';
import type { TappingQuestion } from './tapping-question';

/** Taps for one hole in the order used. */
export interface TapSequence {
  /** Keys of its taps. */
  key: string;
  taps: TapToUse[];
}

const sequence = (taps: TapToUse[]): TapSequence => ({ key: taps.map((t) => t.key).join(','), taps });

const THROUGH: readonly (readonly TapRole[])[] = [
  ['taper'],
  ['plug'],
  ['spiral-point'],
  ['spiral-flute'],
  ['rougher', 'finisher'],
  ['rougher', 'intermediate', 'finisher'],
];
const BLIND: readonly (readonly TapRole[])[] = [
  ['plug'],
  ['taper', 'plug'],
  ['plug', 'bottoming'],
  ['taper', 'plug', 'bottoming'],
  ['plug', 'ground-bottoming'],
  ['bottoming'],
  ['spiral-flute'],
  ['spiral-point'],
  ['rougher', 'finisher'],
  ['rougher', 'intermediate', 'finisher'],
];
/** Serial sets are proposed where the crib has one, never to buy. */
const ONLY_OWNED: readonly TapRole[] = ['rougher', 'intermediate', 'finisher'];

/** Above what a hand turns only cobalt and carbide keep their edge. */
export const holdsEdge = ({ steel }: Pick<Tap, 'steel'>, { hardnessHb }: Material): boolean =>
  hardnessHb <= TAPPED_TO_HB.byHand || steel === 'cobalt' || steel === 'carbide';

/** Taps of the crib that make this thread in this metal. */
export function tapsFor({ thread, taps, leftHand, habits, material }: TappingQuestion): TapToUse[] {
  const hand = leftHand ? 'left' : 'right';
  return (taps ?? [])
    .filter((t) => t.thread === thread.designation && t.hand === hand && isTapUsable(t) && holdsEdge(t, material))
    .map((t) => tapToUse(t, thread, habits.tapNames));
}

/** The tap of the crib for each role, the sharpest where there are several; else the usual one, to buy. */
function byRole(
  q: TappingQuestion,
  own: readonly TapToUse[],
  role: TapRole,
  figures?: UsualFigures,
): TapToUse | undefined {
  const [first] = own.filter((t) => roleOf(t, q.thread) === role).sort((a, b) => (a.wear ?? 1) - (b.wear ?? 1));
  if (first) return first;
  if (ONLY_OWNED.includes(role)) return undefined;
  const usual = usualTap(role, q.thread, q.habits.tapNames, !q.hole.through, q.taps === undefined, figures);
  // To buy for hard metal: one that holds its edge.
  return !holdsEdge(usual, q.material)
    ? { ...usual, steel: 'cobalt', name: `${usual.name}, cobalt`, owned: false }
    : usual;
}

/** The sequence that the user has picked by the keys or roles of its taps; undefined where one of them is not to be had. */
function askedSequence(
  q: TappingQuestion,
  own: readonly TapToUse[],
  byRoles: (role: TapRole) => TapToUse | undefined,
): TapSequence | undefined {
  if (!q.asked) return undefined;
  const roleNamed = (key: string): TapRole | undefined => TAP_ROLES.find((role) => role === key);
  const taps = q.asked.map((key) => {
    const role = roleNamed(key);
    return own.find((t) => t.key === key) ?? (role && byRoles(role));
  });
  const found = taps.filter((t): t is TapToUse => t !== undefined && (t.geometry === 'form') === q.forming);
  return found.length === q.asked.length ? sequence(found) : undefined;
}

/** Sequences of taps that could make a thread; the one that the user has picked first, where it can be had. */
export interface TapSequences {
  all: TapSequence[];
  asked?: TapSequence;
}

/** Every sequence of taps that could make this thread, of the crib's own taps and usual ones to buy. */
export function tapSequences(q: TappingQuestion): TapSequences {
  const own = tapsFor(q);
  const roles: readonly (readonly TapRole[])[] = isTapered(q.thread)
    ? [['pipe']]
    : q.forming
      ? [['form']]
      : q.hole.through
        ? THROUGH
        : BLIND;
  const figures = usualFigures(q.thread);
  const forRole = (role: TapRole): TapToUse | undefined => byRole(q, own, role, figures);
  const asked = askedSequence(q, own, forRole);
  const found = new Map([...new Set(roles.flat())].map((role) => [role, forRole(role)]));
  const made = roles.flatMap((list) => {
    const taps = list.map((role) => found.get(role)).filter((t): t is TapToUse => t !== undefined);
    return taps.length === list.length ? [sequence(taps)] : [];
  });
  return { all: asked ? [asked, ...made.filter((s) => s.key !== asked.key)] : made, asked };
}
