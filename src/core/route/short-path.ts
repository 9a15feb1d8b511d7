import type { Point } from '../layout/part';

/** Paths up to this many points are exact. */
const EXACT = 9;
/** Neighbours that a longer path looks at. */
const NEAR = 8;
/** Rounds of improving a long path. */
const ROUNDS = 12;

const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Length of a path from `start` through points in this order, mm. */
export function pathLength(points: readonly Point[], order: readonly number[], start?: Point): number {
  let length = start && order.length > 0 ? far(start, points[order[0]]) : 0;
  for (let i = 1; i < order.length; i++) length += far(points[order[i - 1]], points[order[i]]);
  return length;
}

/** The shortest order by dynamic programming over subsets. */
function exactPath(points: readonly Point[], start?: Point): number[] {
  const n = points.length;
  const all = (1 << n) - 1;
  const best = Array.from({ length: 1 << n }, () => new Float64Array(n).fill(Infinity));
  const from = Array.from({ length: 1 << n }, () => new Int8Array(n).fill(-1));
  for (let i = 0; i < n; i++) best[1 << i][i] = start ? far(start, points[i]) : 0;
  for (let set = 1; set <= all; set++)
    for (let last = 0; last < n; last++) {
      const so = best[set][last];
      if (so === Infinity) continue;
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const to = set | (1 << next);
        const length = so + far(points[last], points[next]);
        if (length < best[to][next]) {
          best[to][next] = length;
          from[to][next] = last;
        }
      }
    }
  let last = 0;
  for (let i = 1; i < n; i++) if (best[all][i] < best[all][last]) last = i;
  const order: number[] = [];
  for (let set = all; last >= 0;) {
    order.unshift(last);
    const before = from[set][last];
    set &= ~(1 << last);
    last = before;
  }
  return order;
}

/** The nearest points of each, by a grid so that thousands stay quick. */
function neighbours(points: readonly Point[]): number[][] {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, low] = [Math.min(...xs), Math.min(...ys)];
  const side = Math.max(
    1e-6,
    Math.sqrt(((Math.max(...xs) - left + 1) * (Math.max(...ys) - low + 1)) / points.length) * 1.5,
  );
  const cells = new Map<string, number[]>();
  const cellOf = (p: Point): [number, number] => [Math.floor((p.x - left) / side), Math.floor((p.y - low) / side)];
  points.forEach((p, i) => {
    const key = cellOf(p).join();
    const list = cells.get(key);
    if (list) list.push(i);
    else cells.set(key, [i]);
  });
  return points.map((p, i) => {
    const [cx, cy] = cellOf(p);
    let found: number[] = [];
    for (let ring = 1; found.length < NEAR && ring < 64; ring *= 2) {
      found = [];
      for (let x = cx - ring; x <= cx + ring; x++)
        for (let y = cy - ring; y <= cy + ring; y++) found.push(...(cells.get(`${x},${y}`) ?? []));
      found = found.filter((j) => j !== i);
      if (found.length >= points.length - 1) break;
    }
    return found.sort((a, b) => far(p, points[a]) - far(p, points[b])).slice(0, NEAR);
  });
}

function nearestFirst(points: readonly Point[], near: readonly number[][], start?: Point): number[] {
  const left = new Set(points.keys());
  let at = start ?? points[0];
  const order: number[] = [];
  let last: number | undefined;
  while (left.size > 0) {
    let next = last === undefined ? undefined : near[last].find((i) => left.has(i));
    if (next === undefined) {
      let least = Infinity;
      for (const i of left) {
        const d = far(at, points[i]);
        if (d < least) [least, next] = [d, i];
      }
    }
    last = next as number;
    left.delete(last);
    order.push(last);
    at = points[last];
  }
  return order;
}

/** Turns stretches round, and moves up to three points elsewhere, as long as the path gets shorter. */
function improve(points: readonly Point[], order: number[], near: readonly number[][], start?: Point): number[] {
  const n = order.length;
  const place = new Int32Array(n);
  const number = (): void => order.forEach((p, i) => (place[p] = i));
  number();
  const at = (i: number): Point | undefined => (i < 0 ? start : i >= n ? undefined : points[order[i]]);
  const link = (a: Point | undefined, b: Point | undefined): number => (a && b ? far(a, b) : 0);
  for (let round = 0; round < ROUNDS; round++) {
    let better = false;
    for (let i = 0; i < n; i++)
      for (const other of near[order[i]]) {
        const j = place[other];
        const [a, b] = i < j ? [i, j] : [j, i];
        // Turned round from a + 1 to b; open at the end.
        const gain = link(at(a), at(a + 1)) + link(at(b), at(b + 1)) - link(at(a), at(b)) - link(at(a + 1), at(b + 1));
        if (b > a + 1 && gain > 1e-9) {
          for (let l = a + 1, r = b; l < r; l++, r--) [order[l], order[r]] = [order[r], order[l]];
          for (let k = a + 1; k <= b; k++) place[order[k]] = k;
          better = true;
          continue;
        }
        const before =
          link(at(a - 1), at(a)) + link(at(b - 1), at(b)) - link(at(a - 1), at(b - 1)) - link(at(a), at(b));
        if (b > a + 1 && before > 1e-9) {
          for (let l = a, r = b - 1; l < r; l++, r--) [order[l], order[r]] = [order[r], order[l]];
          for (let k = a; k < b; k++) place[order[k]] = k;
          better = true;
        }
      }
    for (let i = 0; i < n; i++)
      for (const length of [1, 2, 3]) {
        if (i + length > n) continue;
        const removed =
          link(at(i - 1), at(i)) + link(at(i + length - 1), at(i + length)) - link(at(i - 1), at(i + length));
        for (const other of near[order[i]]) {
          const j = place[other];
          if (j >= i - 1 && j < i + length) continue;
          const added = link(at(j), at(i)) + link(at(i + length - 1), at(j + 1)) - link(at(j), at(j + 1));
          if (removed - added <= 1e-9) continue;
          const moved = order.splice(i, length);
          order.splice(j < i ? j + 1 : j + 1 - length, 0, ...moved);
          number();
          better = true;
          break;
        }
      }
    if (!better) break;
  }
  return order;
}

/**
 * A short order through points, from `start` where one is given, ending anywhere: exact up to nine points, else nearest
 * first, then stretches turned round and moved.
 */
export function shortPath(points: readonly Point[], start?: Point): number[] {
  if (points.length <= 1) return [...points.keys()];
  if (points.length <= EXACT) return exactPath(points, start);
  const near = neighbours(points);
  return improve(points, nearestFirst(points, near, start), near, start);
}

/** Length of the shortest tree through points, mm, no link counted for more than `most`: no path is shorter. */
export function shortestTree(points: readonly Point[], linkCost: (mm: number) => number, most: number): number {
  const n = points.length;
  if (n === 0) return 0;
  const least = new Float64Array(n).fill(Infinity);
  const done = new Uint8Array(n);
  least[0] = 0;
  let sum = 0;
  for (let k = 0; k < n; k++) {
    let next = -1;
    for (let i = 0; i < n; i++) if (!done[i] && (next < 0 || least[i] < least[next])) next = i;
    done[next] = 1;
    if (k > 0) sum += Math.min(most, linkCost(least[next]));
    for (let i = 0; i < n; i++) if (!done[i]) least[i] = Math.min(least[i], far(points[next], points[i]));
  }
  return sum;
}
