import type { Thread } from '../threads/thread';

/** Usual figures of a tap, mm. */
export interface TapFigures {
  overallMm: number;
  threadMm: number;
  /** Relieved length between thread and shank. */
  neckMm: number;
  shankMm: number;
  squareMm: number;
}

type Row = readonly [
  sizeMm: number,
  overallMm: number,
  threadMm: number,
  neckMm: number,
  shankMm: number,
  squareMm: number,
];

/** Taps as usually made, ISO 529. */
const METRIC: readonly Row[] = [
  [1.6, 41, 8, 0, 2.5, 2],
  [2, 41, 8, 0, 2.5, 2],
  [2.5, 44.5, 9.5, 0, 2.8, 2.24],
  [3, 48, 11, 7, 3.15, 2.5],
  [3.5, 50, 13, 7, 3.55, 2.8],
  [4, 53, 13, 8, 4, 3.15],
  [5, 58, 16, 9, 5, 4],
  [6, 66, 19, 11, 6.3, 5],
  [8, 72, 22, 13, 8, 6.3],
  [10, 80, 24, 15, 10, 8],
  [12, 89, 29, 0, 9, 7.1],
  [14, 95, 30, 0, 11.2, 9],
  [16, 102, 32, 0, 12.5, 10],
  [18, 112, 37, 0, 14, 11.2],
  [20, 112, 37, 0, 14, 11.2],
  [22, 118, 38, 0, 16, 12.5],
  [24, 130, 45, 0, 18, 14],
  [27, 135, 45, 0, 20, 16],
  [30, 138, 48, 0, 20, 16],
  [33, 151, 51, 0, 22.4, 18],
  [36, 162, 57, 0, 25, 20],
];

/** Taps as usually made, ASME B94.9. */
const INCH: readonly Row[] = [
  [2.845, 47.6, 14.3, 0, 3.58, 2.79],
  [3.505, 50.8, 17.5, 0, 3.58, 2.79],
  [4.166, 54, 19.1, 0, 4.27, 3.33],
  [4.826, 60.3, 22.2, 0, 4.93, 3.86],
  [6.35, 63.5, 25.4, 0, 6.48, 4.85],
  [7.938, 69.1, 28.6, 0, 8.08, 6.05],
  [9.525, 74.6, 31.8, 0, 9.68, 7.26],
  [11.113, 80.2, 36.5, 0, 8.2, 6.15],
  [12.7, 85.7, 42.1, 0, 9.32, 6.99],
  [15.875, 96.8, 46, 0, 12.19, 9.14],
  [19.05, 108, 50.8, 0, 14.99, 11.23],
  [22.225, 119.1, 56.4, 0, 17.7, 13.28],
  [25.4, 130.2, 63.5, 0, 20.32, 15.24],
];

/** The listed tap nearest in size; smaller and larger ones than listed go by the ends of the table. */
export function usualTapFigures({ majorMm, system }: Pick<Thread, 'majorMm' | 'system'>): TapFigures {
  const near = (system === 'inch' ? INCH : METRIC).reduce((a, b) =>
    Math.abs(b[0] - majorMm) < Math.abs(a[0] - majorMm) ? b : a,
  );
  const [, overallMm, threadMm, neckMm, shankMm, squareMm] = near;
  return { overallMm, threadMm, neckMm, shankMm, squareMm };
}

/** The same with how deep it goes below the face, mm. */
export interface UsualFigures extends TapFigures {
  reachMm: number;
}
export function usualFigures(thread: Thread): UsualFigures {
  const figures = usualTapFigures(thread);
  return { ...figures, reachMm: reachOf(figures, thread).reachMm };
}

/** Length of a tap that its wrench or chuck hides, mm. Our judgement. */
export const SQUARE_MM = 10;

/**
 * How deep a tap goes below the face, mm: thread and neck; all but the square where the shank is thinner than the hole
 * and follows.
 */
export function reachOf(
  { overallMm, threadMm, neckMm, shankMm }: Omit<TapFigures, 'squareMm'>,
  { majorMm, pitchMm }: Pick<Thread, 'majorMm' | 'pitchMm'>,
): { follows: boolean; reachMm: number } {
  const follows = shankMm < majorMm - 1.0825 * pitchMm;
  return { follows, reachMm: follows ? overallMm - SQUARE_MM : threadMm + neckMm };
}
