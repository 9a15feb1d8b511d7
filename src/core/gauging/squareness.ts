import { answer, mm, quantity, type Answer } from '../answer/answer';
import { bad, good, open, type Verdict } from './verdict';

/** Up to here a head still seats; from there a screw bends. Our judgement. */
export const SQUARE_DEG = 0.5;

/**
 * Gaps read at the top of a square, at two positions 90 degrees apart.
 * Positive: the tap or pin leans to the right seen from the front, to the back seen from the right.
 */
export interface Gaps {
  frontMm: number;
  sideMm: number;
  /** Height at which the gaps are read, above 0. */
  heightMm: number;
}

/**
 * How far a tap or pin leans from square, degrees.
 * @example tiltOf({ frontMm: 0.15, sideMm: 0.08, heightMm: 50 }).value // 0.195
 */
export function tiltOf({ frontMm, sideMm, heightMm }: Gaps): Answer {
  return answer((Math.atan2(Math.hypot(frontMm, sideMm), heightMm) * 180) / Math.PI, 'deg', {
    rule: 'Lean from two gaps, 90 degrees apart',
    formula: 'atan(hypot(gap 1, gap 2) / height)',
    inputs: [
      ['gap 1', mm(Math.abs(frontMm))],
      ['gap 2', mm(Math.abs(sideMm))],
      ['height', mm(heightMm)],
    ],
    source: { kind: 'standard', name: 'Geometry' },
  });
}

/**
 * How far the axis wanders over a depth at a lean, mm.
 * @example wanderMm({ frontMm: 0.15, sideMm: 0.08, heightMm: 50 }, 16) // 0.054
 */
export const wanderMm = ({ frontMm, sideMm, heightMm }: Gaps, depthMm: number): number =>
  (depthMm * Math.hypot(frontMm, sideMm)) / heightMm;

const names = (front: number, side: number): string =>
  [
    Math.abs(front) > 1e-9 && (front > 0 ? 'left' : 'right'),
    Math.abs(side) > 1e-9 && (side > 0 ? 'toward you' : 'to the back'),
  ]
    .filter(Boolean)
    .join(' and ');

/** Squareness of a tap in its first turns, or of a pin in the finished hole. */
export function judgeSquare(gaps: Gaps, depthMm: number): Verdict {
  if (gaps.heightMm <= 0) return open('At what height were the gaps read? It is above 0.');
  const tilt = tiltOf(gaps);
  const values = {
    tilt: quantity(tilt.value, 'deg'),
    limit: quantity(SQUARE_DEG, 'deg'),
    over: mm(wanderMm(gaps, depthMm)),
    depth: mm(depthMm),
    lean: names(gaps.frontMm, gaps.sideMm),
  };
  const figures = [{ label: 'lean', answer: tilt }];
  if (values.lean === '') return good('Square from both sides.', values, figures);
  return tilt.value <= SQUARE_DEG
    ? good('Leans {tilt}, {over} over {depth}: inside {limit}. Press it {lean}.', values, figures)
    : bad(
        ['accept', 'larger', 'scrap'],
        'Leans {tilt}, {over} over {depth}; {limit} is allowed. In the first two turns: press it {lean}.',
        values,
        figures,
      );
}
