import { caution, mm, type Answer, type Caution } from '../answer/answer';
import { riskLevel } from './tap-risk';
import { breakingTorque, type SafetyLevel } from './tap-strength';
import { tappingTorque, toothLoad, toothLoadLimit, type TappingConditions } from './tapping-torque';

/** What turning a tap through a hole asks of it. Models: for comparing, never ratings. */
export interface TapLoad {
  /** To turn it, Nm. */
  torque: Answer;
  /** At which a sound tap of this kind breaks, Nm. */
  breaking: Answer;
  /** Breaking torque over torque. */
  safety: number;
  level: SafetyLevel;
  /** Chip on one tooth of the chamfer, mm. */
  toothLoadMm: number;
  cautions: Caution[];
}

/** The model knows a tooth's load no closer than this. */
const TOOTH_TOLERANCE = 1.1;

/**
 * The load of a tap under given conditions: the one place where torque, breaking torque, safety and tooth load meet.
 * The hole (`minorMm`) must be smaller than the thread's major diameter; not for tapered threads.
 */
export function tapLoad(c: TappingConditions): TapLoad {
  const torque = tappingTorque(c);
  const breaking = breakingTorque(c.thread, c.tap);
  const safety = breaking.value / torque.value;
  const toothLoadMm = toothLoad(c);
  const limit = toothLoadLimit(c.material);
  return {
    torque,
    breaking,
    safety,
    level: riskLevel(c, safety, torque.value),
    toothLoadMm,
    cautions:
      toothLoadMm > TOOTH_TOLERANCE * limit
        ? [
            caution(
              'warn',
              'tooth-load',
              'Each tooth takes {load}, over {limit}: teeth may chip. Start with a longer chamfer.',
              { load: mm(toothLoadMm), limit: mm(limit) },
            ),
          ]
        : [],
  };
}
