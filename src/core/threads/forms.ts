/** Profile of a thread. */
export const THREAD_FORMS = ['iso-60', 'whitworth-55', 'ba-47.5', 'npt-60-taper', 'whitworth-55-taper'] as const;
export type ThreadForm = (typeof THREAD_FORMS)[number];

/** What a profile means everywhere: the one row of it. */
export interface Form {
  /** Of the flanks, as people say it. */
  angle: string;
  /** Tangent of half of that angle. */
  halfAngleTan: number;
  /** Depth of thread on one side as a share of the pitch, at 100 percent. */
  depthPerPitch: number;
  /** It has no single percentage, and is stopped by the gauge. */
  tapered: boolean;
  /** Percent of thread that a flat chart holds. */
  flatPercent: number;
  /** What its counting adds to a metal's target and range, percent of thread. */
  countsMore: number;
  /** Percent of thread below and above which a percentage asked for is out of range. */
  reasonable: { low: number; high: number };
  /** There are forming taps and a drill rule for it. */
  formable: boolean;
}

const halfTan = (deg: number): number => Math.tan((deg / 2) * (Math.PI / 180));
const FULL_DEPTH = { low: 40, high: 100 };

export const FORMS: Record<ThreadForm, Form> = {
  'iso-60': {
    angle: '60°',
    halfAngleTan: Math.tan(Math.PI / 6),
    depthPerPitch: 0.649519,
    tapered: false,
    flatPercent: 75,
    countsMore: 0,
    reasonable: { low: 40, high: 90 },
    formable: true,
  },
  // Counted on its full, rounded depth: customary drills come out five higher.
  'whitworth-55': {
    angle: '55°',
    halfAngleTan: halfTan(55),
    depthPerPitch: 0.640327,
    tapered: false,
    flatPercent: 80,
    countsMore: 5,
    reasonable: FULL_DEPTH,
    formable: false,
  },
  'ba-47.5': {
    angle: '47.5°',
    halfAngleTan: halfTan(47.5),
    depthPerPitch: 0.6,
    tapered: false,
    flatPercent: 75,
    countsMore: 0,
    reasonable: FULL_DEPTH,
    formable: false,
  },
  'npt-60-taper': {
    angle: '60°, tapered',
    halfAngleTan: Math.tan(Math.PI / 6),
    depthPerPitch: 0.8,
    tapered: true,
    flatPercent: 75,
    countsMore: 0,
    reasonable: FULL_DEPTH,
    formable: false,
  },
  'whitworth-55-taper': {
    angle: '55°, tapered',
    halfAngleTan: halfTan(55),
    depthPerPitch: 0.640327,
    tapered: true,
    flatPercent: 80,
    countsMore: 5,
    reasonable: FULL_DEPTH,
    formable: false,
  },
};
