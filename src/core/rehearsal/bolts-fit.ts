import type { Point } from '../layout/part';

/** A circle that grows until it holds all points that it was shown. */
interface Circle {
  x: number;
  y: number;
  square: number;
}

/** Points on the rim count as held, mm². */
const RIM = 1e-12;

const isOutside = ({ x, y, square }: Circle, p: Point): boolean =>
  (p.x - x) * (p.x - x) + (p.y - y) * (p.y - y) > square + RIM;

function throughTwo(circle: Circle, a: Point, b: Point): void {
  circle.x = (a.x + b.x) / 2;
  circle.y = (a.y + b.y) / 2;
  circle.square = ((a.x - b.x) ** 2 + (a.y - b.y) ** 2) / 4;
}

function throughThree(circle: Circle, a: Point, b: Point, c: Point): void {
  const d = 2 * (a.x * (b.y - c.y) + b.x * (c.y - a.y) + c.x * (a.y - b.y));
  if (Math.abs(d) < 1e-15) {
    // In one line: the two outer ones hold the third.
    for (const [p, q] of [
      [a, b],
      [a, c],
      [b, c],
    ]) {
      const wide = (p.x - q.x) ** 2 + (p.y - q.y) ** 2;
      if (wide / 4 > circle.square) throughTwo(circle, p, q);
    }
    return;
  }
  const [aa, bb, cc] = [a.x ** 2 + a.y ** 2, b.x ** 2 + b.y ** 2, c.x ** 2 + c.y ** 2];
  circle.x = (aa * (b.y - c.y) + bb * (c.y - a.y) + cc * (a.y - b.y)) / d;
  circle.y = (aa * (c.x - b.x) + bb * (a.x - c.x) + cc * (b.x - a.x)) / d;
  circle.square = (a.x - circle.x) ** 2 + (a.y - circle.y) ** 2;
}

/** Smallest circle around some points. Each point outside the circle so far lies on the rim of the next one. */
function enclosing(points: readonly Point[]): Circle {
  const circle: Circle = { x: points[0]?.x ?? 0, y: points[0]?.y ?? 0, square: 0 };
  for (let i = 1; i < points.length; i++) {
    if (!isOutside(circle, points[i])) continue;
    circle.x = points[i].x;
    circle.y = points[i].y;
    circle.square = 0;
    for (let j = 0; j < i; j++) {
      if (!isOutside(circle, points[j])) continue;
      throughTwo(circle, points[i], points[j]);
      for (let k = 0; k < j; k++)
        if (isOutside(circle, points[k])) throughThree(circle, points[i], points[j], points[k]);
    }
  }
  return circle;
}

/** Radius of the smallest circle around some points, mm; 0 around one. */
export const enclosingRadius = (points: readonly Point[]): number => Math.sqrt(enclosing(points).square);

/** The turn is searched in so many thirds: to a thousandth of the play and better. */
const SEARCHED = 24;

/** How a part is shifted and turned so that its holes come nearest to their bolts, mm and rad. */
interface Tried {
  radius: number;
  /** How far each hole then lies from its bolt. */
  left: readonly Point[];
}

/**
 * The holes of a joint against its mate, as a person would try: the part is shifted and turned a little.
 * @param enough a radius at which the search may end, mm
 */
function tried(points: readonly Point[], offs: readonly Point[], enough: number): Tried {
  const n = offs.length;
  const at = (left: readonly Point[]): Tried => ({ radius: enclosingRadius(left), left });
  let best = at(offs);
  if (best.radius <= enough) return best;
  let [x, y, most] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    x += points[i].x / n;
    y += points[i].y / n;
    most = Math.max(most, Math.hypot(offs[i].x, offs[i].y));
  }
  let reach = 0;
  for (const p of points) reach = Math.max(reach, Math.hypot(p.x - x, p.y - y));
  if (reach === 0) return best;
  const turned = (angle: number): Tried =>
    at(offs.map((off, i) => ({ x: off.x - angle * (points[i].y - y), y: off.y + angle * (points[i].x - x) })));
  // No turn helps that moves the farthest hole by more than twice the largest error; in between it has one valley.
  let [from, to] = [(-2 * most) / reach, (2 * most) / reach];
  for (let i = 0; i < SEARCHED && best.radius > enough; i++) {
    const third = (to - from) / 3;
    const [a, b] = [turned(from + third), turned(to - third)];
    const near = a.radius < b.radius ? a : b;
    if (near.radius < best.radius) best = near;
    // Within these turns no hole moves by more than this: play that is missing stays missing.
    if (near.radius - (to - from) * reach > enough) break;
    if (a.radius < b.radius) to -= third;
    else from += third;
  }
  return best;
}

/**
 * Whether all bolts of a joint go in at once, the part shifted and turned until every hole lies over its bolt.
 * @param points where the holes are drawn, mm
 * @param offs how far each lies from there, mm
 * @param playMm what each bolt has around it, a radius
 */
export const boltsFit = (points: readonly Point[], offs: readonly Point[], playMm: number): boolean =>
  tried(points, offs, playMm).radius <= playMm;

/** How far each hole lies from its bolt once the part is shifted and turned as well as may be, mm. */
export function afterTrying(points: readonly Point[], offs: readonly Point[]): Point[] {
  const { left } = tried(points, offs, 0);
  const { x, y } = enclosing(left);
  return left.map((p) => ({ x: p.x - x, y: p.y - y }));
}
