import { inchToMm } from '../units/length';
import { exactFraction } from '../units/show';

/**
 * Major diameter in inches of an inch size: `#10`, `1/4`, `1-1/8`, `1`. Number sizes: 0.060 + 0.013 n.
 * @example inchSize('#10') // 0.06 + 0.013 × 10 = 0.19
 */
export function inchSize(size: string): number {
  if (size.startsWith('#')) return 0.06 + 0.013 * Number(size.slice(1));
  const [ones, fraction] = size.includes('-') ? size.split('-') : size.includes('/') ? ['0', size] : [size, '0/1'];
  const [n, d] = fraction.split('/').map(Number);
  return Number(ones) + n / d;
}

/**
 * Inch size written as the trade does: number size, fraction or decimal.
 * @example inchSizeName(0.25) // '1/4'
 */
export function inchSizeName(inch: number): string {
  const number = (inch - 0.06) / 0.013;
  if (inch < 0.2165 && Math.abs(number - Math.round(number)) <= 0.04 && number > -0.5) return `#${Math.round(number)}`;
  return exactFraction(inchToMm(inch)) ?? inch.toFixed(4).replace(/^0/, '');
}

/** Decimal inch sizes are written to three places: they agree within this, inch. */
const SAME_SIZE_IN = 0.0006;
export const sameInchSize = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_SIZE_IN;
