/** Hand taps as usually made, DIN 352 and ASME B94.9: nominal diameter, overall length, length of thread, mm. */
export const TAP_LENGTHS: readonly (readonly [sizeMm: number, overallMm: number, threadMm: number])[] = [
  [2.845, 47.6, 14.3],
  [3, 48, 11],
  [3.505, 50.8, 17.5],
  [4, 53, 13],
  [4.166, 54, 19.1],
  [4.826, 60.3, 22.2],
  [5, 58, 16],
  [6, 66, 19],
  [6.35, 63.5, 25.4],
  [7.938, 69.1, 28.6],
  [8, 72, 22],
  [9.525, 74.6, 31.8],
  [10, 80, 24],
  [12, 89, 29],
  [12.7, 85.7, 42.1],
  [15.875, 96.8, 46],
  [16, 102, 32],
  [19.05, 108, 50.8],
  [20, 112, 37],
];

/** The listed tap nearest in size; smaller and larger ones than listed go by the ends of the table. */
export const usualTapLength = (majorMm: number): { overallMm: number; threadMm: number } => {
  const [, overallMm, threadMm] = TAP_LENGTHS.reduce((a, b) =>
    Math.abs(b[0] - majorMm) < Math.abs(a[0] - majorMm) ? b : a,
  );
  return { overallMm, threadMm };
};
