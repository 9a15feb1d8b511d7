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
 * @example exactFraction(6.35) // '1/4'
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

/**
 * Decimals without a tail of zeros beyond `least`.
 * @example trimmed(6.80, 2) // '6.8'
 */
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
  MPa: 0,
  s: 0,
  ratio: 2,
  count: 1,
  deg: 2,
  'm/min': 1,
  mm2: 2,
  'mm2/mm': 2,
  mm3: 1,
};
const NAMES: Partial<Record<Unit, string>> = {
  rpm: 'rev/min',
  percent: '%',
  deg: '°',
  ratio: '',
  count: '',
  mm2: 'mm²',
  'mm2/mm': 'mm²/mm',
  mm3: 'mm³',
};

interface Practice {
  unit: string;
  /** Of the core's unit in one of these. */
  one: number;
  digits: (shown: number) => number;
}

/** Two figures: more than an estimate of force, torque or power can know. */
const twoFigures = (value: number): string => {
  const size = Math.abs(value);
  const tens = size === 0 ? 0 : Math.floor(Math.log10(size)) - 1;
  return tens >= 0 ? String(Math.round(value / 10 ** tens) * 10 ** tens) : trimmed(value, Math.min(-tens, 3));
};

/** A turn or a part of one. */
const ONE_TURN = /^(1|[1357]\/[248])$/;
const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'] as const;

/**
 * Turns as they are counted at the wrench: eighths up to two turns, quarters above.
 * @param limit a turn that is not to be passed: never rounded up
 * @example turnsText(14.9, true) // '14 3/4'
 */
export function turnsText(turns: number, limit = false): string {
  const step = Math.abs(turns) < 2 ? 1 : 2;
  const steps = (Math.abs(turns) * 8) / step;
  const eighths = (limit ? Math.floor(steps + 1e-6) : Math.round(steps)) * step;
  const whole = Math.floor(eighths / 8);
  const part = EIGHTHS[eighths % 8];
  const text = [whole > 0 || part === '' ? String(whole) : '', part].filter(Boolean).join(' ');
  return turns < 0 && text !== '0' ? `-${text}` : text;
}

const LBF_IN_NM = (4.4482216152605 * 25.4) / 1000;
const THREE_FIGURES = (shown: number): number => (shown >= 100 ? 0 : shown >= 10 ? 1 : 2);
const ESTIMATES: readonly Unit[] = ['Nm', 'N', 'W'];

/** Inch practice for the units of the core, ASME B1.1 and the trade's own. */
const INCH: Partial<Record<Unit, Practice>> = {
  mm: { unit: 'in', one: 25.4, digits: () => 4 },
  'mm/rev': { unit: 'in/rev', one: 25.4, digits: () => 4 },
  'mm/min': { unit: 'in/min', one: 25.4, digits: THREE_FIGURES },
  'm/min': { unit: 'ft/min', one: 0.3048, digits: () => 0 },
  Nm: { unit: 'lbf·in', one: LBF_IN_NM, digits: THREE_FIGURES },
  N: { unit: 'lbf', one: 4.4482216152605, digits: () => 0 },
  MPa: { unit: 'ksi', one: 6.894757, digits: THREE_FIGURES },
  W: { unit: 'hp', one: 745.7, digits: () => 2 },
  'mm2/mm': { unit: 'in²/in', one: 25.4, digits: () => 3 },
  mm2: { unit: 'in²', one: 25.4 ** 2, digits: (shown) => (shown < 0.01 ? 6 : 4) },
  mm3: { unit: 'in³', one: 25.4 ** 3, digits: () => 5 },
};

/** A quantity in the reader's units with only the digits that matter: inch practice throughout, or metric throughout. */
export function show({ value, unit, places }: Quantity, display: Display): Shown {
  if (!Number.isFinite(value)) return { number: '—', unit: '' };
  const inch = display === 'inch' ? INCH[unit] : undefined;
  if (inch) {
    const shown = value / inch.one;
    const digits = unit === 'mm' && places !== undefined ? Math.min(4, places + 2) : inch.digits(Math.abs(shown));
    if (ESTIMATES.includes(unit) && places === undefined) return { number: twoFigures(shown), unit: inch.unit };
    return { number: unit === 'mm/min' ? trimmed(shown, digits) : shown.toFixed(digits), unit: inch.unit };
  }
  if (unit === 'mm') return { number: trimmed(value, places ?? (Math.abs(value) < 30 ? 3 : 2), 1), unit };
  if (unit === 'mm/rev') return { number: trimmed(value, 3, 2), unit };
  if (unit === 'mm/min') return { number: trimmed(value, 1), unit };
  if (unit === 'percent' && value >= 100) return { number: value.toFixed(0), unit: '%' };
  if (unit === 'turns') {
    const number = places === undefined ? turnsText(value) : trimmed(value, places);
    return { number, unit: ONE_TURN.test(number) ? 'turn' : 'turns' };
  }
  const estimate = ESTIMATES.includes(unit) && places === undefined;
  return {
    number: estimate ? twoFigures(value) : trimmed(value, places ?? DECIMALS[unit] ?? 3),
    unit: NAMES[unit] ?? unit,
  };
}

/** What is typed in a unit as the core has it: 80 ksi is 552 MPa. */
export const fromShown = (shown: number, unit: Unit, display: Display): number =>
  shown * ((display === 'inch' ? INCH[unit]?.one : undefined) ?? 1);

/** {@link show} as one string, `6.8 mm` or `75.4 %`; torque in inch practice has its newton metres beside it. */
export function showText(quantity: Quantity, display: Display): string {
  const { number, unit } = show(quantity, display);
  if (unit === '') return number;
  if (unit === 'lbf·in') return `${number} ${unit} (${showText(quantity, 'mm')})`;
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

/** 180 × 180 × 16 mm: the unit once, at the end. */
export const unitOnce = (text: string): string => text.replace(/ (mm|in)(?= ×)/g, '');
