import type { Phrase, Quantity, Unit } from '../answer/answer';
import { mmToInch } from './length';

/** How lengths are shown: millimetres, or inches with decimals. */
export const DISPLAYS = ['mm', 'inch'] as const;
export type Display = (typeof DISPLAYS)[number];

export interface Shown {
  number: string;
  unit: string;
}

/**
 * The fraction of an inch that a length is exactly, `17/64` or `1-1/4`; undefined when it is none.
 * @param mm length in millimetres
 * @param denominator finest division looked for, a power of two (64 by default)
 */
export function exactFraction(mm: number, denominator = 64): string | undefined {
  const parts = mmToInch(mm) * denominator;
  let numerator = Math.round(parts);
  if (numerator <= 0 || Math.abs(parts - numerator) > 1e-6 * denominator) return undefined;
  let divisor = denominator;
  while (numerator % 2 === 0 && divisor > 1) {
    numerator /= 2;
    divisor /= 2;
  }
  if (divisor === 1) return String(numerator);
  const ones = Math.floor(numerator / divisor);
  return `${ones > 0 ? `${ones}-` : ''}${numerator % divisor}/${divisor}`;
}

/** Decimals without a tail of zeros beyond `least`. */
export function trimmed(value: number, most: number, least = 0): string {
  let text = value.toFixed(most);
  if (!text.includes('.')) return text;
  while (text.endsWith('0') && text.length - text.indexOf('.') - 1 > least) text = text.slice(0, -1);
  text = text.endsWith('.') ? text.slice(0, -1) : text;
  return /^-0(\.0*)?$/.test(text) ? text.slice(1) : text;
}

const DECIMALS: Partial<Record<Unit, number>> = {
  rpm: 0,
  percent: 1,
  Nm: 2,
  N: 0,
  MPa: 0,
  turns: 1,
  s: 0,
  ratio: 2,
  count: 0,
  deg: 2,
  'm/min': 1,
  mm2: 2,
  mm3: 1,
};
const NAMES: Partial<Record<Unit, string>> = {
  rpm: 'rev/min',
  percent: '%',
  deg: '°',
  ratio: '',
  count: '',
  mm2: 'mm²',
  mm3: 'mm³',
  turns: 'turns',
};

/** A quantity in the reader's units with only the digits that matter. Stress, torque and power stay metric. */
export function show({ value, unit, places }: Quantity, display: Display): Shown {
  if (!Number.isFinite(value)) return { number: '—', unit: '' };
  if (display === 'inch') {
    if (unit === 'mm')
      return { number: mmToInch(value).toFixed(places === undefined ? 4 : Math.min(4, places + 2)), unit: 'in' };
    if (unit === 'mm/rev') return { number: mmToInch(value).toFixed(4), unit: 'in/rev' };
    if (unit === 'mm/min') return { number: trimmed(mmToInch(value), 2), unit: 'in/min' };
    if (unit === 'm/min') return { number: (value / 0.3048).toFixed(0), unit: 'ft/min' };
  }
  if (unit === 'mm') return { number: trimmed(value, places ?? (Math.abs(value) < 30 ? 3 : 2), 1), unit };
  if (unit === 'mm/rev') return { number: trimmed(value, 3, 2), unit };
  if (unit === 'mm/min') return { number: trimmed(value, 1), unit };
  const digits = unit === 'Nm' && value >= 10 ? 1 : (DECIMALS[unit] ?? 3);
  return { number: trimmed(value, digits), unit: NAMES[unit] ?? unit };
}

/** {@link show} as one string, `6.8 mm` or `75.4 %`. */
export function showText(quantity: Quantity, display: Display): string {
  const { number, unit } = show(quantity, display);
  if (unit === '') return number;
  return unit === '°' ? `${number}°` : `${number} ${unit}`;
}

/** A phrase with its places filled in the reader's units. */
export function tell({ text, values }: Phrase, display: Display): string {
  return text.replace(/\{(\w+)\}/g, (hole, name: string) => {
    const value = values?.[name];
    if (value === undefined) return hole;
    return typeof value === 'object' ? showText(value, display) : String(value);
  });
}
