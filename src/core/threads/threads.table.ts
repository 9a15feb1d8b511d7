/** Size and pitch of the standard series, as the standards list them. Compact rows: one string a size. */

/** ASME B1.1, size-threads per inch. */
export const UNC =
  '#1-64 #2-56 #3-48 #4-40 #5-40 #6-32 #8-32 #10-24 #12-24 1/4-20 5/16-18 3/8-16 7/16-14 1/2-13 9/16-12 5/8-11 3/4-10 7/8-9 1-8 1-1/8-7 1-1/4-7 1-3/8-6 1-1/2-6';
export const UNF =
  '#0-80 #1-72 #2-64 #3-56 #4-48 #5-44 #6-40 #8-36 #10-32 #12-28 1/4-28 5/16-24 3/8-24 7/16-20 1/2-20 9/16-18 5/8-18 3/4-16 7/8-14 1-12 1-1/8-12 1-1/4-12 1-3/8-12 1-1/2-12';
export const UNEF =
  '#12-32 1/4-32 5/16-32 3/8-32 7/16-28 1/2-28 9/16-24 5/8-24 11/16-24 3/4-20 13/16-20 7/8-20 15/16-20 1-20 1-1/16-18 1-1/8-18 1-3/16-18 1-1/4-18 1-5/16-18 1-3/8-18 1-7/16-18 1-1/2-18';

/** ISO 261, diameter x pitch in mm. */
export const METRIC_COARSE =
  '1x0.25 1.1x0.25 1.2x0.25 1.4x0.3 1.6x0.35 1.8x0.35 2x0.4 2.2x0.45 2.5x0.45 3x0.5 3.5x0.6 4x0.7 4.5x0.75 5x0.8 6x1 7x1 8x1.25 9x1.25 10x1.5 11x1.5 12x1.75 14x2 16x2 18x2.5 20x2.5 22x2.5 24x3 27x3 30x3.5 33x3.5 36x4 39x4 42x4.5 45x4.5 48x5';
export const METRIC_FINE =
  '1x0.2 1.1x0.2 1.2x0.2 1.4x0.2 1.6x0.2 1.8x0.2 2x0.25 2.2x0.25 2.5x0.35 3x0.35 3.5x0.35 4x0.5 4.5x0.5 5x0.5 5.5x0.5 6x0.75 7x0.75 8x1 8x0.75 9x1 9x0.75 10x1.25 10x1 10x0.75 11x1 11x0.75 12x1.5 12x1.25 12x1 14x1.5 14x1.25 14x1 15x1.5 15x1 16x1.5 16x1 17x1.5 17x1 18x2 18x1.5 18x1 20x2 20x1.5 20x1 22x2 22x1.5 22x1 24x2 24x1.5 24x1 25x2 25x1.5 25x1 26x1.5 27x2 27x1.5 27x1 28x2 28x1.5 28x1 30x3 30x2 30x1.5 30x1 32x2 32x1.5 33x3 33x2 33x1.5 35x1.5 36x3 36x2 36x1.5 38x1.5 39x3 39x2 39x1.5 40x3 40x2 40x1.5 42x4 42x3 42x2 42x1.5 45x4 45x3 45x2 45x1.5 48x4 48x3 48x2 48x1.5';

/** BS 93, number: diameter x pitch in mm. */
export const BA =
  '0:6x1 1:5.3x0.9 2:4.7x0.81 3:4.1x0.73 4:3.6x0.66 5:3.2x0.59 6:2.8x0.53 7:2.5x0.48 8:2.2x0.43 9:1.9x0.39 10:1.7x0.35 11:1.5x0.31 12:1.3x0.28 13:1.2x0.25 14:1x0.23 15:0.9x0.21 16:0.79x0.19';

/** BS 84, size-threads per inch. */
export const BSW =
  '1/16-60 3/32-48 1/8-40 5/32-32 3/16-24 7/32-24 1/4-20 5/16-18 3/8-16 7/16-14 1/2-12 9/16-12 5/8-11 11/16-11 3/4-10 7/8-9 1-8 1-1/8-7 1-1/4-7 1-1/2-6';
export const BSF =
  '3/16-32 7/32-28 1/4-26 9/32-26 5/16-22 3/8-20 7/16-18 1/2-16 9/16-16 5/8-14 11/16-14 3/4-12 7/8-11 1-10 1-1/8-9 1-1/4-9 1-1/2-8';

/** ISO 228-1, nominal size: major diameter in mm, threads per inch. */
export const G: readonly [size: string, majorMm: number, tpi: number][] = [
  ['1/16', 7.723, 28],
  ['1/8', 9.728, 28],
  ['1/4', 13.157, 19],
  ['3/8', 16.662, 19],
  ['1/2', 20.955, 14],
  ['5/8', 22.911, 14],
  ['3/4', 26.441, 14],
  ['7/8', 30.201, 14],
  ['1', 33.249, 11],
  ['1-1/4', 41.91, 11],
  ['1-1/2', 47.803, 11],
];

/**
 * ASME B1.20.1: pipe outside diameter, threads per inch, usual tap drill without reaming,
 * length of hand-tight engagement (inches).
 */
export const NPT: readonly {
  size: string;
  outsideIn: number;
  tpi: number;
  drill: string;
  drillIn: number;
  handTightIn: number;
  effectiveIn: number;
}[] = [
  { size: '1/16', outsideIn: 0.3125, tpi: 27, drill: 'D', drillIn: 0.246, handTightIn: 0.16, effectiveIn: 0.2611 },
  { size: '1/8', outsideIn: 0.405, tpi: 27, drill: 'R', drillIn: 0.339, handTightIn: 0.1615, effectiveIn: 0.2639 },
  { size: '1/4', outsideIn: 0.54, tpi: 18, drill: '7/16', drillIn: 0.4375, handTightIn: 0.2278, effectiveIn: 0.4018 },
  { size: '3/8', outsideIn: 0.675, tpi: 18, drill: '37/64', drillIn: 0.578125, handTightIn: 0.24, effectiveIn: 0.4078 },
  { size: '1/2', outsideIn: 0.84, tpi: 14, drill: '23/32', drillIn: 0.71875, handTightIn: 0.32, effectiveIn: 0.5337 },
  { size: '3/4', outsideIn: 1.05, tpi: 14, drill: '59/64', drillIn: 0.921875, handTightIn: 0.339, effectiveIn: 0.5457 },
  { size: '1', outsideIn: 1.315, tpi: 11.5, drill: '1-5/32', drillIn: 1.15625, handTightIn: 0.4, effectiveIn: 0.6828 },
  { size: '1-1/4', outsideIn: 1.66, tpi: 11.5, drill: '1-1/2', drillIn: 1.5, handTightIn: 0.42, effectiveIn: 0.7068 },
  {
    size: '1-1/2',
    outsideIn: 1.9,
    tpi: 11.5,
    drill: '1-23/32',
    drillIn: 1.71875,
    handTightIn: 0.42,
    effectiveIn: 0.7235,
  },
  { size: '2', outsideIn: 2.375, tpi: 11.5, drill: '2-3/16', drillIn: 2.1875, handTightIn: 0.436, effectiveIn: 0.7565 },
];

/**
 * ISO 7-1, tapered inside thread: drill without reaming, gauge length and useful length at least, mm. Drills as usually
 * printed; to be checked against the list in the shop.
 */
export const RC: readonly { size: string; drillMm: number; handTightMm: number; effectiveMm: number }[] = [
  { size: '1/16', drillMm: 6.6, handTightMm: 4, effectiveMm: 6.5 },
  { size: '1/8', drillMm: 8.4, handTightMm: 4, effectiveMm: 6.5 },
  { size: '1/4', drillMm: 11.2, handTightMm: 6, effectiveMm: 9.7 },
  { size: '3/8', drillMm: 14.75, handTightMm: 6.4, effectiveMm: 10.1 },
  { size: '1/2', drillMm: 18.25, handTightMm: 8.2, effectiveMm: 13.2 },
  { size: '3/4', drillMm: 23.75, handTightMm: 9.5, effectiveMm: 14.5 },
  { size: '1', drillMm: 30, handTightMm: 10.4, effectiveMm: 16.8 },
  { size: '1-1/4', drillMm: 38.5, handTightMm: 12.7, effectiveMm: 19.1 },
  { size: '1-1/2', drillMm: 44.5, handTightMm: 12.7, effectiveMm: 19.1 },
];

/** ISO 965-1: tolerance of the nut thread's minor diameter by pitch (mm), grades 4 to 7, micrometres. */
export const ISO_MINOR_TOLERANCE_UM: readonly [
  pitchMm: number,
  grade4?: number,
  grade5?: number,
  grade6?: number,
  grade7?: number,
][] = [
  [0.2, 38, 48],
  [0.25, 45, 56, 71],
  [0.3, 53, 67, 85],
  [0.35, 63, 80, 100],
  [0.4, 71, 90, 112],
  [0.45, 80, 100, 125],
  [0.5, 90, 112, 140, 180],
  [0.6, 100, 125, 160, 200],
  [0.7, 112, 140, 180, 224],
  [0.75, 118, 150, 190, 236],
  [0.8, 125, 160, 200, 250],
  [1, 150, 190, 236, 300],
  [1.25, 170, 212, 265, 335],
  [1.5, 190, 236, 300, 375],
  [1.75, 212, 265, 335, 425],
  [2, 236, 300, 375, 475],
  [2.5, 280, 355, 450, 560],
  [3, 315, 400, 500, 630],
  [3.5, 355, 450, 560, 710],
  [4, 375, 475, 600, 750],
  [4.5, 425, 530, 670, 850],
  [5, 450, 560, 710, 900],
  [5.5, 475, 600, 750, 950],
  [6, 500, 630, 800, 1000],
];

/** ISO 965-1 diameter ranges, mm; each range's geometric mean sets the pitch diameter tolerance. */
export const ISO_DIAMETER_STEPS_MM = [0.99, 1.4, 2.8, 5.6, 11.2, 22.4, 45, 90] as const;
