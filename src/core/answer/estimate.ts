import type { Answer } from './answer';

/** A figure that scatters, in its own unit: its mean and one standard deviation. */
export interface Spread {
  mean: number;
  sigma: number;
}

/** A spread with the number of readings behind it; 0 where nothing was measured and the typical figure stands. */
export interface Expected extends Spread {
  n: number;
}

/** An expected figure as people see it. */
export interface Estimate extends Answer {
  /** One standard deviation, in the unit of the figure. */
  sigma: number;
  /** Readings of this shop behind it. */
  n: number;
}

/**
 * What a shop learns of its work: oversize of a hole over its drill (mm), minor diameter that forming leaves less the
 * model's (mm), seconds over the usual ones (ratio), turns of a tap over those counted (ratio), turns that a spindle
 * coasts, lean of a tap (deg), place of a mark (mm, one axis).
 */
export const LEARNED_FIGURES = ['oversize', 'formed-minor', 'seconds', 'turns', 'coast', 'lean', 'place'] as const;
export type LearnedFigure = (typeof LEARNED_FIGURES)[number];

/** What a shop has learned, as plain data: of each figure by level, from the most general to one tool. */
export type Learned = Readonly<Partial<Record<LearnedFigure, Readonly<Record<string, Expected>>>>>;

/**
 * What is to be expected of a figure: what was learned at the most particular level that there is, else what is typical.
 * @param levels from the most general to the most particular
 * @example expected('lean', { mean: 1.5, sigma: 0.8 }, ['hand-free'], undefined) // { mean: 1.5, sigma: 0.8, n: 0 }
 */
export function expected(
  figure: LearnedFigure,
  typical: Spread,
  levels: readonly string[],
  learned: Learned | undefined,
): Expected {
  const known = learned?.[figure];
  const level = known && levels.findLast((key) => key in known);
  return known && level !== undefined ? known[level] : { mean: typical.mean, sigma: typical.sigma, n: 0 };
}

/** One sigma of a time as a share of the usual one. Our judgement. */
const TIME_SIGMA = 0.3;

/** Seconds that something takes over the usual ones. @param levels from the most general to the most particular */
export const expectedTime = (levels: readonly string[], learned: Learned | undefined): Expected =>
  expected('seconds', { mean: 1, sigma: TIME_SIGMA }, levels, learned);

/** Diameters that behave alike, by the largest of each band, mm. */
const BANDS_MM = [3, 6, 10, 16, 25] as const;

/** The band of a diameter in mm, as levels name it. */
export const bandOf = (diameterMm: number): string => {
  const to = BANDS_MM.find((most) => diameterMm <= most);
  return to === undefined ? `over ${BANDS_MM[BANDS_MM.length - 1]}` : `to ${to}`;
};
