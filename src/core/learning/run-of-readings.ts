import { expected, fromSigmas, inSigmas, type Learned, type LearnedFigure, type Spread } from '../answer/estimate';
import { OF_HANDS, type Figured, type Observation } from '../run/observations';
import { pooled, TYPICAL } from './pooled';
import { ownSpread, signalsOf, type Signal } from './signals';

/** Whether a reading counts at a level, the tool’s own levels among them. */
export function isAtLevel({ levels, tool }: Pick<Figured, 'levels' | 'tool'>, level: string): boolean {
  if (levels.includes(level)) return true;
  return tool !== undefined && (level === tool || level === `${levels[levels.length - 1]}|${tool}`);
}

/** What is typical over some readings, in their unit: the mean of what is typical for each; 0 of none. */
export function typicalOver(readings: readonly Pick<Figured, 'typical'>[]): Spread {
  const n = Math.max(1, readings.length);
  return {
    mean: readings.reduce((sum, r) => sum + r.typical.mean, 0) / n,
    sigma: readings.reduce((sum, r) => sum + r.typical.sigma, 0) / n,
  };
}

/** A level as people read it: holes as what they are over the typical hole, all else as it is. */
export interface LevelShown {
  typical: number;
  mean: number;
  low: number;
  high: number;
  n: number;
}

/** Nothing leans or coasts by less than nothing. */
const possible = (figure: LearnedFigure, value: number): number =>
  figure === 'lean' || figure === 'coast' ? Math.max(0, value) : value;

/** @param typical of the readings behind it */
export function levelShown(figure: LearnedFigure, level: string, typical: Spread, learned: Learned): LevelShown {
  const { mean, range = [mean, mean], n } = expected(figure, typical, () => [level], learned);
  // A hole has another size at every drill: what counts is how far it is off.
  const zero = figure === 'oversize' ? typical.mean : 0;
  const low = possible(figure, range[0]) - zero;
  return { typical: typical.mean - zero, mean: mean - zero, low, high: range[1] - zero, n };
}

/** The value of a reading as people read it, in its unit: a hole is told as what it is over the typical one. */
export const shownValue = ({ figure, value, typical }: Figured): number =>
  figure === 'oversize' ? value - typical.mean : value;

/** Readings in order with what the process says of itself. */
export interface Run<Reading> {
  readings: readonly (Reading & { shown: number })[];
  /** Three sigma of its own; undefined with too few to tell. */
  limits?: { from: number; to: number };
  signals: (Signal & { hand?: string })[];
}

/** What each reading weighs beside the others: 1, less for one that lies far out, in their order. */
export function weightsOfReadings(readings: readonly Figured[]): number[] {
  const z = readings.map((r) => inSigmas(r.figure, r.value, r.typical));
  const order = z.map((_, i) => i).sort((a, b) => z[a] - z[b]);
  const { weights } = pooled(
    TYPICAL,
    order.map((i) => z[i]),
  );
  const by = new Map(order.map((i, at) => [i, weights[at]]));
  return z.map((_, i) => by.get(i) ?? 1);
}

/** Fewer readings than this say nothing of their own spread. */
export const LEAST_TO_TELL = 8;

/** A run of readings in the order in which they were made, with its own limits and signals. */
export function runOfReadings<Reading extends Figured & Pick<Observation, 'happenedAt'>>(
  all: readonly Reading[],
): Run<Reading> {
  const readings = [...all]
    .sort((a, b) => a.happenedAt.localeCompare(b.happenedAt))
    .map((r) => ({ ...r, shown: shownValue(r) }));
  // Judged as they are learned: in typical sigmas, ratios by their logarithms.
  const values = readings.map((r) => inSigmas(r.figure, r.value, r.typical));
  const { centre, sigma } = ownSpread(values);
  if (values.length < LEAST_TO_TELL || sigma <= 0) return { readings, signals: [] };
  const [{ figure }] = readings;
  const typical = typicalOver(readings);
  const shownAt = (z: number): number => shownValue({ ...readings[0], typical, value: fromSigmas(figure, z, typical) });
  return {
    readings,
    limits: { from: possible(figure, shownAt(centre - 3 * sigma)), to: shownAt(centre + 3 * sigma) },
    signals: OF_HANDS.has(figure) ? signalsOfHands(readings, values) : signalsOf(values, centre, sigma),
  };
}

/** Two hands that differ are no signal: each is held against itself. */
function signalsOfHands(
  readings: readonly Pick<Figured, 'tool'>[],
  values: readonly number[],
): (Signal & { hand?: string })[] {
  const hands = new Map<string | undefined, number[]>();
  readings.forEach(({ tool }, i) => hands.set(tool, [...(hands.get(tool) ?? []), i]));
  return [...hands]
    .flatMap(([hand, at]) => {
      const own = at.map((i) => values[i]);
      const { centre, sigma } = ownSpread(own);
      if (own.length < LEAST_TO_TELL || sigma <= 0) return [];
      return signalsOf(own, centre, sigma).map((s) => ({ ...s, from: at[s.from], at: at[s.at], to: at[s.to], hand }));
    })
    .sort((a, b) => a.at - b.at);
}
