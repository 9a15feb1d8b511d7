import { answer, mm, phrase, quantity, type Answer, type Quantity } from '../answer/answer';
import { expected, type Expected, type Learned, type Spread } from '../answer/estimate';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';
import { interpolate } from '../units/interpolate';
import type { Tap } from './tap';
import { taperTapDrill } from '../tap-drill/taper-tap-drill';

/** Turns of a spindle before it is turned back, by chips. Our judgement. */
const SPINDLE_BITES = { stringy: 2, long: 3, short: 4, powder: 4 } as const;
/** To stop a spindle, turn it back and start it again, s. Our judgement. */
export const TURN_BACK_S = 4;

/**
 * Turns forward before turning back to break the chip; 0 when the tap is not reversed. Trade rule.
 * @param drive by hand, under power, or under power and turned back
 * @example biteTurns(M8, plug, mildSteel, 'hand') // 0.5
 */
export function biteTurns(
  thread: Thread,
  tap: Tap,
  material: Material,
  drive: 'hand' | 'power' | 'power-bites',
  habit?: number,
): number {
  if (tap.geometry === 'spiral-point' || tap.geometry === 'form') return 0;
  if (drive === 'power-bites') return SPINDLE_BITES[material.chips];
  if (drive === 'power') return 0;
  if (habit !== undefined) return habit;
  const d = thread.majorMm;
  const bite = d <= 4 ? 0.25 : d <= 8 ? 0.5 : d <= 12 ? 0.75 : 1;
  const share = { stringy: 0.6, short: 1.5, powder: 1.5, long: 1 }[material.chips];
  return bite * share;
}

/** One sigma of the turns counted as a share of those that depth and pitch give. Our judgement. */
const TURNS_SIGMA = 0.05;

/** Turns over those that depth and pitch give, before any were counted. */
export const TYPICAL_TURNS: Spread = { mean: 1, sigma: TURNS_SIGMA };
/** Levels at which turns pool. */
export const turnLevels = ({ geometry }: Tap): string[] => [geometry];

/** Turns over those that depth and pitch give. */
const turnsShare = (tap: Tap, learned?: Learned): Expected =>
  expected('turns', TYPICAL_TURNS, () => turnLevels(tap), learned);

/**
 * The value of {@link totalTurns} alone.
 * @example countTurns(M8, plug, 16) // 16 ÷ 1.25 + 4 = 16.8
 */
export const countTurns = (
  thread: Thread,
  tap: Tap,
  depthMm: number,
  learned?: Learned,
  chamferThreads = tap.chamferThreads,
): number => (depthMm / thread.pitchMm + chamferThreads) * turnsShare(tap, learned).mean;

/**
 * Turns from the first bite until the full thread is deep enough.
 * @param chamferThreads threads past the full ones; the tap's own where it is not said
 */
export function totalTurns(
  thread: Thread,
  tap: Tap,
  depthMm: number,
  learned?: Learned,
  chamferThreads = tap.chamferThreads,
): Answer {
  const share = turnsShare(tap, learned);
  return answer(countTurns(thread, tap, depthMm, learned, chamferThreads), 'turns', {
    rule: 'Turns of the tap',
    formula: share.n > 0 ? '(depth ÷ pitch + chamfer threads) × counted in this shop' : '(depth + chamfer) ÷ pitch',
    inputs: [
      ['full thread', mm(depthMm)],
      [`chamfer threads, ${tap.name}`, quantity(chamferThreads, 'count')],
      ['pitch', mm(thread.pitchMm)],
      ...(share.n > 0 ? [[`counted over ${share.n} holes`, quantity(share.mean, 'ratio')] as [string, Quantity]] : []),
    ],
    source: { kind: 'trade rule', name: 'count the turns' },
  });
}

/** The value of {@link taperTurns} alone. */
export const countTaperTurns = (thread: Thread, tap: Tap): number =>
  taperTapDrill(thread).handTightMm / thread.pitchMm + tap.chamferThreads;

/**
 * Turns of a tapered pipe tap, about: the hand-tight length in threads and the tap's lead. Never depth ÷ pitch: it is
 * stopped by the gauge.
 */
export function taperTurns(thread: Thread, tap: Tap): Answer {
  const { handTightMm } = taperTapDrill(thread);
  return answer(countTaperTurns(thread, tap), 'turns', {
    rule: 'Turns of a tapered tap, about',
    formula: 'hand-tight length ÷ pitch + chamfer threads',
    inputs: [
      ['hand-tight length', mm(handTightMm)],
      ['pitch', mm(thread.pitchMm)],
      [`chamfer threads, ${tap.name}`, quantity(tap.chamferThreads, 'count')],
    ],
    source: { kind: 'standard', name: 'ASME B1.20.1, hand-tight length' },
    assumptions: [phrase('Only a guide: stop at the gauge.')],
  });
}

const SECONDS_PER_TURN = [
  [3, 1.5],
  [12, 3],
] as const;
const HAND_SET_UP_S = 40;

/** Seconds to tap one hole by hand with one tap. Trade rule, until the shop's logged times replace it. */
export function handTappingSeconds(thread: Thread, turns: number, reversed: boolean): number {
  return turns * interpolate(SECONDS_PER_TURN, thread.majorMm) * (reversed ? 1.5 : 1) + HAND_SET_UP_S;
}

/**
 * Seconds to tap one hole under power, in and out.
 * @example machineTappingSeconds(10, 60) // 20
 */
export const machineTappingSeconds = (turns: number, rpm: number): number => (2 * 60 * turns) / rpm;
