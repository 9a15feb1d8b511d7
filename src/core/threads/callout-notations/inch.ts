import { inchToMm, mmToInch } from '../../units/length';
import { trimmed } from '../../units/show';
import { SIZE, sticky, type CalloutCursor } from '../callout-cursor';
import { threadBySize, threadsOfDiameter, unifiedBy } from '../find-thread';
import { inchSize, inchSizeName } from '../inch-size';
import { nearestReadings } from '../nearest-readings';
import { PIPE_PARALLEL } from '../standards/pipe-parallel';
import { NPT, RC } from '../standards/pipe-tapered';
import { specialUnified } from '../standards/unified';
import type { ThreadSeries } from '../thread';
import { readPipeSeries } from './pipe';

const SIZE_AND_TPI = sticky(
  String.raw`(?:no\.?\s*)?(${SIZE})\s*(?:"|in\b)?\s*-\s*(\d{1,2}(?:\.\d)?)(?![\d./])\s*-?\s*(unc|unef|unf|uns|un|bsw|whit\w*|bsf|nptf|npt|bspp|bsp)?\b`,
);
const SIZE_AND_SERIES = sticky(
  String.raw`(?:no\.?\s*)?(${SIZE})\s*(?:"|in\b)?\s*-?\s*(unc|unef|unf|bsw|whit\w*|bsf|nptf|npt|bspp|bspt|bsp)\b(?:\s*-?\s*(\d{1,2}(?:\.\d)?)(?![\d.]))?`,
);
const CLASS = sticky(String.raw`\s*-?\s*([123][ab])(?![a-z\d])`);

function unifiedClass(c: CalloutCursor): string | undefined {
  const match = c.take(CLASS);
  if (!match) return undefined;
  const name = match[1].toUpperCase();
  if (name.endsWith('A'))
    c.stop('class-external', match, '{name} is the class of a bolt.', 'The tapped hole is 2B, or 1B or 3B.', { name }, [
      '2B',
      '3B',
    ]);
  return name;
}

/** What stands before or after the size: UNC, UNF, BSW ..., or a pipe series; undefined where none does. */
function seriesOf(c: CalloutCursor, text: string | undefined, match: RegExpExecArray): ThreadSeries | undefined {
  if (text === undefined || text === 'un') return undefined;
  if (text.startsWith('whit')) return 'BSW';
  return readPipeSeries(c, text, match) ?? (text.toUpperCase() as ThreadSeries);
}

/** Pipe sizes are names: never number sizes. */
const ofPipe = (series: ThreadSeries | undefined): boolean =>
  series !== undefined && [PIPE_PARALLEL, NPT, RC].some(({ names }) => series in names);
/** A bare whole number up to here may be a number size. */
const HIGHEST_NUMBER_SIZE = 12;

/** Inches of a size as written: a bare whole number is a number size where that thread exists, else inches. */
function inchOf(size: string, tpi: number | undefined, series: ThreadSeries | undefined): number {
  if (!/^\d{1,2}$/.test(size)) return inchSize(size.startsWith('.') ? `0${size}` : size);
  const asNumber = inchSize(`#${size}`);
  const fits = (inch: number): boolean => {
    if (series === undefined || series === 'UNS') return tpi !== undefined && unifiedBy(inch, tpi) !== undefined;
    const thread = threadBySize(series, inchSizeName(inch));
    return thread !== undefined && (tpi === undefined || Math.abs(inchToMm(1 / tpi) - thread.pitchMm) < 1e-9);
  };
  const number = Number(size) <= HIGHEST_NUMBER_SIZE && !ofPipe(series) && (fits(asNumber) || !fits(Number(size)));
  return number ? asNumber : Number(size);
}

/** Sizes and threads per inch that can be a unified thread at all. */
const UNIFIED = { leastIn: 0.05, mostIn: 4, coarsest: 4, finest: 80 } as const;

interface Written {
  inch: number;
  /** As the trade writes it. */
  name: string;
  tpi?: number;
  series?: ThreadSeries;
  className?: string;
}

function stopper(c: CalloutCursor, match: RegExpExecArray, { inch, name, tpi, series }: Written) {
  const found = threadsOfDiameter(inchToMm(inch)).filter((t) => t.system === 'inch');
  const sameSize = found.length > 0 ? found.map((t) => t.designation) : nearestReadings(match[0]);
  return (text: string, first?: string): never =>
    c.stop(
      'inch-thread',
      match,
      text,
      'Take one of the readings offered, or correct the number.',
      { size: name, tpi: tpi ?? '', series: series ?? '' },
      first ? [first, ...sameSize.filter((d) => d !== first)] : sameSize,
    );
}

/** A size with its threads per inch: the standard unified thread, or a special one where the drawing says UNS. */
function unified(c: CalloutCursor, match: RegExpExecArray, w: Written): true {
  const { inch, name, tpi, series, className } = w;
  const fail = stopper(c, match, w);
  if (tpi === undefined) return fail('{size} alone does not say which thread.');
  const standard = unifiedBy(inch, tpi);
  if (standard) {
    if (series === 'UNS')
      c.note('{thread} is the standard thread of this size and pitch.', { thread: standard.designation });
    return c.addThread(standard, match, className);
  }
  if (series === undefined) return fail('{size}-{tpi} is not a thread of the unified series.');
  const possible =
    inch <= UNIFIED.mostIn && inch >= UNIFIED.leastIn && tpi >= UNIFIED.coarsest && tpi <= UNIFIED.finest;
  if (!possible || 1 / tpi > inch / 3) return fail('{size}-{tpi} cannot be a thread.');
  return c.addThread(specialUnified(name, tpi), match, className);
}

/** A thread of a named series; its threads per inch, where written, have to agree. */
function ofSeries(c: CalloutCursor, match: RegExpExecArray, series: ThreadSeries, w: Written): true {
  const fail = stopper(c, match, w);
  const thread = threadBySize(series, w.name);
  if (!thread) return fail('There is no {size} in the {series} series.');
  if (w.tpi !== undefined && Math.abs(inchToMm(1 / w.tpi) - thread.pitchMm) > 1e-9)
    return fail(
      `{size} {series} has ${trimmed(1 / mmToInch(thread.pitchMm), 1)} threads per inch, not {tpi}.`,
      thread.designation,
    );
  return c.addThread(thread, match, w.className);
}

/** An inch thread from its parts as written. */
export function inchThreadOf(
  c: CalloutCursor,
  match: RegExpExecArray,
  rawSize: string,
  seriesText: string | undefined,
  tpiText: string | undefined,
): true {
  const size = rawSize.replace(/#\s*/, '#').replace(/\s/, '-');
  const tpi = tpiText === undefined ? undefined : Number(tpiText);
  const series = seriesOf(c, seriesText, match);
  const inch = inchOf(size, tpi, series);
  const name = ofPipe(series) ? size : inchSizeName(inch);
  const written: Written = { inch, name, tpi, series, className: ofPipe(series) ? undefined : unifiedClass(c) };
  return series === undefined || series === 'UNS' ? unified(c, match, written) : ofSeries(c, match, series, written);
}

/** `1/4-20 UNC-2B`, `.250-20`, `#10-32`, `10-32 UNF`, `1/4 BSW`, `1/8 NPT`. */
export function readInch(c: CalloutCursor): boolean {
  const byPitch = c.take(SIZE_AND_TPI);
  if (byPitch) return inchThreadOf(c, byPitch, byPitch[1], byPitch[3], byPitch[2]);
  const bySeries = c.take(SIZE_AND_SERIES);
  return bySeries ? inchThreadOf(c, bySeries, bySeries[1], bySeries[2], bySeries[3]) : false;
}
