import { phrase, quantity, type Phrase } from '../answer/answer';
import { STOP_REPEATS_MM, thinWallMm } from './blind-depth';
import { isTreacherous } from './tap-risk';
import { handTappingSeconds } from './rhythm';
import { roleOf } from './tap';
import { askedSequence, SPIRAL, suitCost, tapSequences, type TapSequence } from './tap-sequence';
import type { TappingQuestion } from './tapping-question';
import { tapHook } from './tools-for-metal';
import { driveOf, turning, weighTurning, type Drive, type WeighedTurning } from './turning';
import { USED_OF_TURNS_LEFT, wayOfTapping, weighWay, type WayOfTapping, type WeighedWay } from './way-of-tapping';
import { slipsTooLate, unavailable, WAY_FACTS, wayLabel, WAYS, type WayId } from './ways';

/** Points lost: breaking, lean, time, stopping room, taps that suit the hole less. Least total is best. Our judgement. */
export interface TappingCost {
  breaking: number;
  lean: number;
  time: number;
  room: number;
  suit: number;
  total: number;
}

/** A way with its place among the others. */
export interface TappingWay extends WayOfTapping {
  possible: boolean;
  /** 0 for those ruled out. */
  cost: TappingCost;
  /** Why it is chosen, or why it loses. */
  reason: Phrase;
  /** Other taps that this way could drive, best first; of the way that is used alone. */
  others: { key: string; taps: string[]; possible: boolean; owned: boolean; way: WayOfTapping; cost: TappingCost }[];
}

/** Points for the risk of breaking: none where it is calm, ten where care ends, a hundred where the tap goes first. */
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
function timeCost(seconds: number, { thread, hole, holes }: TappingQuestion): number {
  const usual = handTappingSeconds(thread, hole.depthMm / thread.pitchMm + 4, true) + 20;
  return 6 * Math.log2(seconds / (holes * usual));
}

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
const LATE_POINTS = 200;

function costOf(way: WeighedWay, q: TappingQuestion): TappingCost {
  if (way.ruledOut) return NO_COST;
  const { id, sequence, turned } = way;
  const breaking = breakingCost(turned.worst.load?.safety) + (hasChippingTeeth(turned) ? TEETH_POINTS : 0);
  const lean = leanCost(way, q);
  const time = timeCost(way.secondsAll, q);
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

interface Costed {
  way: WeighedWay;
  cost: TappingCost;
}

const namesOf = ({ sequence: { taps } }: WeighedWay): string => taps.map((t) => t.name).join(', ');

/** Why a possible way loses to the best one: the cost in which it is furthest behind. */
function losesBecause({ way, cost }: Costed, best: Costed): Phrase {
  const winner = best.way;
  const [behind] = (['breaking', 'lean', 'time', 'room', 'suit'] as const)
    .map((kind) => ({ kind, by: cost[kind] - best.cost[kind] }))
    .sort((a, b) => b.by - a.by);
  if (cost.suit >= LATE_POINTS) return phrase('Under M5 it slips too late: a method to choose, not to propose.');
  if (cost.total - best.cost.total < 1) return phrase('As good, by our judgement: use whichever you prefer.');
  if (behind.kind === 'breaking')
    return phrase('Safety against breaking {safety}, against {best}.', {
      safety: quantity(way.turned.worst.load?.safety ?? 0, 'ratio'),
      best: quantity(winner.turned.worst.load?.safety ?? 0, 'ratio'),
    });
  if (behind.kind === 'lean')
    return phrase('Leans about {lean}, against {best}: the tap binds and the screw sits crooked.', {
      lean: quantity(way.leanDeg, 'deg'),
      best: quantity(winner.leanDeg, 'deg'),
    });
  if (behind.kind === 'room')
    return phrase('Stops {needed} after switching off, with {left} left above the bottom.', {
      needed: quantity(way.stopping?.turnsNeeded ?? 0, 'turns'),
      left: quantity(way.stopping?.turnsLeft ?? 0, 'turns'),
    });
  if (behind.kind === 'suit')
    return way.sequence.taps.some((t) => !t.owned)
      ? phrase('Needs a tap that is not in the crib: {tap}.', {
          tap: way.sequence.taps.find((t) => !t.owned)?.name ?? '',
        })
      : phrase('Its taps ({taps}) suit this hole and drive less.', { taps: namesOf(way) });
  return phrase('Takes about {time} min, against {best} min.', {
    time: (way.secondsAll / 60).toFixed(1),
    best: (winner.secondsAll / 60).toFixed(1),
  });
}

function winsBecause(way: Costed, second: Costed | undefined, q: TappingQuestion): Phrase {
  if (!second) return phrase('The only way that works with this hole and machine.');
  const ahead = losesBecause(second, way);
  return phrase(`Best on breaking, squareness, stopping and time together. Next is “{next}”: ${ahead.text}`, {
    ...ahead.values,
    next: wayLabel(second.way.id, q),
  });
}

const NO_COST: TappingCost = { breaking: 0, lean: 0, time: 0, room: 0, suit: 0, total: 0 };

/** The sequences of one way, best first: the one asked for where it can be done, then by points, then those ruled out. */
function ranked(costed: Costed[], asked: string | undefined): Costed[] {
  const place = ({ way, cost }: Costed): number =>
    way.ruledOut ? Infinity : way.sequence.key === asked ? -Infinity : cost.total;
  return [...costed].sort((a, b) => place(a) - place(b) || 0);
}

/** Works something out once for each key. */
function once<K, I extends unknown[], V>(keyOf: (...input: I) => K, work: (...input: I) => V): (...input: I) => V {
  const known = new Map<K, V>();
  return (...input) => {
    const key = keyOf(...input);
    const value = known.get(key) ?? work(...input);
    known.set(key, value);
    return value;
  };
}

/** Sequences weighed under each kind of drive: ways that turn them alike share it. */
const turner = (q: TappingQuestion): ((sequence: TapSequence, drive: Drive) => WeighedTurning) =>
  once(
    ({ key }, { power, freehand, runIn, turnsBack }) => `${key} ${power} ${freehand} ${runIn} ${turnsBack}`,
    (sequence, drive) => weighTurning(q, sequence, drive),
  );

/** A way with its best sequence and the others, best first. */
interface WeighedTaps {
  best: Costed;
  others: Costed[];
}

/** Every way, each with every sequence of taps, weighed; one that is not to be had with its first alone. */
function weighAll(q: TappingQuestion): WeighedTaps[] {
  const sequences = tapSequences(q);
  const asked = q.asked && askedSequence(q)?.key;
  const turningOf = turner(q);
  return WAYS.map((id) => {
    const out = unavailable(id, q);
    const list = (out ? sequences.slice(0, 1) : sequences).map((sequence): Costed => {
      const way = weighWay(id, q, sequence, turningOf(sequence, driveOf(id)), out);
      return { way, cost: costOf(way, q) };
    });
    const [best, ...others] = ranked(list, asked);
    return { best, others };
  });
}

const othersOf = (others: readonly Costed[], figured: (way: WeighedWay) => WayOfTapping): TappingWay['others'] =>
  others.map(({ way, cost }) => ({
    key: way.sequence.key,
    taps: way.sequence.taps.map((t) => `${t.name} ${t.chamferThreads}`),
    possible: !way.ruledOut,
    owned: way.sequence.taps.every((t) => t.owned),
    way: figured(way),
    cost,
  }));

/**
 * Every way of driving the taps, best first, each with its best sequence and a reason; those ruled out come last. The one
 * that is used (`q.askedWay` where it can be done, else the best) has the other taps that it could drive. Points are our
 * judgement; the figures behind them are shown.
 */
export function waysOfTapping(q: TappingQuestion): TappingWay[] {
  const all = weighAll(q);
  const open = all.filter(({ best }) => !best.way.ruledOut).sort((a, b) => a.best.cost.total - b.best.cost.total);
  const [winner, second] = open;
  const used = open.find(({ best }) => best.way.id === q.askedWay) ?? winner;
  const figuresOf = once(
    (turned: WeighedTurning) => turned,
    (turned) => turning(q, turned),
  );
  const figured = (way: WeighedWay): WayOfTapping => wayOfTapping(way, q, figuresOf(way.turned));
  const told = (entry: WeighedTaps, reason: Phrase): TappingWay =>
    Object.assign(figured(entry.best.way), {
      cost: entry.best.cost,
      possible: !entry.best.way.ruledOut,
      reason,
      others: entry === used ? othersOf(entry.others, figured) : [],
    });
  return [
    ...open.map((entry) =>
      told(entry, entry === winner ? winsBecause(entry.best, second?.best, q) : losesBecause(entry.best, winner.best)),
    ),
    ...all.filter(({ best }) => best.way.ruledOut).map((entry) => told(entry, entry.best.way.ruledOut as Phrase)),
  ];
}
