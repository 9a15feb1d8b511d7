/**
 * Straight-line interpolation in a table of points with rising x.
 * Outside the table the nearest end's value holds.
 * @example interpolate([[0, 0], [10, 5]], 4) // 2
 */
export function interpolate(points: readonly (readonly [x: number, y: number])[], x: number): number {
  let above = 0;
  while (above < points.length && points[above][0] < x) above++;
  if (above === 0) return points[0][1];
  if (above === points.length) return points[above - 1][1];
  const from = points[above - 1];
  const to = points[above];
  return from[1] + ((x - from[0]) / (to[0] - from[0])) * (to[1] - from[1]);
}
