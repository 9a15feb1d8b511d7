import type { Material } from '../materials/material';
import { STOP_REPEATS_MM, thinWallMm } from './blind-depth';
import { handTappingSeconds } from './rhythm';
import { roleOf } from './tap';
import { isTreacherous } from './tap-risk';
import type { TapSequence } from './tap-sequence';
import type { TappingQuestion } from './tapping-question';
import { tapHook } from './tools-for-metal';
import type { WeighedTurning } from './turning';
import { USED_OF_TURNS_LEFT, type WeighedWay } from './way-of-tapping';
import { slipsTooLate, WAY_FACTS, type WayId } from './ways';

/** Points lost: breaking, lean, time, stopping room, taps that suit the hole less. Least total is best. Our judgement. */
export interface TappingCost {
  breaking: number;
  lean: number;
  time: number;
  room: number;
  suit: number;
  total: number;
}

const NO_COST: TappingCost = { breaking: 0, lean: 0, time: 0, room: 0, suit: 0, total: 0 };

const SPIRAL: readonly string[] = ['spiral-point', 'spiral-flute'];
/** From this size on a tough metal is begun with a taper or a serial set, mm. Trade rule. */
const TOUGH_FROM_MM = 7.9;
const LONG_CHAMFER = 6;
/** Chips that crumble do not run along a spiral. */
const curls = (m: Material): boolean => tapHook(m) !== 'no hook';

/**
 * Points against a sequence that its load does not show: geometry against chips and depth, a plug alone in tough metal, a
 * bottoming tap used alone, a taper in a sheet, taps to buy, another surface. Trade rules, points our judgement.
 */
function suitCost(q: TappingQuestion, { taps }: TapSequence): number {
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

/**
 * Points for the risk of breaking, 0 to 145, by what the tap holds over what it takes: none where it is calm, ten where care ends, a hundred where the tap goes first.
 * @example breakingCost(1.3) // 10
 */
export function breakingCost(safety: number | undefined): number {
  if (safety === undefined || safety >= 1.85) return 0;
  if (safety >= 1.3) return (10 * (1.85 - safety)) / 0.55;
  return safety >= 0.9 ? 10 + (90 * (1.3 - safety)) / 0.4 : 100 + 50 * (0.9 - safety);
}

/** Teeth that may chip count as much as a tap that is close to breaking. */
const TEETH_POINTS = 12;
const hasChippingTeeth = ({ each }: WeighedTurning): boolean => each.some((use) => use.load?.teethMayChip);

/** Points for the lean of a tap, degrees: it binds more the deeper it goes. */
const leanCost = ({ leanDeg }: WeighedWay, { hole, thread }: TappingQuestion): number =>
  8 * leanDeg * Math.min(3, Math.max(0.5, hole.depthMm / thread.majorMm));

/** Points for time: six for each doubling against plain hand tapping, less for what is quicker. */
const timeCost = (seconds: number, usual: number): number => 6 * Math.log2(seconds / usual);

/** Seconds that all holes take by hand, plainly. */
const usualSeconds = ({ thread, hole, holes }: TappingQuestion): number =>
  holes * (handTappingSeconds(thread, hole.depthMm / thread.pitchMm + 4, true) + 20);

/** A spindle that runs towards a bottom is never without risk; more the less room it has. */
const stoppingCost = ({ stopping }: WeighedWay): number =>
  stopping ? 5 + 10 * (stopping.turnsNeeded / (USED_OF_TURNS_LEFT * stopping.turnsLeft)) ** 2 : 0;

/** Points for a wall under the hole that may bulge: the more the thinner it is. */
function wallCost({ wallMm }: WeighedTurning, { thread }: TappingQuestion): number {
  const sound = thinWallMm(thread.majorMm) - STOP_REPEATS_MM;
  return wallMm === undefined || wallMm >= sound ? 0 : (30 * (sound - wallMm)) / sound;
}

/** A thread of these sizes, mm, in a batch: where forming comes first. Trade rule. */
const FORMED_BEST = { fromMm: 1.9, toMm: 10.1, holes: 10 } as const;
/** Points for how well forming suits; none for cutting. */
function formingCost(id: WayId, { forming, material, thread, holes }: TappingQuestion): number {
  if (!forming) return 0;
  const guided = id !== 'hand-free';
  const size = thread.majorMm >= FORMED_BEST.fromMm && thread.majorMm <= FORMED_BEST.toMm;
  if (material.formTapping !== 'good' || isTreacherous(material)) return 15;
  return guided && size && holes >= FORMED_BEST.holes ? -12 : 12;
}

/** By hand, size up to which a spiral point is the first choice through, and metals for a spiral flute. Trade rules, mm. */
const POINT_BY_HAND = { fromMm: 2.9, toMm: 6.4 } as const;
const AGAINST_HABIT = 40;
/** Points for machine taps by hand where they are not the first choice, and for hand taps under power. */
function handCost(id: WayId, q: TappingQuestion, { taps }: TapSequence): number {
  const { material, thread, hole } = q;
  const [{ geometry }] = taps;
  if (!WAY_FACTS[id].byHand) return geometry === 'straight' && tapHook(material) !== 'no hook' ? 6 : 0;
  const always = q.habits.firstTap;
  if (always !== 'by-hole' && !q.forming && roleOf(taps[0], thread) !== always) return AGAINST_HABIT;
  // Whose taps are not known has a hand set, before all.
  if (q.taps === undefined && SPIRAL.includes(geometry)) return 16;
  const soft = material.group === 'aluminium' || material.group === 'copper-alloy' || material.group === 'zinc';
  if (geometry === 'spiral-point') {
    const size = thread.majorMm >= POINT_BY_HAND.fromMm && thread.majorMm <= POINT_BY_HAND.toMm;
    return size && hole.through ? (soft ? 6 : 0) : 14;
  }
  return geometry === 'spiral-flute' && !soft ? 14 : 0;
}

/** Points for a tap that does not reach: it needs a long shank. */
const reachCost = ({ each }: WeighedTurning): number =>
  each.some((use) => use.tipMm > use.tap.reachMm + 0.5) ? 10 : 0;

/**
 * Depth beyond the thread that costs, in diameters: more than about this, or what makes a hole deeper than that. A plug tap
 * with its pitch of room takes up to 1.13 in the coarsest small threads, and is the usual choice there. Trade rule.
 */
const DEEP = { extraD: 1.15, holeD: 5 } as const;
const DEEP_POINTS = { owned: 40, toBuy: 120, eachD: 20 } as const;
/** Points for a hole that this way makes much deeper than the thread needs: only where no other tap does it, never to buy one. */
function depthCost({ depth, taps }: WeighedTurning, { hole, thread }: TappingQuestion): number {
  if (!depth) return 0;
  // What a spindle needs to stop in is a choice of its own.
  const stoppingMm = taps[taps.length - 1].geometry === 'spiral-point' ? 0 : depth.chipRoomMm - thread.pitchMm;
  const full = depth.fullMm - hole.fromMm - stoppingMm;
  const extraD = (full - hole.depthMm) / thread.majorMm;
  const makesDeep = full > DEEP.holeD * thread.majorMm && hole.depthMm <= DEEP.holeD * thread.majorMm;
  if (extraD <= DEEP.extraD && !makesDeep) return 0;
  return (
    DEEP_POINTS[taps.every((t) => t.owned) ? 'owned' : 'toBuy'] + DEEP_POINTS.eachD * Math.max(0, extraD - DEEP.extraD)
  );
}

/** Points for a tap wrench to buy; for a holder beside the chuck, which does not slip; for a chuck that slips too late. */
const WRENCH_POINTS = 12;
const HOLDER_POINTS = { owned: 3, toBuy: 12 } as const;
export const LATE_POINTS = 200;

/** How the ways of a question are priced: what each costs in points; nothing where it is ruled out. */
export function priced(q: TappingQuestion): (way: WeighedWay) => TappingCost {
  const usual = usualSeconds(q);
  return (way) => costOf(way, q, usual);
}

function costOf(way: WeighedWay, q: TappingQuestion, usual: number): TappingCost {
  if (way.ruledOut) return NO_COST;
  const { id, sequence, turned } = way;
  const breaking = breakingCost(turned.worst.load?.safety) + (hasChippingTeeth(turned) ? TEETH_POINTS : 0);
  const lean = leanCost(way, q);
  const time = timeCost(way.secondsAll, usual);
  const room = stoppingCost(way) + wallCost(turned, q) + depthCost(turned, q);
  const suit =
    suitCost(q, sequence) +
    handCost(id, q, sequence) +
    formingCost(id, q) +
    reachCost(turned) +
    (way.oddSquareMm === undefined ? 0 : WRENCH_POINTS) +
    (way.holder ? HOLDER_POINTS[way.holder.name === undefined ? 'toBuy' : 'owned'] : 0) +
    (slipsTooLate(id, q) ? LATE_POINTS : 0);
  return { breaking, lean, time, room, suit, total: breaking + lean + time + room + suit };
}
