import { exactFraction } from '../units/show';
import { inchToMm, mmToInch } from '../units/length';
import * as table from './threads.table';
import { makeThread, type Thread, type ThreadSeries } from './thread';

/** Major diameter in inches of an inch size: `#10`, `1/4`, `1-1/8`, `1`. Number sizes: 0.060 + 0.013 n. */
export function inchSize(size: string): number {
  if (size.startsWith('#')) return 0.06 + 0.013 * Number(size.slice(1));
  const [ones, fraction] = size.includes('-') ? size.split('-') : size.includes('/') ? ['0', size] : [size, '0/1'];
  const [n, d] = fraction.split('/').map(Number);
  return Number(ones) + n / d;
}

/** A thread of an inch series from its size and threads per inch. */
export function inchThread(series: ThreadSeries, size: string, tpi: number): Thread {
  return makeThread(series, `${size}-${tpi} ${series}`, inchToMm(inchSize(size)), inchToMm(1 / tpi));
}

export function metricThread(series: ThreadSeries, majorMm: number, pitchMm: number): Thread {
  return makeThread(series, `M${majorMm}x${pitchMm}`, majorMm, pitchMm);
}

const rows = (text: string): string[] => text.split(' ');

function inchSeries(series: ThreadSeries, text: string): Thread[] {
  return rows(text).map((row) => {
    const cut = row.lastIndexOf('-');
    return inchThread(series, row.slice(0, cut), Number(row.slice(cut + 1)));
  });
}

function metricSeries(series: ThreadSeries, text: string): Thread[] {
  return rows(text).map((row) => {
    const [d, p] = row.split('x').map(Number);
    return metricThread(series, d, p);
  });
}

/** Every thread of the standard series that the core knows, in the order of the standards. */
export const THREADS: readonly Thread[] = [
  ...metricSeries('metric-coarse', table.METRIC_COARSE),
  ...metricSeries('metric-fine', table.METRIC_FINE),
  ...inchSeries('UNC', table.UNC),
  ...inchSeries('UNF', table.UNF),
  ...inchSeries('UNEF', table.UNEF),
  ...rows(table.BA).map((row) => {
    const [number, size] = row.split(':');
    const [d, p] = size.split('x').map(Number);
    return makeThread('BA', `${number} BA`, d, p);
  }),
  ...inchSeries('BSW', table.BSW),
  ...inchSeries('BSF', table.BSF),
  ...table.G.map(([size, major, tpi]) => makeThread('G', `G ${size}`, major, inchToMm(1 / tpi))),
  ...table.NPT.map((row) =>
    makeThread('NPT', `${row.size}-${row.tpi} NPT`, inchToMm(row.outsideIn), inchToMm(1 / row.tpi)),
  ),
];

const near = (a: number, b: number, within: number): boolean => Math.abs(a - b) <= within;

/** Threads of a diameter (mm), within 0.02 mm: decimal inch sizes are written to three places. */
export const threadsOfDiameter = (majorMm: number, among: readonly Thread[] = THREADS): Thread[] =>
  among.filter((t) => near(t.majorMm, majorMm, 0.02));

/** The thread of a series and nominal size (`1/4`, `#10`, `2`), without its pitch; undefined when there is none. */
export function threadBySize(series: ThreadSeries, size: string): Thread | undefined {
  const of = THREADS.filter((t) => t.series === series);
  if (series === 'BA') return of.find((t) => t.designation === `${size} BA`);
  if (series === 'G') return of.find((t) => t.designation === `G ${size}`);
  if (series === 'NPT') return of.find((t) => t.designation.startsWith(`${size}-`));
  return of.find((t) => near(mmToInch(t.majorMm), inchSize(size), 0.0006));
}

/** Unified threads of a decimal or named inch size with these threads per inch. */
export const unifiedBy = (inch: number, tpi: number): Thread | undefined =>
  THREADS.find(
    (t) =>
      (t.series === 'UNC' || t.series === 'UNF' || t.series === 'UNEF') &&
      near(mmToInch(t.majorMm), inch, 0.0006) &&
      near(inchToMm(1 / tpi), t.pitchMm, 1e-9),
  );

/** Inch size written as the trade does: number size, fraction or decimal. */
export function inchSizeName(inch: number): string {
  const number = (inch - 0.06) / 0.013;
  if (inch < 0.2165 && near(number, Math.round(number), 0.04) && number > -0.5) return `#${Math.round(number)}`;
  return exactFraction(inchToMm(inch)) ?? inch.toFixed(4).replace(/^0/, '');
}
