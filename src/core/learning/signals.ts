/** What a row of readings does that a steady process seldom does. */
export type SignalKind = 'outside' | 'side' | 'trend' | 'near-limit';

/** A signal, from the first reading that makes it up to the last that carries it on. */
export interface Signal {
  kind: SignalKind;
  from: number;
  /** The reading that completed it. */
  at: number;
  to: number;
  /** Above the middle or rising: 1; below or falling: -1. */
  way: 1 | -1;
}

const SIDE = 9;
const TREND = 6;

/** What a signal says. */
export const SIGNAL_WORDS: Record<SignalKind, readonly [up: string, down: string]> = {
  outside: ['one reading far above the rest', 'one reading far below the rest'],
  side: [`${SIDE} readings in a row above the middle`, `${SIDE} readings in a row below the middle`],
  trend: [`${TREND} readings in a row rising`, `${TREND} readings in a row falling`],
  'near-limit': ['two of three readings far up', 'two of three readings far down'],
};

/**
 * Signals in readings in order: one outside three sigma, nine on one side, six rising or falling, two of three beyond two
 * sigma. Each is told at the reading that completes it, and once as long as it goes on.
 * @param centre, sigma of the process itself, sigma above 0
 */
export function signalsOf(values: readonly number[], centre: number, sigma: number): Signal[] {
  const found: Signal[] = [];
  const z = values.map((v) => (v - centre) / sigma);
  const tell = (kind: SignalKind, from: number, at: number, up: boolean): void => {
    const way = up ? 1 : -1;
    const going = found.findLast((s) => s.kind === kind && s.way === way && s.to >= from - 1);
    if (going) going.to = at;
    else found.push({ kind, from, at, to: at, way });
  };
  let side = 0;
  let trend = 0;
  z.forEach((at, i) => {
    side = at === 0 ? 0 : Math.sign(at) === Math.sign(side) ? side + Math.sign(at) : Math.sign(at);
    const step = i === 0 ? 0 : Math.sign(at - z[i - 1]);
    trend = step === 0 ? 0 : Math.sign(step) === Math.sign(trend) ? trend + step : step;
    if (Math.abs(at) > 3) tell('outside', i, i, at > 0);
    if (Math.abs(side) >= SIDE) tell('side', i - SIDE + 1, i, side > 0);
    // Six readings that rise make five steps up.
    if (Math.abs(trend) >= TREND - 1) tell('trend', i - TREND + 1, i, trend > 0);
    for (const way of [1, -1]) {
      const three = z.slice(Math.max(0, i - 2), i + 1);
      if (way * at > 2 && three.filter((x) => way * x > 2).length >= 2)
        tell('near-limit', i - three.length + 1, i, way > 0);
    }
  });
  return found;
}

/** Middle and spread of readings by themselves: the median, and the usual step between neighbours, which a trend does not widen. */
export function ownSpread(values: readonly number[]): { centre: number; sigma: number } {
  const sorted = [...values].sort((a, b) => a - b);
  const centre = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const steps = values.slice(1).map((v, i) => Math.abs(v - values[i]));
  const average = steps.reduce((sum, s) => sum + s, 0) / Math.max(1, steps.length);
  // The mean distance of two readings of one normal process is 1.128 of its sigma.
  return { centre, sigma: average / 1.128 };
}
