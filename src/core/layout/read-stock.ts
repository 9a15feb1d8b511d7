import { ok, problem, refuse, type Problem, type Result } from '../answer/answer';
import { parseLength, type LengthUnit } from '../units/length';
import type { Stock } from './part';

/** Longest stock that is read, mm. */
const LONGEST_MM = 10_000;

const SHAPES: readonly (readonly [RegExp, Stock['shape']])[] = [
  [/^(?:tube|pipe)\b/i, 'tube'],
  [/^(?:disc|disk)\b/i, 'disc'],
  [/^(?:bar|round(?:\s+bar)?|rod)\b/i, 'bar'],
  [/^(?:plate|block|flat|sheet|casting)\b/i, 'plate'],
];

const unreadable = (text: string, remedy: string, typed: string): Problem =>
  problem('stock-unreadable', 'stock', text, remedy, { typed });

/** What the sizes of a shape are, in the order in which a shop says them. */
export const STOCK_WORDS: Record<Stock['shape'], string> = {
  plate: '180 x 120 x 16',
  disc: 'disc 180 x 12',
  bar: 'ø30 x 200',
  tube: 'tube 70 x 40 x 60',
};

function stockFrom(shape: Stock['shape'], [a, b, c]: readonly number[], n: number): Stock | undefined {
  if (shape === 'plate') return n === 3 ? { shape, widthMm: a, heightMm: b, thicknessMm: c } : undefined;
  if (shape === 'tube') return n === 3 && b < a ? { shape, diameterMm: a, boreMm: b, lengthMm: c } : undefined;
  if (n !== 2) return undefined;
  return shape === 'disc' ? { shape, diameterMm: a, thicknessMm: b } : { shape, diameterMm: a, lengthMm: b };
}

/**
 * Stock as a shop says it in one line: `180 x 120 x 16` is a plate, `ø30 x 200` a bar, `disc 180 x 12`, `tube 70 x 40 x 60`.
 * Each size may have its own unit.
 * @returns the stock in mm, or what to write instead
 * @example readStock('ø30 x 200', 'mm').ok // true
 */
export function readStock(text: string, bareUnit: LengthUnit): Result<Stock> {
  const typed = text.trim();
  const named = SHAPES.find(([word]) => word.test(typed));
  const rest = (named ? typed.replace(named[0], '') : typed).trim();
  const sizes = rest.replace(/[øØ⌀]|\bdia\.?\s*/gi, '').split(/\s*[x×*]\s*/i);
  const lengths = sizes.map((size) => parseLength(size, bareUnit));
  const bad = lengths.findIndex((l) => !l.ok || l.value.mm <= 0 || l.value.mm > LONGEST_MM);
  if (typed === '' || bad >= 0)
    return refuse(
      unreadable(
        '“{typed}” is not a size of stock.',
        `Write it so: ${STOCK_WORDS.plate}, or ${STOCK_WORDS.bar}.`,
        sizes[bad] ?? '',
      ),
    );
  const shape = named?.[1] ?? (/^[øØ⌀]|^dia/i.test(rest) ? (sizes.length === 3 ? 'tube' : 'bar') : 'plate');
  const stock = stockFrom(
    shape,
    lengths.map((l) => (l.ok ? l.value.mm : 0)),
    sizes.length,
  );
  return stock
    ? ok(stock)
    : refuse(unreadable(`A ${shape} needs other sizes than “{typed}”.`, `Write it so: ${STOCK_WORDS[shape]}.`, rest));
}
