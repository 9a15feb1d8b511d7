import { inchToMm, mmToInch } from '../../units/length';
import { inchSize, sameInchSize } from '../inch-size';
import type { Thread, ThreadSeries } from '../thread';
import type { makerOf } from './thread-standard';

/** Threads of an inch series from its rows, `size-threads per inch` apart by spaces. */
export const inchRows = (make: ReturnType<typeof makerOf>, series: ThreadSeries, rows: string): Thread[] =>
  rows.split(' ').map((row) => {
    const cut = row.lastIndexOf('-');
    return inchOf(make, series, row.slice(0, cut), Number(row.slice(cut + 1)));
  });

/** A thread of an inch series from its size and threads per inch. */
export const inchOf = (make: ReturnType<typeof makerOf>, series: ThreadSeries, size: string, tpi: number): Thread =>
  make(series, `${size}-${tpi} ${series}`, inchToMm(inchSize(size)), inchToMm(1 / tpi));

export const isInchSize = ({ majorMm }: Thread, size: string): boolean =>
  sameInchSize(mmToInch(majorMm), inchSize(size));
