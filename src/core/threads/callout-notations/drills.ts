import { LETTER_SIZES_IN, NUMBER_SIZES_IN } from '../../units/gauge-sizes.table';
import { inchToMm } from '../../units/length';
import { MEASURE, sticky, type CalloutCursor } from '../callout-cursor';

const NUMBER = String.raw`(?:#\s*|no\.?\s*)(\d{1,2})`;
const BEFORE = String.raw`(?:\(\s*)?(?:tap\s+)?drill\s*:?\s*ø?\s*`;
const AFTER = String.raw`\s*(?:tap\s+)?drill(?:ed)?\b\s*\)?`;
const NUMBER_DRILL = sticky(`(?:${BEFORE}${NUMBER}\\b|${NUMBER}${AFTER}|\\(\\s*#\\s*(\\d{1,2})\\s*\\))`);
const LETTER_DRILL = sticky(
  String.raw`(?:${BEFORE}([a-z])(?=[\s,;)]|$)(?!\s*[\d.])\s*\)?|([a-z])\s+(?:tap\s+)?drill\b)`,
);
const SIZE_DRILL = sticky(`(?:${BEFORE}(${MEASURE})|(${MEASURE})${AFTER})`);
const REAMED = sticky(`ream(?:ed)?\\s+(?:to\\s+)?ø?\\s*(${MEASURE})`);

const sizesOf = (table: string): number[] => table.split(' ').map(Number);

const hole = (c: CalloutCursor, diameterMm: number, ream = false): true => {
  c.callout.features.push({ kind: 'hole', diameterMm, ream });
  return true;
};

/** `#33 DRILL`, `NO. 7 DRILL`, `(#7)`, `Y DRILL`, `TAP DRILL 17/64`, `6.8 DRILL`, `REAM .2500`. */
export function readDrill(c: CalloutCursor): boolean {
  const number = c.take(NUMBER_DRILL);
  if (number) {
    const inch = sizesOf(NUMBER_SIZES_IN)[Number(number[1] ?? number[2] ?? number[3]) - 1];
    if (inch === undefined)
      return c.stop('drill-size', number, 'There is no number drill of that size.', 'Numbers go from #1 to #80.');
    return hole(c, inchToMm(inch));
  }
  const letter = c.take(LETTER_DRILL);
  if (letter) {
    const place = (letter[1] ?? letter[2]).charCodeAt(0) - 'a'.charCodeAt(0);
    return hole(c, inchToMm(sizesOf(LETTER_SIZES_IN)[place]));
  }
  const size = c.take(SIZE_DRILL);
  if (size) return hole(c, c.measure(size[1] ?? size[2], size));
  const reamed = c.take(REAMED);
  return reamed ? hole(c, c.measure(reamed[1], reamed), true) : false;
}
