import { answer, mm, ok, problem, refuse, type Answer, type Result } from '../answer/answer';
import type { Point } from '../layout/part';
import { bad, good, type Verdict } from './verdict';

/**
 * How far a hole is from its place, mm, from 0 up: twice the offset is what the zone, a diameter, is held against. ISO 1101,
 * ASME Y14.5.
 * @param off from the place that the drawing gives, mm
 * @example positionError({ x: 0.06, y: 0.08 }).value // 0.2
 */
export function positionError(off: Point): Answer {
  return answer(2 * Math.hypot(off.x, off.y), 'mm', {
    rule: 'Position against the drawing',
    formula: '2 × hypot(x off, y off)',
    inputs: [
      ['x off', mm(off.x)],
      ['y off', mm(off.y)],
    ],
    source: { kind: 'standard', name: 'Position zone, ISO 1101 and ASME Y14.5' },
  });
}

/**
 * Where a hole came out against the drawing.
 * @param at as read from the two datum edges, mm
 * @param zoneMm position zone, a diameter
 */
export function judgePosition(at: Point, drawn: Point, zoneMm: number, tapped: boolean): Verdict {
  const off = { x: at.x - drawn.x, y: at.y - drawn.y };
  const error = positionError(off);
  const ways = [
    ...(Math.abs(off.x) > 5e-3 ? [off.x > 0 ? '{x} right' : '{x} left'] : []),
    ...(Math.abs(off.y) > 5e-3 ? [off.y > 0 ? '{y} up' : '{y} down'] : []),
  ];
  const way = ways.length > 0 ? `Off ${ways.join(', ')}` : 'On its place';
  const values = { error: mm(error.value), zone: mm(zoneMm), x: mm(Math.abs(off.x)), y: mm(Math.abs(off.y)) };
  const figures = [{ label: 'position', answer: error }];
  return error.value <= zoneMm + 1e-9
    ? good(`${way}: {error} of the zone of {zone}.`, values, figures)
    : bad(
        tapped ? ['open-mate', 'larger', 'accept', 'scrap'] : ['open', 'accept', 'scrap'],
        `${way}: {error}, the zone is {zone}.`,
        values,
        figures,
      );
}

/** What was marked on a photograph, in its pixels, y downwards. */
export interface PhotoMarks {
  /** Two points of known distance along the X direction of the part, the left one first. */
  left: Point;
  right: Point;
  /** Where the lines cross, and where the mark or the hole is. */
  cross: Point;
  mark: Point;
}

/**
 * How far a mark is from its crossing, from a photograph taken square to the face.
 * @param apartMm between the two points, above 0
 * @returns to the right and up in the part’s own directions, mm; or why it can’t be told
 */
export function offsetOnPhoto({ left, right, cross, mark }: PhotoMarks, apartMm: number): Result<Point> {
  const along = { x: right.x - left.x, y: right.y - left.y };
  const pixels = Math.hypot(along.x, along.y);
  if (pixels < 20 || !(apartMm > 0))
    return refuse(
      problem(
        'photo-scale',
        'photo',
        'The two points are too close together to give a scale.',
        'Mark two points further apart, and type their distance.',
      ),
    );
  const scale = apartMm / pixels;
  const unit = { x: along.x / pixels, y: along.y / pixels };
  const d = { x: mark.x - cross.x, y: mark.y - cross.y };
  // Pictures count downwards: up on the part is against their y.
  return ok({ x: (d.x * unit.x + d.y * unit.y) * scale, y: (d.x * unit.y - d.y * unit.x) * scale });
}
