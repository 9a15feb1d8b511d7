import type { Answer } from '../answer/answer';
import { lowestRpm } from '../cutting/machine';
import { isTapered } from '../threads/thread';
import { thinWallMm, type BlindDepth } from './blind-depth';
import { biteTurns, taperTurns, totalTurns } from './rhythm';
import type { TapToUse } from './tap';
import { tapLoad, type TapLoad } from './tap-load';
import type { TapSequence } from './tap-sequence';
import { tapShares } from './tap-shares';
import { breakingTorque, LEVELS } from './tap-strength';
import { depthForTap, tappingConditions, wallUnderTap, type TappingQuestion } from './tapping-question';
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
}

export const driveOf = (id: WayId): Drive => ({
  power: !WAY_FACTS[id].byHand,
  freehand: id === 'hand-free',
  runIn: id === 'power-start',
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

/** Pitches that a blind hole is drilled deeper for a spindle to stop in, where there is stock for them. Trade rule. */
const STOPPING_PITCHES = 4;

function stoppingPitches(q: TappingQuestion, last: TapToUse, { power, runIn }: Drive): number {
  if (q.hole.through || !(power || runIn)) return 0;
  const wall = wallUnderTap(q, last);
  if (wall === undefined) return STOPPING_PITCHES;
  const spare = Math.floor((wall - thinWallMm(q.thread.majorMm)) / q.thread.pitchMm);
  return Math.max(0, Math.min(STOPPING_PITCHES, spare));
}

const isWorse = (a: TapUse, b: TapUse): boolean => {
  if (!a.load || !b.load) return false;
  const by = LEVELS.indexOf(a.load.level) - LEVELS.indexOf(b.load.level);
  return by > 0 || (by === 0 && a.load.safety < b.load.safety);
};

/** The taps of a sequence and their figures under one kind of drive. */
export function turning(q: TappingQuestion, { taps }: TapSequence, drive: Drive): Turning {
  const { thread, material, hole, machine } = q;
  const { power, freehand, runIn } = drive;
  const last = taps[taps.length - 1];
  const tapered = isTapered(thread);
  const shares = tapShares(thread, hole.minorMm, taps);
  // In a blind hole every tap goes to where the last one ends; through, each until its own chamfer is out.
  const past = (tap: TapToUse): number => (hole.through ? tap.chamferThreads : last.chamferThreads) * thread.pitchMm;
  const each = taps.map((tap, i): TapUse => {
    const conditions: TappingConditions = {
      ...tappingConditions(q, tap, !power),
      byHand: !power,
      freehand: freehand && i === 0,
      ...(i > 0 || tap.place !== 'complete' ? { takes: shares[i] } : {}),
      // The hole is drilled with the room for its chips.
      chipRoom: true,
    };
    const tipMm = hole.fromMm + hole.depthMm + past(tap);
    return {
      tap,
      conditions,
      load: tapered ? undefined : tapLoad(conditions),
      turns: tapered
        ? taperTurns(thread, tap)
        : totalTurns(
            thread,
            hole.through ? tap : { ...tap, chamferThreads: last.chamferThreads },
            hole.depthMm,
            q.learned,
          ),
      biteTurns: biteTurns(thread, tap, material, power, q.habits.bite),
      tipMm,
      fullMm: tipMm - tap.chamferThreads * thread.pitchMm,
    };
  });
  const worst = each.reduce((a, b) => (isWorse(b, a) ? b : a));
  const more = stoppingPitches(q, last, drive);
  const depth = hole.through ? undefined : depthForTap(q, last, more);
  const wall = hole.through ? undefined : wallUnderTap(q, last);
  return {
    taps,
    each,
    depth,
    wallMm: wall === undefined ? undefined : wall - more * thread.pitchMm,
    worst,
    load: worst.load,
    breaking: worst.load?.breaking ?? breakingTorque(thread, worst.tap),
    turns: each[each.length - 1].turns,
    biteTurns: each[0].biteTurns,
    rpm: (power || runIn) && machine ? lowestRpm(machine) : undefined,
  };
}
