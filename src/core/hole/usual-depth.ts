import { depth, phrase, type Phrase } from '../answer/answer';
import type { Material } from '../materials/material';
import type { ShopHabits } from '../shop/habits';
import { taperTapDrill } from '../tap-drill/taper-tap-drill';
import { classLimits } from '../threads/class-limits';
import { BOLT_CLASSES, engagement, usualBolt, type BoltClass } from '../threads/engagement';
import { isTapered, type Thread } from '../threads/thread';
import type { HoleQuestion } from './question';

/** The bolt that a thread is to hold: as asked, else the usual one of its series. */
export const boltFor = ({ boltId }: Pick<HoleQuestion, 'boltId'>, thread: Thread): BoltClass =>
  BOLT_CLASSES.find((b) => b.id === boltId) ?? usualBolt(thread);

/** Computed lengths stay between a nut's height and where more thread no longer helps, in diameters. Trade rule. */
const COMPUTED_D = { least: 0.8, most: 2.5 } as const;
/** Lengths of thread are drawn to this, mm. */
const ROUND_MM = 0.5;

export interface UsualDepth {
  lengthMm: number;
  /** What was assumed, and why. */
  note: Phrase;
}

function diameters(thread: Thread, count: number, rule: string): UsualDepth {
  const lengthMm = count * thread.majorMm;
  return { lengthMm, note: phrase('No depth given: assumed {rule}, {depth}.', { rule, depth: depth(lengthMm) }) };
}

/** The length at which the bolt breaks before the thread strips, on the largest hole that the class allows. */
function computed(thread: Thread, material: Material, bolt: BoltClass): UsualDepth {
  const limits = classLimits(thread);
  const holeMm = limits.ok ? limits.value.minorMaxMm : thread.majorMm - thread.pitchMm;
  const needed = engagement(thread, material, bolt, holeMm).needed.value;
  const least = COMPUTED_D.least * thread.majorMm;
  const most = COMPUTED_D.most * thread.majorMm;
  const lengthMm = Math.ceil(Math.min(most, Math.max(least, needed)) / ROUND_MM - 1e-9) * ROUND_MM;
  return {
    lengthMm,
    note: phrase('No depth given: assumed {depth} of thread, enough for a {bolt} bolt to break first.', {
      depth: depth(lengthMm),
      bolt: bolt.label,
    }),
  };
}

/**
 * The length of thread where the drawing gives none, mm: by the shop's habit; of a tapered thread hand-tight length and
 * three threads. Plastics, in which no bolt is the measure, have one and a half diameters.
 */
export function usualThreadDepth(
  thread: Thread,
  material: Material,
  bolt: BoltClass,
  habit: ShopHabits['engagement'],
): UsualDepth {
  if (!isTapered(thread)) {
    if (habit === 'one') return diameters(thread, 1, 'one diameter');
    if (habit === 'one-and-a-half' || material.group === 'plastic')
      return diameters(thread, 1.5, 'one and a half diameters');
    return computed(thread, material, bolt);
  }
  const lengthMm = taperTapDrill(thread).handTightMm + 3 * thread.pitchMm;
  return {
    lengthMm,
    note: phrase('No depth given: assumed the hand-tight length and three threads, {depth}.', {
      depth: depth(lengthMm),
    }),
  };
}
