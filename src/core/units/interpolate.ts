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
  const [x0, y0] = points[above - 1];
  const [x1, y1] = points[above];
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0);
}
