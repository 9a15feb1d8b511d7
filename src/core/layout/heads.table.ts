/** Socket head screws, ISO 4762 and ASME B18.3: nominal diameter, head diameter and height, counterbore, mm. */
export const SOCKET_HEADS: readonly (readonly [
  boltMm: number,
  headMm: number,
  heightMm: number,
  counterboreMm: number,
])[] = [
  [2.845, 4.65, 2.84, 5.56],
  [3, 5.5, 3, 6.5],
  [3.505, 5.74, 3.51, 7.14],
  [4, 7, 4, 8],
  [4.166, 6.86, 4.17, 7.92],
  [4.826, 7.92, 4.83, 9.53],
  [5, 8.5, 5, 10],
  [6, 10, 6, 11],
  [6.35, 9.53, 6.35, 11.13],
  [7.938, 11.91, 7.94, 13.49],
  [8, 13, 8, 15],
  [9.525, 14.27, 9.53, 15.88],
  [10, 16, 10, 18],
  [11.113, 16.66, 11.11, 18.26],
  [12, 18, 12, 20],
  [12.7, 19.05, 12.7, 20.62],
  [15.875, 23.83, 15.88, 25.4],
  [16, 24, 16, 26],
  [19.05, 28.58, 19.05, 30.18],
  [20, 30, 20, 33],
];

/** Clearance holes, ISO 273 and ASME B18.2.8: nominal diameter, close, normal, loose, mm. */
export const CLEARANCE_HOLES: readonly (readonly [boltMm: number, close: number, normal: number, loose: number])[] = [
  [1.6, 1.7, 1.8, 2],
  [2, 2.2, 2.4, 2.6],
  [2.184, 2.388, 2.591, 2.946],
  [2.5, 2.7, 2.9, 3.1],
  [2.845, 3.048, 3.251, 3.658],
  [3, 3.2, 3.4, 3.6],
  [3.175, 3.581, 3.962, 4.369],
  [3.505, 3.912, 4.318, 4.699],
  [4, 4.3, 4.5, 4.8],
  [4.166, 4.572, 4.978, 5.41],
  [4.826, 5.232, 5.613, 6.045],
  [5, 5.3, 5.5, 5.8],
  [6, 6.4, 6.6, 7],
  [6.35, 6.756, 7.137, 7.544],
  [7.938, 8.357, 8.738, 9.119],
  [8, 8.4, 9, 10],
  [9.525, 9.931, 10.312, 10.719],
  [10, 10.5, 11, 12],
  [11.113, 11.506, 11.913, 12.294],
  [12, 13, 13.5, 14.5],
  [12.7, 13.487, 14.275, 15.469],
  [14, 15, 15.5, 16.5],
  [15.875, 16.662, 17.475, 18.644],
  [16, 17, 17.5, 18.5],
  [18, 19, 20, 21],
  [19.05, 19.837, 20.625, 23.012],
  [20, 21, 22, 24],
  [22, 23, 24, 26],
  [22.225, 23.012, 23.825, 26.187],
  [24, 25, 26, 28],
  [25.4, 26.187, 27.788, 29.362],
  [30, 31, 33, 35],
];

/** The row whose bolt comes nearest to this nominal diameter, within 0.1 mm. */
export function rowFor<R extends readonly [boltMm: number, ...rest: number[]]>(
  rows: readonly R[],
  boltMm: number,
): R | undefined {
  const off = (row: R): number => Math.abs(row[0] - boltMm);
  const nearest = rows.reduce((a, b) => (off(b) < off(a) ? b : a));
  return off(nearest) < 0.1 ? nearest : undefined;
}

/**
 * The bolt that a plain hole of this size is the usual clearance for, close, normal or loose; mm.
 * @example boltThrough(9) // 8
 */
export function boltThrough(holeMm: number): number | undefined {
  return CLEARANCE_HOLES.find(([, ...sizes]) => sizes.some((size) => Math.abs(size - holeMm) < 0.03))?.[0];
}
