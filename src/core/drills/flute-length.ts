import { interpolate } from '../units/interpolate';

/** Flute length of jobber drills, ISO 235, mm by diameter in mm. */
const JOBBER_FLUTE_MM = [
  [0, 0],
  [1, 12],
  [2, 24],
  [3, 33],
  [4, 43],
  [5, 52],
  [6, 57],
  [8, 75],
  [10, 87],
  [12, 101],
  [13, 101],
  [16, 120],
  [20, 140],
  [25, 165],
  [50, 220],
] as const;

/** How deep a drill of the usual length reaches before its flutes are covered, mm. */
export const usualFluteMm = (diameterMm: number): number => interpolate(JOBBER_FLUTE_MM, diameterMm);
