import { inchToMm, mmToInch } from '../units/length';
import type { Display } from '../units/show';
import type { Point } from './part';

export type Gauge = 'digital-mm' | 'digital-inch' | 'dial-mm' | 'dial-inch' | 'vernier-mm' | 'vernier-inch';

/** The gauge that is assumed for a unit. */
export const usualGauge = (display: Display): Gauge => (display === 'inch' ? 'digital-inch' : 'digital-mm');

export const GAUGES: readonly [Gauge, string][] = [
  ['digital-mm', 'digital, mm'],
  ['digital-inch', 'digital, inch'],
  ['dial-mm', 'dial, 0.02 mm'],
  ['dial-inch', 'dial, 0.001 in'],
  ['vernier-mm', 'vernier, 0.02 mm'],
  ['vernier-inch', 'vernier, 0.001 in'],
];

/** A height as the gauge in use shows it: what to set on the main scale, then on dial or vernier. */
export function gaugeReading(mm: number, gauge: Gauge): string {
  if (gauge === 'digital-mm') return mm.toFixed(2);
  if (gauge === 'digital-inch') return mmToInch(mm).toFixed(4);
  const { step, whole, inch, dial } = SCALES[gauge];
  const per = Math.round(whole / step);
  const units = Math.round((inch ? mmToInch(mm) : mm) / step);
  const lines = Math.floor(units / per);
  const rest = units - lines * per;
  const main = (lines * whole).toFixed(dial ? (inch ? 1 : 0) : inch ? 3 : 0);
  return dial ? `${main} + ${(rest * step).toFixed(inch ? 3 : 2)} on the dial` : `${main}, line ${rest}`;
}

/** What a gauge with a scale shows: its finest step, and what a line of the main scale or a turn of the dial is. */
const SCALES = {
  'dial-mm': { step: 0.02, whole: 1, inch: false, dial: true },
  'dial-inch': { step: 0.001, whole: 0.1, inch: true, dial: true },
  'vernier-mm': { step: 0.02, whole: 1, inch: false, dial: false },
  'vernier-inch': { step: 0.001, whole: 0.025, inch: true, dial: false },
} as const;

/** A gauge with a scale or a dial, of which one line is the finest that is read. */
export type ScaledGauge = keyof typeof SCALES;

/** What such a gauge shows: its finest step, and a line of its main scale or a turn of its dial, mm. */
export function gaugeSteps(gauge: ScaledGauge): { stepMm: number; wholeMm: number } {
  const { step, whole, inch } = SCALES[gauge];
  return inch ? { stepMm: inchToMm(step), wholeMm: inchToMm(whole) } : { stepMm: step, wholeMm: whole };
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
