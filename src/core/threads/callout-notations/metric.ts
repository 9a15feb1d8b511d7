import { ISO_MINOR_TOLERANCE_UM } from '../threads.table';
import { sticky, type CalloutCursor } from '../callout-cursor';
import { threadsOfDiameter } from '../find-thread';
import { nearestReadings } from '../nearest-readings';
import { THREADS } from '../standards';
import { metricThread } from '../standards/metric';
import { isMetric, type Thread } from '../thread';
import { DEPTH_AFTER } from './extent';
import { SPACE } from './words';

const METRIC = sticky(String.raw`m\s*(\d{1,3}(?:[.,]\d{1,3})?)(?![\d.])`);
const PITCH = sticky(String.raw`\s*[x*-]\s*(\d+(?:[.,]\d+)?|[.,]\d+)(?![\d/]|\s*[gh]\b|[gh])`);
const CLASS = sticky(String.raw`\s*[-–]?\s*(\d[efgh](?:\d[efgh])?)(x?)(?![a-z\d])`);

const decimal = (text: string): number => Number(text.replace(',', '.'));
const coarseOf = (sizes: readonly Thread[]): Thread | undefined => sizes.find((t) => t.series === 'metric-coarse');

function noSuchSize(c: CalloutCursor, match: RegExpExecArray, major: number): never {
  const nearest = THREADS.filter((t) => t.series === 'metric-coarse')
    .sort((a, b) => Math.abs(a.majorMm - major) - Math.abs(b.majorMm - major))
    .slice(0, 3);
  return c.stop(
    'size',
    match,
    'There is no M{major} in the standard series.',
    'Write its pitch too, or take a standard size.',
    { major },
    nearest.map((t) => t.designation),
  );
}

/** Class of the hole: capitals, or small letters beside an M typed small. */
function metricClass(c: CalloutCursor, thread: RegExpExecArray): string | undefined {
  const match = c.take(CLASS);
  if (!match) return undefined;
  const typed = c.typed.slice(match.index, c.at - match[2].length).replace(/^[\s–-]+/, '');
  if (match[2]) c.note('{typed}X is the class of a forming tap: the hole is {typed}.', { typed });
  if (/^\d[gh]/.test(typed) && /^m/.test(c.typed.slice(thread.index)) && /h/.test(typed)) return typed.toUpperCase();
  if (/^[4-7][GH](?:[4-7][GH])?$/.test(typed)) return typed;
  return c.stop(
    'class-external',
    match,
    '{typed} is not a class of a tapped hole: small letters belong to bolts.',
    'Use 6H, or 4H to 7H, for the hole; for a thread on a rod write OUTSIDE.',
    { typed },
    ['6H', '5H', '7H'],
  );
}

function withoutPitch(c: CalloutCursor, match: RegExpExecArray, major: number, sizes: readonly Thread[]): true {
  const thread = coarseOf(sizes) ?? sizes[0] ?? noSuchSize(c, match, major);
  if (thread.series !== 'metric-coarse')
    c.note('M{major} has no coarse pitch: assumed {thread}.', { major, thread: thread.designation });
  return c.addThread(thread, match, metricClass(c, match));
}

/** Sizes and pitches that can be a metric thread at all, mm. */
const METRIC_MM = { least: 1, most: 90 } as const;

function specialThread(
  c: CalloutCursor,
  match: RegExpExecArray,
  pitchMatch: RegExpExecArray,
  major: number,
  sizes: readonly Thread[],
): true {
  const pitch = decimal(pitchMatch[1]);
  const isoPitch = ISO_MINOR_TOLERANCE_UM.some(([p]) => Math.abs(p - pitch) < 1e-9);
  if (major < METRIC_MM.least || major > METRIC_MM.most || !isoPitch || pitch > major / 3)
    c.stop(
      'pitch',
      pitchMatch,
      '{pitch} is not a pitch of an M{major} thread.',
      'Use a pitch of this size, or write DEEP after a depth.',
      { pitch: { value: pitch, unit: 'mm' }, major },
      sizes.length > 0 ? sizes.map((t) => t.designation) : nearestReadings(`m${major}x${pitch}`),
    );
  return c.addThread(metricThread('metric-special', major, pitch), match, metricClass(c, match));
}

/** `M8`, `M8x1.25-6H`, `M10 x 1`: a bare size is the coarse pitch; a number too large for a pitch is a depth. */
export function readMetric(c: CalloutCursor): boolean {
  const match = c.take(METRIC);
  if (!match) return false;
  const major = decimal(match[1]);
  const sizes = threadsOfDiameter(major).filter(isMetric);
  const before = c.at;
  const pitchMatch = c.goesOnWith(SPACE, DEPTH_AFTER) ? undefined : c.take(PITCH);
  if (!pitchMatch) return withoutPitch(c, match, major, sizes);
  const pitch = decimal(pitchMatch[1]);
  const exact = sizes.find((t) => Math.abs(t.pitchMm - pitch) < 1e-9);
  if (exact) return c.addThread(exact, match, metricClass(c, match));
  const coarse = coarseOf(sizes);
  if (coarse && pitch > coarse.pitchMm * 1.5 && pitch >= major / 2) {
    c.goTo(before);
    return c.addThread(coarse, match, metricClass(c, match));
  }
  return specialThread(c, match, pitchMatch, major, sizes);
}
