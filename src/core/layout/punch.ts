import { depth, mm, phrase, type Phrase } from '../answer/answer';
import { chiselEdge } from '../drills/drill-point';
import type { Point } from './part';

/**
 * Width of dimple in mm that takes the chisel edge of the first drill: 1.1 of it.
 * @example dimpleFor(6.8) // 1.1 × 1.25 × (0.305 + 0.125 × 6.8) = 1.588
 */
export const dimpleFor = (firstDrillMm: number): number => 1.1 * chiselEdge(firstDrillMm);

/** How a place got its mark. */
export const MARKED_WITH = {
  eye: 'prick and centre punch, by eye',
  glass: 'prick and centre punch, with a glass',
  automatic: 'spring-loaded punch',
  'transfer-punch': 'transfer punch through the mate',
  'match-drill': 'drilled through the mate',
} as const;
export type MarkedWith = keyof typeof MARKED_WITH;

const QUARTERS = [
  'right',
  'right and up',
  'up',
  'left and up',
  'left',
  'left and down',
  'down',
  'right and down',
] as const;

export interface PunchVerdict {
  offsetMm: number;
  /** Anticlockwise from the right, 0 to 360. */
  directionDeg: number;
  direction: string;
  /** What the allowance leaves for drilling, mm; below zero the mark alone uses it up. */
  leftMm: number;
  verdict: 'inside' | 'tight' | 'outside';
  /** The cone may be drawn back to the true centre while it is narrower than this, mm. Zero: no longer. */
  drawUpToMm: number;
  advice: Phrase;
}

/**
 * Judges how far a punch mark is off.
 * @param offset where the mark is, from where it should be, mm
 * @param zoneMm position zone (a diameter) that the joint leaves
 * @param drillMm the drill that the hole ends with
 */
export function judgePunch(offset: Point, zoneMm: number, drillMm: number): PunchVerdict {
  const offsetMm = Math.hypot(offset.x, offset.y);
  const directionDeg = ((Math.atan2(offset.y, offset.x) * 180) / Math.PI + 360) % 360;
  const leftMm = zoneMm / 2 - offsetMm;
  const verdict = leftMm <= 0 ? 'outside' : offsetMm > zoneMm / 4 ? 'tight' : 'inside';
  const drawUpToMm = Math.max(0, drillMm - 2 * offsetMm);
  const direction = offsetMm < 1e-9 ? 'none' : QUARTERS[Math.round(directionDeg / 45) % 8];
  const values = { offset: mm(offsetMm), left: mm(Math.max(leftMm, 0)), draw: depth(drawUpToMm), direction };
  return {
    offsetMm,
    directionDeg,
    direction,
    leftMm,
    verdict,
    drawUpToMm,
    advice:
      verdict === 'inside'
        ? phrase('{offset} off: {left} of the allowance left. Go on.', values)
        : drawUpToMm > 0
          ? phrase(
              '{offset} off to the {direction}. Lean the punch and drive the mark back, or draw the cone with a groove on the far side while it is narrower than {draw}.',
              values,
            )
          : phrase('{offset} off: further than the drill can be drawn. Fill the mark, or move the hole.', values),
  };
}
