import type { ProblemCode } from '../answer/problem-codes';
import { ok, phrase, problem, refuse, type Phrase, type Result } from '../answer/answer';

/** Millimetres in an inch, exact since 1959. */
export const MM_PER_INCH = 25.4;

export type LengthUnit = 'mm' | 'in';

/** @example inchToMm(1) // 25.4 */
export const inchToMm = (inch: number): number => inch * MM_PER_INCH;
/** @example mmToInch(12.7) // 0.5 */
export const mmToInch = (mm: number): number => mm / MM_PER_INCH;

export interface ParsedLength {
  mm: number;
  unit: LengthUnit;
  /** Set when no unit was typed: says which was taken, so that it is never silent. */
  assumed?: Phrase;
}

const MM_PER_UNIT: [pattern: RegExp, unit: LengthUnit, mm: number][] = [
  [/^(mm|millimet(er|re)s?)$/, 'mm', 1],
  [/^(cm|centimet(er|re)s?)$/, 'mm', 10],
  [/^(m|met(er|re)s?)$/, 'mm', 1000],
  [/^(um|µm|μm|microns?)$/, 'mm', 0.001],
  [/^(in|inch|inches|"|″|”|'')\.?$/, 'in', MM_PER_INCH],
  [/^(thou|thousandths?)$/, 'in', MM_PER_INCH / 1000],
];

const NUMBER = /^([+-]?)(?:(\d+)(?:\s*-\s*|\s+))?(\d+)\s*\/\s*(\d+)|^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)/;

function unreadable(code: ProblemCode, text: string, remedy: string, typed: string, from = 0): Result<never> {
  const at = { start: from, end: Math.max(typed.length, from + 1) };
  return refuse(problem(code, 'length', text, remedy, { typed }, { at }));
}

/**
 * Reads a length as typed in a shop: `6.8`, `6.8mm`, `.268`, `17/64`, `1-1/4"`, `0.25 in`, `250 thou`.
 *
 * A bare number takes `bareUnit` and says so; a bare fraction is read as inches and says so.
 * A comma is a decimal comma unless three digits follow it, which is rejected as unclear.
 * @returns millimetres; errors name the place in the text. Signs are read, ranges are the caller's business.
 */
export function parseLength(text: string, bareUnit: LengthUnit): Result<ParsedLength> {
  const lead = text.length - text.trimStart().length;
  const typed = text.trim();
  if (typed === '') return unreadable('length-empty', 'No length was given.', 'Type a number, with mm or in.', text);
  const match = NUMBER.exec(typed);
  if (!match)
    return unreadable('length-unreadable', '“{typed}” is not a length.', 'Type a number, with mm or in.', text, lead);
  const [whole, sign, ones, numerator, denominator] = match;
  if (/,\d{3}$/.test(whole))
    return unreadable(
      'length-comma',
      '“{typed}” could mean thousands or a decimal comma.',
      'Use a decimal point.',
      text,
      lead,
    );
  const isFraction = denominator !== undefined;
  if (isFraction && Number(denominator) === 0)
    return unreadable('length-unreadable', '“{typed}” divides by zero.', 'Correct the fraction.', text, lead);
  const number = isFraction
    ? (sign === '-' ? -1 : 1) * (Number(ones ?? 0) + Number(numerator) / Number(denominator))
    : Number(whole.replace(',', '.'));
  const suffix = typed.slice(whole.length).trim().toLowerCase();
  if (suffix !== '') {
    const known = MM_PER_UNIT.find(([pattern]) => pattern.test(suffix));
    if (!known)
      return unreadable(
        'length-unit',
        '“{typed}” has an unknown unit.',
        'Use mm, in, " or thou.',
        text,
        lead + whole.length,
      );
    return finite({ mm: number * known[2], unit: known[1] }, text);
  }
  const unit = isFraction ? 'in' : bareUnit;
  return finite(
    {
      mm: unit === 'in' ? inchToMm(number) : number,
      unit,
      assumed: isFraction
        ? phrase('{typed} is read as inches, as fractions are.', { typed })
        : phrase('{typed} has no unit and is read as {unit}.', { typed, unit: unit === 'in' ? 'inches' : 'mm' }),
    },
    text,
  );
}

function finite(value: ParsedLength, text: string): Result<ParsedLength> {
  return Number.isFinite(value.mm)
    ? ok(value)
    : unreadable('length-unreadable', '“{typed}” is not a usable number.', 'Type a smaller number.', text);
}
