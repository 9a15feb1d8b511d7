import { inchToMm, mmToInch } from '../units/length';
import { sameInchSize } from './inch-size';
import { standardOf, THREADS } from './standards';
import { isUnified, type Thread, type ThreadSeries } from './thread';

/** Threads of a diameter (mm), within 0.02 mm: decimal inch sizes are written to three places. */
export const threadsOfDiameter = (majorMm: number, among: readonly Thread[] = THREADS): Thread[] =>
  among.filter((t) => Math.abs(t.majorMm - majorMm) <= 0.02);

/** The thread of a series and nominal size (`1/4`, `#10`, `2`), without its pitch; undefined when there is none. */
export function threadBySize(series: ThreadSeries, size: string): Thread | undefined {
  const { threads, isSize } = standardOf(series);
  return threads.find((t) => t.series === series && isSize(t, size));
}

/** Unified threads of a decimal or named inch size with these threads per inch. */
export const unifiedBy = (inch: number, tpi: number): Thread | undefined =>
  THREADS.find(
    (t) => isUnified(t) && sameInchSize(mmToInch(t.majorMm), inch) && Math.abs(inchToMm(1 / tpi) - t.pitchMm) <= 1e-9,
  );
