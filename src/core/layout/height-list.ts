import { mmToInch } from '../units/length';
import type { Point } from './part';

export type Gauge = 'digital-mm' | 'digital-inch' | 'dial-mm' | 'vernier-mm' | 'vernier-inch';

export const GAUGES: readonly [Gauge, string][] = [
  ['digital-mm', 'digital, mm'],
  ['digital-inch', 'digital, inch'],
  ['dial-mm', 'dial, 0.02 mm'],
  ['vernier-mm', 'vernier, 0.02 mm'],
  ['vernier-inch', 'vernier, 0.001 in'],
];

/** A height as the gauge in use shows it: what to set on the main scale, then on dial or vernier. */
export function gaugeReading(mm: number, gauge: Gauge): string {
  if (gauge === 'digital-mm') return mm.toFixed(2);
  if (gauge === 'digital-inch') return mmToInch(mm).toFixed(4);
  const [step, whole, per] = gauge === 'vernier-inch' ? [0.001, 0.025, 25] : ([0.02, 1, 50] as const);
  const value = gauge === 'vernier-inch' ? mmToInch(mm) : mm;
  const units = Math.round(value / step);
  const lines = Math.floor(units / per);
  const rest = units - lines * per;
  const main = (lines * whole).toFixed(gauge === 'vernier-inch' ? 3 : 0);
  return gauge === 'dial-mm' ? `${main} + ${(rest * step).toFixed(2)} on the dial` : `${main}, line ${rest}`;
}

export interface HeightLine {
  mm: number;
  /** Holes that this line serves, by feature. */
  serves: { featureId: string; count: number }[];
}

/** Lines closer than this are one: a scriber's point is wider. mm */
const SAME_LINE_MM = 0.005;

/** Distinct heights of one axis in rising order, each with what it serves: all from one face before the turn. */
export function heightList(holes: readonly { featureId: string; at: Point }[], axis: 'x' | 'y'): HeightLine[] {
  const sorted = [...holes].sort((a, b) => a.at[axis] - b.at[axis]);
  const lines: HeightLine[] = [];
  for (const { featureId, at } of sorted) {
    const last = lines[lines.length - 1];
    const line = last && at[axis] - last.mm <= SAME_LINE_MM ? last : { mm: at[axis], serves: [] };
    if (line !== last) lines.push(line);
    const served = line.serves.find((s) => s.featureId === featureId);
    if (served) served.count += 1;
    else line.serves.push({ featureId, count: 1 });
  }
  return lines;
}
