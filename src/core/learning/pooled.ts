import quantile from '@stdlib/stats-base-dists-t-quantile';
import type { LearnedLevel, Spread } from '../answer/estimate';

/** What stands before any reading of a level is worth so many readings for the mean, and so many for the spread. */
const PRIOR = { mean: 3, spread: 4 } as const;
/** Beyond so many predictive sigmas a reading weighs less: by the square of how far it is beyond. */
const FAR = 3.5;
/** Share of cases in which the next reading lies in the range that is stated. */
const STATED = 0.9;

/** What readings of one level come to. */
export interface Pooled extends LearnedLevel {
  /** Weight of each reading, in the order of `values`: 1, less for one that lies far out. */
  weights: readonly number[];
}

/** Before anything was measured, in typical sigmas from the typical figure. */
export const TYPICAL: Spread = { mean: 0, sigma: 1 };

const median = (sorted: readonly number[]): number => {
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)] : (sorted[half - 1] + sorted[half]) / 2;
};

/**
 * Joins readings with what was to be expected: a normal figure with unknown mean and spread, by the normal-inverse-gamma
 * rule. One reading moves the mean by a quarter of its distance, twenty by seven eighths. Which came first makes no difference.
 * @param prior what the level above says, or what is typical
 * @param values in rising order
 * @example pooled({ mean: 0, sigma: 1 }, [2]).mean // (3 × 0 + 2) / (3 + 1) = 0.5
 */
export function pooled(prior: Spread, values: readonly number[]): Pooled {
  const n = values.length;
  const weights = weightsOf(prior, values);
  const { mean, sigma } = n > 0 ? joined(prior, values, weights) : prior;
  const weight = sumOf(weights);
  const half = quantile((1 + STATED) / 2, PRIOR.spread + weight) * sigma * predictive(weight);
  const own = n > 0 ? values.reduce((sum, x, i) => sum + weights[i] * x, 0) / weight : mean;
  return { mean, sigma, n, own, range: [mean - half, mean + half], weights };
}

/** The middle of the readings, and of as many at the prior’s mean as that is worth: one far out does not move it. */
function middleOf(prior: Spread, values: readonly number[]): number {
  let [under, over] = [0, values.length];
  while (under < over) {
    const half = (under + over) >> 1;
    if (values[half] < prior.mean) under = half + 1;
    else over = half;
  }
  const at = (k: number): number =>
    k < under ? values[k] : k < under + PRIOR.mean ? prior.mean : values[k - PRIOR.mean];
  const last = values.length + PRIOR.mean - 1;
  return (at(Math.floor(last / 2)) + at(Math.ceil(last / 2))) / 2;
}

/** Each reading is held against what the others say: those that lie far from the middle of all have no voice in that. */
function weightsOf(prior: Spread, values: readonly number[]): number[] {
  const ones = new Array<number>(values.length).fill(1);
  if (values.length === 0) return ones;
  const middle = middleOf(prior, values);
  const isNear = (x: number, near: number): boolean => Math.abs(x - middle) <= near;
  const [least, most] = [values[0], values[values.length - 1]];
  if (isNear(least, FAR * prior.sigma) && isNear(most, FAR * prior.sigma)) return ones;
  const away = median(values.map((x) => Math.abs(x - middle)).sort((a, b) => a - b));
  const near = FAR * Math.max(prior.sigma, 1.5 * away);
  const voices = values.map((x) => Number(isNear(x, near)));
  const count = sumOf(voices);
  if (count === values.length) return ones;
  const others = count === 0 ? prior : joined(prior, values, voices);
  const scatter = others.sigma * predictive(count);
  return values.map((x) => Math.min(1, (FAR / (Math.abs(x - others.mean) / scatter)) ** 2));
}

const sumOf = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0);

/** The next reading scatters by more than the figure: its mean is not known either. */
const predictive = (weight: number): number => Math.sqrt(1 + 1 / (PRIOR.mean + weight));

function joined(prior: Spread, values: readonly number[], weights: readonly number[]): Spread {
  // Plain loops: this is gone through for every level and every tool of a shop.
  let weight = 0;
  let sum = 0;
  for (let i = 0; i < values.length; i++) {
    weight += weights[i];
    sum += weights[i] * values[i];
  }
  const average = sum / weight;
  let within = 0;
  for (let i = 0; i < values.length; i++) within += weights[i] * (values[i] - average) ** 2;
  const between = ((PRIOR.mean * weight) / (PRIOR.mean + weight)) * (average - prior.mean) ** 2;
  return {
    mean: (PRIOR.mean * prior.mean + weight * average) / (PRIOR.mean + weight),
    sigma: Math.sqrt((PRIOR.spread * prior.sigma ** 2 + within + between) / (PRIOR.spread + weight)),
  };
}
