import type { Answer } from './answer';

/** A figure that scatters, in its own unit: its mean and one standard deviation. */
export interface Spread {
  mean: number;
  sigma: number;
}

/** A spread with the number of readings behind it; 0 where nothing was measured and the typical figure stands. */
export interface Expected extends Spread {
  n: number;
  /** Mean of these readings alone; undefined where nothing was measured. */
  own?: number;
  /** In nine of ten cases the next one lies in here; undefined where nothing was measured. */
  range?: readonly [from: number, to: number];
}

/** An expected figure as people see it. */
export interface Estimate extends Answer {
  /** One standard deviation, in the unit of the figure. */
  sigma: number;
  /** Readings of this shop behind it. */
  n: number;
  /** Where the next one lies in nine of ten cases; undefined where nothing was measured. */
  range?: readonly [from: number, to: number];
}

/**
 * What a shop learns of its work: oversize of a hole over its drill (mm), minor diameter that forming leaves less the
 * model's (mm), seconds over the usual ones (ratio), turns of a tap over those counted (ratio), turns that a spindle
 * coasts, lean of a tap (deg), place of a mark (mm, one axis), torque of a tap over the model's (ratio).
 */
export const LEARNED_FIGURES = [
  'oversize',
  'formed-minor',
  'seconds',
  'turns',
  'coast',
  'lean',
  'place',
  'torque',
] as const;
export type LearnedFigure = (typeof LEARNED_FIGURES)[number];

/**
 * What readings say of a figure: how many typical sigmas its mean lies from the typical one, its sigma over the typical one,
 * and where the next reading lies in nine of ten cases, in typical sigmas. So holes of different sizes pool.
 */
export interface LearnedLevel extends Spread {
  n: number;
  /** Mean of these readings alone. */
  own: number;
  range: readonly [from: number, to: number];
}

/** What a shop has learned, as plain data: of each figure by level, from the most general to one tool. */
export type Learned = Readonly<Partial<Record<LearnedFigure, Readonly<Record<string, LearnedLevel>>>>>;

/** Ratios that cannot fall under zero are learned as logarithms. */
const BY_LOGARITHM: ReadonlySet<LearnedFigure> = new Set(['seconds', 'turns', 'torque']);

/**
 * A reading in typical sigmas from the typical figure.
 * @example inSigmas('oversize', 0.12, { mean: 0.1, sigma: 0.02 }) // 1
 */
export const inSigmas = (figure: LearnedFigure, value: number, { mean, sigma }: Spread): number =>
  BY_LOGARITHM.has(figure) ? Math.log(value / mean) / (sigma / mean) : (value - mean) / sigma;

/** What lies so many typical sigmas from the typical figure. */
export const fromSigmas = (figure: LearnedFigure, z: number, { mean, sigma }: Spread): number =>
  BY_LOGARITHM.has(figure) ? mean * Math.exp((z * sigma) / mean) : mean + z * sigma;

/** Levels of a tool of its own below others: in whatever it was used, then in this. @param under the most particular of the others */
export const toolLevels = (tool: string, under: string): [string, string] => [tool, `${under}|${tool}`];

/**
 * What is to be expected of a figure: what was learned at the most particular level that there is, else what is typical.
 * @param levelsOf from the most general to the most particular; asked only where something of it was learned
 * @example expected('lean', { mean: 1.5, sigma: 0.8 }, () => ['hand-free'], undefined) // { mean: 1.5, sigma: 0.8, n: 0 }
 */
export function expected(
  figure: LearnedFigure,
  typical: Spread,
  levelsOf: () => readonly string[],
  learned: Learned | undefined,
): Expected {
  const known = learned?.[figure];
  const level = known && levelsOf().findLast((key) => Object.hasOwn(known, key));
  if (!known || level === undefined) return { mean: typical.mean, sigma: typical.sigma, n: 0 };
  const { mean, sigma, n, own, range } = known[level];
  return {
    mean: fromSigmas(figure, mean, typical),
    sigma: sigma * typical.sigma,
    n,
    own: fromSigmas(figure, own, typical),
    range: [fromSigmas(figure, range[0], typical), fromSigmas(figure, range[1], typical)],
  };
}

/** One sigma of a time as a share of the usual one. Our judgement. */
const TIME_SIGMA = 0.3;

/** Seconds over the usual ones, before any were measured. */
export const TYPICAL_TIME: Spread = { mean: 1, sigma: TIME_SIGMA };

/** Seconds that something takes over the usual ones. @param levelsOf from the most general to the most particular */
export const expectedTime = (levelsOf: () => readonly string[], learned: Learned | undefined): Expected =>
  expected('seconds', TYPICAL_TIME, levelsOf, learned);

/** Diameters that behave alike, by the largest of each band, mm. */
const BANDS_MM = [3, 6, 10, 16, 25] as const;

/** The band of a diameter in mm, as levels name it. */
export const bandOf = (diameterMm: number): string => {
  const to = BANDS_MM.find((most) => diameterMm <= most);
  return to === undefined ? `over ${BANDS_MM[BANDS_MM.length - 1]}` : `to ${to}`;
};
