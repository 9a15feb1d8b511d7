import type { FaceShape, Point } from './part';

/** Furthest that a straight piece may lie from the arc it stands for, mm. */
const ARC_TOLERANCE_MM = 0.02;

/** Points on an arc after its start up to and with its end; `sweep` in radians, anticlockwise above zero. */
export function arcPoints(centre: Point, radius: number, from: number, sweep: number): Point[] {
  const most = 2 * Math.acos(Math.max(0, 1 - ARC_TOLERANCE_MM / Math.max(radius, ARC_TOLERANCE_MM)));
  const pieces = Math.max(1, Math.min(720, Math.ceil(Math.abs(sweep) / most)));
  return Array.from({ length: pieces }, (_, i) => {
    const angle = from + (sweep * (i + 1)) / pieces;
    return { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
  });
}

/** The arc between two corners that bulges by tan(sweep / 4), as points after the first up to and with the second. */
export function bulgePoints(a: Point, b: Point, bulge: number): Point[] {
  if (Math.abs(bulge) < 1e-9) return [b];
  const sweep = 4 * Math.atan(bulge);
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const radius = chord / (2 * Math.sin(Math.abs(sweep) / 2));
  const off = radius * Math.cos(sweep / 2) * Math.sign(bulge);
  const centre = {
    x: (a.x + b.x) / 2 - (off * (b.y - a.y)) / chord,
    y: (a.y + b.y) / 2 + (off * (b.x - a.x)) / chord,
  };
  return [...arcPoints(centre, radius, Math.atan2(a.y - centre.y, a.x - centre.x), sweep).slice(0, -1), b];
}

/** Closed loops made of open pieces that meet end to end, whatever their order and direction. */
export function closedLoops(pieces: readonly Point[][], toleranceMm: number): Point[][] {
  const open = pieces.filter((p) => p.length >= 2).map((p) => [...p]);
  const meets = (a: Point, b: Point): boolean => Math.hypot(a.x - b.x, a.y - b.y) <= toleranceMm;
  const loops: Point[][] = [];
  while (open.length > 0) {
    const chain = open.pop() as Point[];
    for (;;) {
      const end = chain[chain.length - 1];
      if (chain.length > 2 && meets(end, chain[0])) {
        loops.push(chain.slice(0, -1));
        break;
      }
      const next = open.findIndex((p) => meets(p[0], end) || meets(p[p.length - 1], end));
      if (next < 0) break;
      const [piece] = open.splice(next, 1);
      if (!meets(piece[0], end)) piece.reverse();
      chain.push(...piece.slice(1));
    }
  }
  return loops;
}

/** Distance to the nearest edge of a closed outline, above zero inside, and the direction inward. */
export function outlineDistance(at: Point, outline: readonly Point[]): { mm: number; inward: Point } {
  let inside = false;
  let least = Infinity;
  let nearest: Point = at;
  let along: Point = { x: 1, y: 0 };
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[j], outline[i]];
    if (a.y > at.y !== b.y > at.y && at.x < ((b.x - a.x) * (at.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    const d = { x: b.x - a.x, y: b.y - a.y };
    const long = d.x * d.x + d.y * d.y;
    const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((at.x - a.x) * d.x + (at.y - a.y) * d.y) / long));
    const p = { x: a.x + t * d.x, y: a.y + t * d.y };
    const mm = Math.hypot(at.x - p.x, at.y - p.y);
    if (mm < least) {
      least = mm;
      nearest = p;
      along = d;
    }
  }
  const sign = inside ? 1 : -1;
  const away = least > 1e-9 ? { x: at.x - nearest.x, y: at.y - nearest.y } : { x: -along.y * sign, y: along.x * sign };
  const length = Math.hypot(away.x, away.y) || 1;
  return { mm: sign * least, inward: { x: (sign * away.x) / length, y: (sign * away.y) / length } };
}

/** Corners of a rectangular face, or of the outline cut from it, from its lower left, mm. */
export const outlineCorners = (shape: Extract<FaceShape, { kind: 'rectangle' }>): Point[] =>
  shape.outline ?? [
    { x: 0, y: 0 },
    { x: shape.widthMm, y: 0 },
    { x: shape.widthMm, y: shape.heightMm },
    { x: 0, y: shape.heightMm },
  ];
