/** Plain washers, ISO 7089 and the usual inch series: nominal diameter, outside diameter, mm. */
export const WASHERS: readonly (readonly [boltMm: number, outsideMm: number])[] = [
  [3, 7],
  [4, 9],
  [5, 10],
  [6, 12],
  [6.35, 15.9],
  [7.938, 17.5],
  [8, 16],
  [9.525, 20.6],
  [10, 20],
  [12, 24],
  [12.7, 27],
  [16, 30],
  [20, 37],
];

/** Hexagon nuts and heads, ISO 4032 and ASME B18.2.2: nominal diameter, across flats, height of the nut, mm. */
export const HEXAGONS: readonly (readonly [boltMm: number, acrossFlatsMm: number, nutMm: number])[] = [
  [5, 8, 4.7],
  [6, 10, 5.2],
  [6.35, 11.11, 5.56],
  [7.938, 12.7, 6.75],
  [8, 13, 6.8],
  [9.525, 14.29, 8.33],
  [10, 16, 8.4],
  [12, 18, 10.8],
  [12.7, 19.05, 11.11],
  [15.875, 23.81, 13.89],
  [16, 24, 14.8],
  [19.05, 28.57, 16.27],
  [20, 30, 18],
];

/** Outside of the socket that turns a hexagon, mm. Model: 1.3 times across flats and 2 mm. */
export const socketOutside = (acrossFlatsMm: number): number => 1.3 * acrossFlatsMm + 2;
