import { TAPPED_TO_HB, type Material } from '../materials/material';
import { isTapered } from '../threads/thread';
import { isTapUsable, tapToUse } from './own-tap';
import { usualTapFigures, type TapFigures } from './tap-lengths.table';
import { roleOf, TAP_ROLES, usualTap, type Tap, type TapRole, type TapToUse } from './tap';
import { isTreacherous } from './tap-risk';
import { tapHook } from './tools-for-metal';
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
  figures?: TapFigures,
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
export function askedSequence(q: TappingQuestion, own: readonly TapToUse[] = tapsFor(q)): TapSequence | undefined {
  if (!q.asked) return undefined;
  const roleNamed = (key: string): TapRole | undefined => TAP_ROLES.find((role) => role === key);
  const taps = q.asked.map((key) => {
    const role = roleNamed(key);
    return own.find((t) => t.key === key) ?? (role && byRole(q, own, role));
  });
  const found = taps.filter((t): t is TapToUse => t !== undefined && (t.geometry === 'form') === q.forming);
  return found.length === q.asked.length ? sequence(found) : undefined;
}

/**
 * Every sequence of taps that could make this thread, of the crib's own taps and usual ones to buy; the one that the user
 * has picked first.
 */
export function tapSequences(q: TappingQuestion): TapSequence[] {
  const own = tapsFor(q);
  const roles: readonly (readonly TapRole[])[] = isTapered(q.thread)
    ? [['pipe']]
    : q.forming
      ? [['form']]
      : q.hole.through
        ? THROUGH
        : BLIND;
  const asked = askedSequence(q, own);
  const figures = usualTapFigures(q.thread);
  const found = new Map([...new Set(roles.flat())].map((role) => [role, byRole(q, own, role, figures)]));
  const made = roles.flatMap((list) => {
    const taps = list.map((role) => found.get(role)).filter((t): t is TapToUse => t !== undefined);
    return taps.length === list.length ? [sequence(taps)] : [];
  });
  return asked ? [asked, ...made.filter((s) => s.key !== asked.key)] : made;
}

export const SPIRAL: readonly string[] = ['spiral-point', 'spiral-flute'];
/** From this size on a tough metal is begun with a taper or a serial set, mm. Trade rule. */
const TOUGH_FROM_MM = 7.9;
const LONG_CHAMFER = 6;
/** Chips that crumble do not run along a spiral. */
const curls = (m: Material): boolean => tapHook(m) !== 'no hook';

/**
 * Points against a sequence that its load does not show: geometry against chips and depth, a plug alone in tough metal, a
 * bottoming tap used alone, a taper in a sheet, taps to buy, another surface. Trade rules, points our judgement.
 */
export function suitCost(q: TappingQuestion, { taps }: TapSequence): number {
  const { thread, material, hole } = q;
  const [first] = taps;
  const deepD = hole.depthMm / thread.majorMm + 1e-9;
  let cost = 12 * taps.filter((t) => !t.owned).length;
  cost += taps.some((t) => (t.wear ?? 1) >= 1.5) ? 4 : 0;
  if (SPIRAL.includes(first.geometry) && !curls(material)) cost += 15;
  if (first.geometry === 'spiral-flute') cost += hole.through ? 8 : isTreacherous(material) || deepD > 2.5 ? 10 : 0;
  if (first.geometry === 'spiral-point' && !hole.through) cost += 14;
  if (taps.some((t) => t.key === 'ground-bottoming')) cost += 4;
  if (first.geometry === 'straight' && first.place === 'complete') {
    if (isTreacherous(material) && thread.majorMm >= TOUGH_FROM_MM && first.chamferThreads < LONG_CHAMFER) cost += 20;
    if (!hole.through && first.chamferThreads < 3) cost += 20;
    if (hole.through && first.chamferThreads >= LONG_CHAMFER && deepD < 1) cost += 8;
    if (hole.through && first.chamferThreads < LONG_CHAMFER && deepD >= 1) cost += 3;
  }
  return cost;
}
