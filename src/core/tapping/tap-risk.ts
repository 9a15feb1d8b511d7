import { mustHaveFluid, TAPPED_TO_HB, type Material } from '../materials/material';
import { percentOfThread } from '../threads/percent-of-thread';
import { HAND_LIMIT_NM, oneWorse, safetyLevel, worseLevel, type SafetyLevel } from './tap-strength';
import { fluidFactor, packingFactor, rubFactor, type TappingConditions } from './tapping-torque';

/** From this hardness on a metal is never tapped without care, HB. */
const CARE_FROM_HB = 250;
/** Up to these diameters, mm. */
const CARE_UNDER_MM = 14;
const WARN_UNDER_MM = 2.9;
const THIN_IN_STEEL_MM = 2.5;
const NICKEL_WARN_TO_MM = 8;
/** Freehand lean breaks taps up to this size, mm: it is lean, not torque. */
const LEAN_BREAKS_TO_MM = 3;

/** From this wear on a tap is called worn: of 1 when new, 1.6 at the end of its life. Our judgement. */
export const WORN_FROM = 1.5;

export const isTreacherous = ({ group, chips, hardnessHb }: Material): boolean =>
  (group === 'stainless' && chips === 'stringy') ||
  group === 'titanium' ||
  group === 'nickel' ||
  hardnessHb >= CARE_FROM_HB;

/** The best that a hole of this size in this metal can be called, whatever the torque says. Our judgement. */
function bestOf({ thread: { majorMm }, material }: TappingConditions): SafetyLevel {
  if (material.hardnessHb > TAPPED_TO_HB.atAll) return 'stop';
  if (material.hardnessHb > TAPPED_TO_HB.byHand) return 'warn';
  if (isTreacherous(material)) {
    if (majorMm < WARN_UNDER_MM) return 'warn';
    if (material.group === 'nickel' && majorMm <= NICKEL_WARN_TO_MM + 1e-9) return 'warn';
    return majorMm < CARE_UNDER_MM ? 'careful' : 'calm';
  }
  const ferrous = material.group === 'steel' || material.group === 'iron' || material.group === 'stainless';
  return ferrous && majorMm < THIN_IN_STEEL_MM ? 'careful' : 'calm';
}

/**
 * How close a tap is to breaking, in one word: by its safety, never better than size and metal allow.
 * @param safety breaking torque over torque
 */
export function riskLevel(c: TappingConditions, safety: number, torqueNm: number): SafetyLevel {
  let level = worseLevel(safetyLevel(safety), bestOf(c));
  if (c.byHand && torqueNm > HAND_LIMIT_NM.wrench) level = worseLevel(level, 'careful');
  if (c.fluid === 'dry' && mustHaveFluid(c.material)) level = worseLevel(level, 'warn');
  if ((c.tap.wear ?? 1) >= WORN_FROM && isTreacherous(c.material)) level = worseLevel(level, 'warn');
  if (c.leastMinorMm !== undefined && c.minorMm < c.leastMinorMm) level = worseLevel(level, 'careful');
  return leanBreaks(c) ? oneWorse(level) : level;
}

/** A small tap that nothing guides. */
const leanBreaks = ({ freehand, thread: { majorMm } }: TappingConditions): boolean =>
  freehand === true && majorMm <= LEAN_BREAKS_TO_MM + 1e-9;

/** What loads a tap most beside size and metal. */
export type LoadCause = 'dry' | 'worn' | 'small-hole' | 'deep' | 'lean' | 'metal';

/** A factor up to this is no cause worth naming. */
const WORTH_NAMING = 1.15;

/** The cause that the remedy has to go for: the largest factor of the load. */
export function causeOf(c: TappingConditions): LoadCause {
  const factors: [LoadCause, number][] = [
    ['dry', fluidFactor(c)],
    ['worn', c.tap.wear ?? 1],
    ['small-hole', rubFactor(percentOfThread(c.thread, c.minorMm))],
    ['deep', packingFactor(c)],
  ];
  const [cause, factor] = factors.reduce((a, b) => (b[1] > a[1] ? b : a));
  if (factor > WORTH_NAMING) return cause;
  return leanBreaks(c) ? 'lean' : 'metal';
}
