import { caution, mm, type Answer, type Caution } from '../answer/answer';
import { riskLevel } from './tap-risk';
import { breakingNm, breakingTorque, type SafetyLevel } from './tap-strength';
import { tappingTorque, tappingTorqueNm, toothLoad, toothLoadLimit, type TappingConditions } from './tapping-torque';

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

/** A {@link TapLoad} in bare figures, for weighing many. */
export interface LoadFigures {
  torqueNm: number;
  breakingNm: number;
  safety: number;
  level: SafetyLevel;
  toothLoadMm: number;
  /** A tooth takes more than this metal allows. */
  teethMayChip: boolean;
}

/** The figures of {@link tapLoad}, without their workings. */
export function loadFigures(c: TappingConditions): LoadFigures {
  const torqueNm = tappingTorqueNm(c);
  const breaking = breakingNm(c.thread, c.tap);
  const safety = breaking / torqueNm;
  const toothLoadMm = toothLoad(c);
  return {
    torqueNm,
    breakingNm: breaking,
    safety,
    level: riskLevel(c, safety, torqueNm),
    toothLoadMm,
    teethMayChip: toothLoadMm > TOOTH_TOLERANCE * toothLoadLimit(c.material),
  };
}

/**
 * The load of a tap under given conditions: the one place where torque, breaking torque, safety and tooth load meet.
 * The hole (`minorMm`) must be smaller than the thread's major diameter; not for tapered threads.
 */
export function tapLoad(c: TappingConditions): TapLoad {
  const { safety, level, toothLoadMm, teethMayChip } = loadFigures(c);
  return {
    torque: tappingTorque(c),
    breaking: breakingTorque(c.thread, c.tap),
    safety,
    level,
    toothLoadMm,
    cautions: teethMayChip
      ? [
          caution(
            'warn',
            'tooth-load',
            'Each tooth takes {load}, over {limit}: teeth may chip. Start with a longer chamfer.',
            { load: mm(toothLoadMm), limit: mm(toothLoadLimit(c.material)) },
          ),
        ]
      : [],
  };
}
