import { ok, problem, refuse, type Result } from '../answer/answer';
import { StopReading } from '../answer/stop-reading';
import { inchToMm, type LengthUnit } from '../units/length';
import type { Callout } from './callout';
import { CalloutCursor, SIZE, unitBeside } from './callout-cursor';
import { readBa } from './callout-notations/ba';
import { readDrill } from './callout-notations/drills';
import { readExtent } from './callout-notations/extent';
import { readInch } from './callout-notations/inch';
import { readMetric } from './callout-notations/metric';
import { readOtherForm } from './callout-notations/pipe';
import { readRemark } from './callout-notations/remarks';
import { readSeriesFirst } from './callout-notations/series-first';
import { readFit, readShape } from './callout-notations/shapes';
import { readLeadingCount, readWord, SPACE } from './callout-notations/words';
import { threadsOfDiameter } from './find-thread';
import { inchSize } from './inch-size';
import { nearestReadings, USUAL_READINGS } from './nearest-readings';
import { isMetric } from './thread';

/** Longest callout that is read, characters. */
const MAX_LENGTH = 200;

/** The notations of a callout, in the order in which they are tried. */
const NOTATIONS: readonly ((c: CalloutCursor) => boolean)[] = [
  readDrill,
  readRemark,
  readMetric,
  readBa,
  readInch,
  readSeriesFirst,
  readOtherForm,
  readExtent,
  readShape,
  readFit,
  readWord,
];

const WHOLE_SIZE = new RegExp(`^(?:${SIZE})$`);

/** A size without its thread: the threads that it could be are offered. */
function stopAtSize(c: CalloutCursor, at: { start: number; end: number }, size: string, typed: string): never {
  const named = size.includes('/') || size.includes('.') ? size : `#${size.replace('#', '')}`;
  const inch = inchSize(named.startsWith('.') ? `0${named}` : named);
  const found = threadsOfDiameter(inchToMm(inch)).filter((t) => t.system === 'inch');
  const alsoMetric = threadsOfDiameter(Number(size)).filter(isMetric);
  return c.stop(
    'size-alone',
    at,
    '“{typed}” alone does not say which thread.',
    'Add M, the threads per inch or the series.',
    { typed },
    [...found, ...alsoMetric].map((t) => t.designation).slice(0, 6),
  );
}

/** Marks the word that nobody could read. */
function stopUnreadable(c: CalloutCursor): never {
  const word = /^\S+/.exec(c.rest)?.[0] ?? c.rest;
  const at = { start: c.at, end: c.at + word.length };
  const typed = c.typed.slice(at.start, at.end);
  const first = c.callout.features.length === 0;
  const size = WHOLE_SIZE.exec(word)?.[0];
  if (first && size !== undefined) return stopAtSize(c, at, size, typed);
  return c.stop(
    'callout-unreadable',
    at,
    '“{typed}” could not be read.',
    first ? 'Start with the thread: M8, 1/4-20 UNC, #10-32, 2 BA, G 1/4, 1/8 NPT.' : 'Correct it or leave it out.',
    { typed },
    first ? nearestReadings(c.typed) : undefined,
  );
}

function readWhole(typed: string, bareUnit: LengthUnit): Callout {
  const c = new CalloutCursor(typed, bareUnit);
  c.take(SPACE);
  readLeadingCount(c);
  while (!c.ended) if (!c.take(SPACE) && !NOTATIONS.some((read) => read(c))) stopUnreadable(c);
  if (c.callout.features.length === 0)
    c.stop(
      'callout-empty',
      { start: 0, end: Math.max(1, typed.length) },
      'The callout names no thread or hole.',
      'Write it as on the drawing: M8 x 16 DEEP, 1/4-20 UNC-2B THRU, ø9 THRU.',
      undefined,
      USUAL_READINGS,
    );
  if (c.assumedUnit)
    c.note('Lengths without a unit in the callout are read as {unit}.', {
      unit: c.assumedUnit === 'in' ? 'inches' : 'mm',
    });
  return c.callout;
}

/**
 * Reads a callout as drawings write it, in any sane spacing and case.
 *
 * A bare metric size means the coarse pitch. Depths without a unit follow the thread's own system
 * (mm beside metric and BA, inches beside inch threads); without a thread they take `bareUnit`.
 * @returns the features in order, or one problem with the place marked and the nearest readings
 * @example readCallout('4x M8x1.25-6H x 16 DEEP').value.count // 4
 */
export function readCallout(text: string, bareUnit: LengthUnit = 'mm'): Result<Callout> {
  if (text.length > MAX_LENGTH)
    return refuse(
      problem(
        'callout-long',
        'callout',
        'A callout has at most {most} characters.',
        'Write one callout only.',
        { most: MAX_LENGTH },
        { at: { start: MAX_LENGTH, end: text.length } },
      ),
    );
  try {
    const callout = readWhole(text, bareUnit);
    const unit = unitBeside(callout);
    // A hole written before its thread was read in the shop's unit: read it again in the thread's.
    const again = unit !== undefined && unit !== bareUnit && callout.features[0].kind !== 'thread';
    return ok(again ? readWhole(text, unit) : callout);
  } catch (error) {
    if (error instanceof StopReading) return refuse(error.problem);
    throw error;
  }
}
