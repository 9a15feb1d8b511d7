import { answer, mm, quantity, type Answer } from '../answer/answer';
import type { Thread } from '../threads/thread';
import type { Tap, TapGeometry } from './tap';

const CORE_SHARE: Record<TapGeometry, number> = {
  straight: 0.66,
  'spiral-point': 0.75,
  'spiral-flute': 0.6,
  form: 0.8,
  pipe: 0.66,
};
const SHEAR_MPA = 1100;
const CARBON_STEEL = 0.8;

type TapCore = Pick<Tap, 'geometry' | 'steel'>;

const minorOf = ({ majorMm, pitchMm }: Thread): number => majorMm - 1.0825 * pitchMm;
const steelShare = ({ steel }: TapCore): number => (steel === 'carbon' ? CARBON_STEEL : 1);

/**
 * The value of {@link breakingTorque} alone, Nm.
 * @example breakingNm(M8, plug) // 18.2
 */
export const breakingNm = (thread: Thread, tap: TapCore): number =>
  ((Math.PI / 16) * (CORE_SHARE[tap.geometry] * minorOf(thread)) ** 3 * SHEAR_MPA * steelShare(tap)) / 1000;

/** Torque at which a tap breaks, Nm. Model: the core as a round bar of high-speed steel. */
export function breakingTorque(thread: Thread, tap: TapCore): Answer {
  return answer(breakingNm(thread, tap), 'Nm', {
    rule: "Tap's breaking torque",
    formula: 'π ÷ 16 × core³ × shear strength ÷ 1000',
    inchFormula: 'π ÷ 16 × core³ × shear strength × 1000',
    inputs: [
      ['minor diameter of the tap', mm(minorOf(thread))],
      ['share that the flutes leave', quantity(CORE_SHARE[tap.geometry], 'ratio')],
      ['shear strength', quantity(SHEAR_MPA, 'MPa')],
      ['carbon steel or high-speed', quantity(steelShare(tap), 'ratio')],
    ],
    source: { kind: 'model', name: 'our estimate of the core' },
  });
}

export type SafetyLevel = 'calm' | 'careful' | 'warn' | 'stop';

export const LEVELS: readonly SafetyLevel[] = ['calm', 'careful', 'warn', 'stop'];

/**
 * What a safety factor means at the wrench. The breaking torque is about the least that a sound tap holds, so that less
 * than 1 does not yet break it.
 */
export function safetyLevel(safety: number): SafetyLevel {
  if (safety >= 1.85) return 'calm';
  if (safety >= 1.3) return 'careful';
  return safety >= 0.9 ? 'warn' : 'stop';
}

const RANK: Record<SafetyLevel, number> = { calm: 0, careful: 1, warn: 2, stop: 3 };

/** How bad a level is, 0 to 3. */
export const rankOf = (level: SafetyLevel): number => RANK[level];

/** The worse of two levels. */
export const worseLevel = (a: SafetyLevel, b: SafetyLevel): SafetyLevel => (RANK[a] < RANK[b] ? b : a);

/** One level worse; nothing is worse than stop. */
export const oneWorse = (level: SafetyLevel): SafetyLevel => LEVELS[Math.min(RANK[level] + 1, 3)];

/** Largest torque that people put on by hand, Nm: T-handle and two-handed wrench of 250 mm. */
export const HAND_LIMIT_NM = { tHandle: 6, wrench: 45 } as const;
