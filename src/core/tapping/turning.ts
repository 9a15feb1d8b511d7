import type { Answer } from '../answer/answer';
import { lowestRpm } from '../cutting/machine';
import { isTapered, type Thread } from '../threads/thread';
import { thinWallMm, type BlindDepth, type BlindParts } from './blind-depth';
import { biteTurns, countTaperTurns, countTurns, taperTurns, totalTurns } from './rhythm';
import type { TapToUse } from './tap';
import { loadFigures, tapLoad, type LoadFigures, type TapLoad } from './tap-load';
import type { TapSequence } from './tap-sequence';
import type { TapShare } from './tap-shares';
import { breakingTorque, rankOf } from './tap-strength';
import { partsForTap, tappingConditions, wallUnder, type TappingQuestion } from './tapping-question';
import type { TappingConditions } from './tapping-torque';
import { WAY_FACTS, type WayId } from './ways';

/** How a way turns its taps. */
export interface Drive {
  /** Under power all the way. */
  power: boolean;
  /** Nothing guides the tap. */
  freehand: boolean;
  /** The spindle begins, a wrench finishes. */
  runIn: boolean;
  /** Under power, and turned back to break its chips. */
  turnsBack: boolean;
}

export const driveOf = (id: WayId): Drive => ({
  power: !WAY_FACTS[id].byHand,
  freehand: id === 'hand-free',
  runIn: WAY_FACTS[id].runIn === true,
  turnsBack: WAY_FACTS[id].turnsBack === true,
});

/** One tap of a sequence at its work. */
export interface TapUse {
  tap: TapToUse;
  conditions: TappingConditions;
  /** Undefined for tapered threads, to which the model does not apply. */
  load?: TapLoad;
  turns: Answer;
  /** Turns forward before turning back; 0 without reversing. */
  biteTurns: number;
  /** Where its tip is at its deepest, mm from the face. */
  tipMm: number;
  /** Where the full thread that it leaves ends, mm from the face. */
  fullMm: number;
}

/** What follows from the taps and what turns them. */
export interface Turning {
  /** In the order used. */
  taps: TapToUse[];
  each: TapUse[];
  depth?: BlindDepth;
  wallMm?: number;
  /** The tap that is closest to breaking, with its conditions. */
  worst: TapUse;
  load?: TapLoad;
  /** At which that tap breaks, Nm. */
  breaking: Answer;
  /** Of the last tap. */
  turns: Answer;
  /** Of the first tap. */
  biteTurns: number;
  /** Speed of the spindle, rev/min, where it turns under power. */
  rpm?: number;
}

/** One tap of a sequence at its work, in bare figures. */
export interface WeighedUse {
  tap: TapToUse;
  conditions: TappingConditions;
  /** Undefined for tapered threads, to which the model does not apply. */
  load?: LoadFigures;
  turns: number;
  biteTurns: number;
  tipMm: number;
}

/** A {@link Turning} in bare figures, for weighing many. */
export interface WeighedTurning {
  taps: TapToUse[];
  each: WeighedUse[];
  worst: WeighedUse;
  /** Pitches drilled deeper for a spindle to stop in. */
  morePitches: number;
  /** Of a blind hole. */
  depth?: BlindParts;
  wallMm?: number;
  rpm?: number;
}

/** Pitches that a blind hole is drilled deeper for a spindle to stop in, where there is stock for them. Trade rule. */
const STOPPING_PITCHES = 4;

const handOf = ({ power, turnsBack }: Drive) => (turnsBack ? 'power-bites' : power ? 'power' : 'hand');

function stoppingPitches(q: TappingQuestion, last: TapToUse, { power, runIn }: Drive): number {
  if (q.hole.through || !(power || runIn)) return 0;
  const wall = wallUnder(q, partsForTap(q, last));
  if (wall === undefined) return STOPPING_PITCHES;
  const spare = Math.floor((wall - thinWallMm(q.thread.majorMm)) / q.thread.pitchMm);
  return Math.max(0, Math.min(STOPPING_PITCHES, spare));
}

const isWorse = (a: WeighedUse, b: WeighedUse): boolean => {
  if (!a.load || !b.load) return false;
  const by = rankOf(a.load.level) - rankOf(b.load.level);
  return by > 0 || (by === 0 && a.load.safety < b.load.safety);
};

/** Threads past the full ones: in a blind hole every tap goes to where the last one ends; through, until its own chamfer is out. */
const chamferOut = ({ hole }: TappingQuestion, tap: TapToUse, last: TapToUse): number =>
  hole.through ? tap.chamferThreads : last.chamferThreads;

/** The taps of a sequence under one kind of drive, weighed. @param shares what each of them cuts */
export function weighTurning(
  q: TappingQuestion,
  { taps }: TapSequence,
  shares: readonly TapShare[],
  drive: Drive,
): WeighedTurning {
  const { thread, material, hole, machine } = q;
  const { power, freehand, runIn } = drive;
  const last = taps[taps.length - 1];
  const tapered = isTapered(thread);
  const each = taps.map((tap, i): WeighedUse => {
    const takes = i > 0 || tap.place !== 'complete' ? shares[i] : undefined;
    const conditions = tappingConditions(q, tap, !power, freehand && i === 0, takes, !power || drive.turnsBack);
    const chamfer = chamferOut(q, tap, last);
    return {
      tap,
      conditions,
      load: tapered ? undefined : loadFigures(conditions),
      turns: tapered ? countTaperTurns(thread, tap) : countTurns(thread, tap, hole.depthMm, q.learned, chamfer),
      biteTurns: biteTurns(thread, tap, material, handOf(drive), q.habits.bite),
      tipMm: hole.fromMm + hole.depthMm + chamfer * thread.pitchMm,
    };
  });
  const morePitches = stoppingPitches(q, last, drive);
  const depth = hole.through ? undefined : partsForTap(q, last, morePitches);
  return {
    taps,
    each,
    worst: each.reduce((a, b) => (isWorse(b, a) ? b : a)),
    morePitches,
    depth,
    wallMm: depth && wallUnder(q, depth),
    rpm: (power || runIn) && machine ? lowestRpm(machine) : undefined,
  };
}

/**
 * The last turn that a tap can take: until its thread is deep enough, or its shank meets the face.
 * @example lastTurn({ turns: { value: 25 }, tipMm: 21, tap: { reachMm: 20 } }, { pitchMm: 1 }) // 24
 */
export const lastTurn = ({ turns, tipMm, tap }: TapUse, { pitchMm }: Pick<Thread, 'pitchMm'>): number =>
  Math.max(0, turns.value - Math.max(0, tipMm - tap.reachMm) / pitchMm);

/** A weighed sequence with every figure worked out. @param depth of a blind hole for its last tap */
export function turning(q: TappingQuestion, weighed: WeighedTurning, depth: BlindDepth | undefined): Turning {
  const { thread, hole } = q;
  const { taps, wallMm, rpm } = weighed;
  const last = taps[taps.length - 1];
  const each = weighed.each.map(({ tap, conditions, load, biteTurns: bite, tipMm }): TapUse => ({
    tap,
    conditions,
    load: load && tapLoad(conditions),
    turns: load ? totalTurns(thread, tap, hole.depthMm, q.learned, chamferOut(q, tap, last)) : taperTurns(thread, tap),
    biteTurns: bite,
    tipMm,
    fullMm: tipMm - tap.chamferThreads * thread.pitchMm,
  }));
  const worst = each[weighed.each.indexOf(weighed.worst)];
  return {
    taps,
    each,
    depth,
    wallMm,
    worst,
    load: worst.load,
    breaking: worst.load?.breaking ?? breakingTorque(thread, worst.tap),
    turns: each[each.length - 1].turns,
    biteTurns: each[0].biteTurns,
    rpm,
  };
}
