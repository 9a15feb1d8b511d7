import type { Point } from '../layout/part';

/** Smallest circle around some points: its radius. Few points: every pair and three of them are tried. */
export function enclosingRadius(points: readonly Point[]): number {
  let least = Infinity;
  const holdsAll = (x: number, y: number, radius: number): boolean =>
    points.every((p) => Math.hypot(p.x - x, p.y - y) <= radius + 1e-9);
  const offer = (x: number, y: number, radius: number): void => {
    if (radius < least && holdsAll(x, y, radius)) least = radius;
  };
  if (points.length < 2) return 0;
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++) {
      const [a, b] = [points[i], points[j]];
      offer((a.x + b.x) / 2, (a.y + b.y) / 2, Math.hypot(a.x - b.x, a.y - b.y) / 2);
      for (let k = j + 1; k < points.length; k++) {
        const c = points[k];
        const d = 2 * (a.x * (b.y - c.y) + b.x * (c.y - a.y) + c.x * (a.y - b.y));
        if (Math.abs(d) < 1e-12) continue;
        const [aa, bb, cc] = [a.x ** 2 + a.y ** 2, b.x ** 2 + b.y ** 2, c.x ** 2 + c.y ** 2];
        const x = (aa * (b.y - c.y) + bb * (c.y - a.y) + cc * (a.y - b.y)) / d;
        const y = (aa * (c.x - b.x) + bb * (a.x - c.x) + cc * (b.x - a.x)) / d;
        offer(x, y, Math.hypot(a.x - x, a.y - y));
      }
    }
  return least;
}

/** More holes than this are tried in a square that holds them, which is on the safe side. */
const MOST_EXACT = 12;
/** The turn is searched in so many thirds: to a thousandth of the play and better. */
const SEARCHED = 24;

/** How far off every hole is when the part lies where it was put and turned by an angle, rad. */
const turned = (points: readonly Point[], offs: readonly Point[], angle: number): Point[] =>
  points.map(({ x, y }, i) => ({ x: offs[i].x - angle * y, y: offs[i].y + angle * x }));

/** Radius in which all holes lie once the part is shifted as well as may be. */
function shifted(left: readonly Point[]): number {
  if (left.length <= MOST_EXACT) return enclosingRadius(left);
  const across = (of: (p: Point) => number): number => Math.max(...left.map(of)) - Math.min(...left.map(of));
  return (
    Math.hypot(
      across((p) => p.x),
      across((p) => p.y),
    ) / 2
  );
}

/**
 * Whether all bolts of a joint go in at once, as a person would try: the part is shifted and turned a little until every hole
 * lies over its bolt.
 * @param points where the holes are drawn, mm
 * @param offs how far each lies from there, mm
 * @param playMm what each bolt has around it, a radius
 */
export function boltsFit(points: readonly Point[], offs: readonly Point[], playMm: number): boolean {
  if (offs.every((o) => Math.hypot(o.x, o.y) <= playMm)) return true;
  if (shifted(offs) <= playMm) return true;
  const centre = { x: mean(points.map((p) => p.x)), y: mean(points.map((p) => p.y)) };
  const around = points.map((p) => ({ x: p.x - centre.x, y: p.y - centre.y }));
  const reach = Math.max(...around.map((p) => Math.hypot(p.x, p.y)));
  if (reach === 0) return false;
  // No turn helps that moves the farthest hole by more than twice the largest error; in between it has one valley.
  let [from, to] = [-1, 1].map((way) => (2 * way * Math.max(...offs.map((o) => Math.hypot(o.x, o.y)))) / reach);
  const at = (angle: number): number => shifted(turned(around, offs, angle));
  for (let i = 0; i < SEARCHED; i++) {
    const [left, right] = [from + (to - from) / 3, to - (to - from) / 3];
    const [a, b] = [at(left), at(right)];
    if (Math.min(a, b) <= playMm) return true;
    if (a < b) to = right;
    else from = left;
  }
  return false;
}

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);
