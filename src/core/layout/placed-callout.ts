import type { ProblemCode } from '../answer/problem-codes';
import { ok, phrase, refuse, type Phrase, type Result } from '../answer/answer';
import { StopReading, stopReading } from '../answer/stop-reading';
import type { Callout } from '../threads/callout';
import { readCallout } from '../threads/read-callout';
import { parseLength, type LengthUnit } from '../units/length';
import type { Place } from './place';

/** A callout with its place, as typed in one line. */
export interface PlacedCallout {
  callout: Callout;
  calloutText: string;
  place?: Place;
  notes: Phrase[];
}

/** Words that begin a place, with what they want; shown as completions. */
export const PLACE_WORDS: readonly [word: string, example: string][] = [
  ['at', 'at 12,12'],
  ['pitch', 'pitch 40'],
  ['angle', 'angle 90'],
  ['circle', 'circle 130 at 60,40'],
  ['from', 'from 90'],
  ['skip', 'skip 3'],
  ['grid', 'grid 3 by 2 pitch 40,25'],
];

const CUT = /\s(?=(?:at|circle|grid|pitch)\b)/i;
const NUMBER = String.raw`[-+]?(?:\d{1,3}[- ]\d{1,3}\/\d{1,3}|\d{1,3}\/\d{1,3}|\d+(?:\.\d+)?|\.\d+)(?:\s*(?:mm|in\b|"|thou\b))?`;
const TOKEN: [name: string, pattern: RegExp][] = [
  ['space', /[\s;]+/y],
  ['at', new RegExp(`at\\s*(${NUMBER})\\s*,\\s*(${NUMBER})`, 'iy')],
  ['circle', new RegExp(`(?:on\\s+)?circle\\s*[øØ⌀]?\\s*(${NUMBER})`, 'iy')],
  ['grid', /grid\s*(\d{1,3})\s*(?:x|by)\s*(\d{1,3})/iy],
  ['pitch2', new RegExp(`pitch\\s*(${NUMBER})\\s*,\\s*(${NUMBER})`, 'iy')],
  ['pitch', new RegExp(`pitch\\s*(${NUMBER})`, 'iy')],
  ['angle', /angle\s*([-+]?(?:\d+(?:\.\d+)?|\.\d+))\s*(?:°|deg)?/iy],
  ['from', /from\s*([-+]?(?:\d+(?:\.\d+)?|\.\d+))\s*(?:°|deg)?/iy],
  ['skip', /skip\s*(\d{1,3}(?:\s*,\s*\d{1,3})*)/iy],
];

/** Holes at the corners of a rectangle. */
const CORNERS = 4;
const EXAMPLES = PLACE_WORDS.map(([, example]) => example);
function stop(
  code: ProblemCode,
  at: { start: number; end: number },
  text: string,
  remedy: string,
  values?: Phrase['values'],
): never {
  return stopReading('line', code, at, text, remedy, values, EXAMPLES);
}

/** A line cut where its place begins: the callout, and the place with its word. */
export function splitPlace(line: string): [callout: string, place: string] {
  const cut = CUT.exec(line)?.index ?? line.length;
  return [line.slice(0, cut).trim(), line.slice(cut).trim()];
}

/**
 * Reads one line: a callout, then where it goes.
 *
 * `M8 THRU at 20,15`; `4x M5 THRU at 12,12 pitch 40` (a row, along x unless an angle is given);
 * `4x M5 THRU at 12,12 pitch 100,60` (the corners of a rectangle);
 * `6x M6 THRU circle 80 at 60,40 from 90 skip 2`; `6x M4 x 8 DEEP at 10,10 grid 3 by 2 pitch 40,25`.
 * @param unit unit of bare numbers in the place
 */
export function readPlacedCallout(line: string, unit: LengthUnit): Result<PlacedCallout> {
  const cut = CUT.exec(line)?.index ?? line.length;
  const calloutText = line.slice(0, cut).trim();
  const callout = readCallout(line.slice(0, cut), unit);
  if (!callout.ok) return refuse(...callout.problems.map((p) => ({ ...p, field: 'line' })));
  try {
    const { place, notes } = readPlace(line, cut, callout.value.count, unit);
    return ok({ callout: callout.value, calloutText, place, notes: [...callout.value.notes, ...notes] });
  } catch (error) {
    if (error instanceof StopReading) return refuse(error.problem);
    throw error;
  }
}

type Span = { start: number; end: number };
type Tokens = ReadonlyMap<string, { groups: string[]; at: Span }>;

/** The words of a place with their figures, each said once. */
function tokensOf(line: string, from: number): Tokens {
  const found = new Map<string, { groups: string[]; at: Span }>();
  let i = from;
  while (i < line.length) {
    const hit = TOKEN.map(([name, pattern]) => {
      pattern.lastIndex = i;
      return { name, match: pattern.exec(line) };
    }).find((t) => t.match);
    if (!hit?.match) {
      const word = /^\S+/.exec(line.slice(i))?.[0] ?? '';
      stop(
        'place-unreadable',
        { start: i, end: i + word.length },
        '“{word}” is not part of a place.',
        'Write for example: at 12,12 pitch 40.',
        { word },
      );
    }
    const at = { start: i, end: i + hit.match[0].length };
    if (hit.name !== 'space') {
      if (found.has(hit.name)) stop('place-twice', at, 'This appears twice.', 'Write it once.');
      found.set(hit.name, { groups: hit.match.slice(1), at });
    }
    i = at.end;
  }
  return found;
}

/** The words of a place as figures, and whether a length had no unit. */
class PlaceReader {
  bare = false;

  constructor(
    private readonly found: Tokens,
    private readonly unit: LengthUnit,
    readonly count: number,
    private readonly all: Span,
  ) {}

  at(name: string): Span {
    return this.found.get(name)?.at ?? this.all;
  }

  text(name: string): string | undefined {
    return this.found.get(name)?.groups[0];
  }

  numbers(name: string): number[] | undefined {
    return this.found.get(name)?.groups.map(Number);
  }

  degrees(name: string): number {
    return Number(this.text(name) ?? 0);
  }

  /** In mm. */
  lengths(name: string): number[] | undefined {
    const token = this.found.get(name);
    return token?.groups.map((text) => {
      const parsed = parseLength(text, this.unit);
      if (!parsed.ok) return stop('place-number', token.at, '“{text}” is not a length.', 'Write a number.', { text });
      if (parsed.value.assumed) this.bare = true;
      return parsed.value.mm;
    });
  }
}

function circlePlace(r: PlaceReader, diameter: number, x = 0, y = 0): Place {
  if (diameter <= 0) stop('place-circle', r.at('circle'), 'A circle needs a diameter above zero.', 'Write circle 80.');
  const skip = (r.text('skip') ?? '')
    .split(',')
    .filter((s) => s.trim() !== '')
    .map(Number);
  const divisions = r.count + skip.length;
  if (skip.some((s) => s < 1 || s > divisions))
    stop(
      'place-skip',
      r.at('skip'),
      'A skipped place must be one of 1 to {divisions}.',
      'Count from the start, anticlockwise.',
      { divisions },
    );
  return { kind: 'circle', x, y, diameter, divisions, startDeg: r.degrees('from'), skip };
}

function gridPlace(r: PlaceReader, [columns, rows]: number[], x: number, y: number): Place {
  if (columns * rows !== r.count)
    stop(
      'place-count',
      r.at('grid'),
      'A grid of {columns} by {rows} has {made} holes; the callout says {count}.',
      'Make the two agree.',
      { columns, rows, made: columns * rows, count: r.count },
    );
  const [one = NaN] = r.lengths('pitch') ?? [];
  const [dx, dy] = r.lengths('pitch2') ?? [one, one];
  if (!(Math.abs(dx) > 0 && Math.abs(dy) > 0))
    stop('place-pitch', r.at(''), 'A grid needs its pitch.', 'Write pitch 40,25.');
  return { kind: 'grid', x, y, columns, rows, dx, dy };
}

function rowPlace(r: PlaceReader, pitch: number, x: number, y: number): Place {
  if (pitch <= 0)
    stop('place-pitch', r.at('pitch'), 'A pitch must be above zero.', 'Turn the row with an angle instead.');
  return { kind: 'row', x, y, count: r.count, pitch, angleDeg: r.degrees('angle') };
}

function placeOf(r: PlaceReader): Place {
  const [x, y] = r.lengths('at') ?? [];
  const circle = r.lengths('circle');
  if (circle) return circlePlace(r, circle[0], x, y);
  if (x === undefined || y === undefined)
    return stop(
      'place-start',
      r.at(''),
      'The place of the first hole is missing.',
      'Write at and two numbers: at 12,12.',
    );
  const grid = r.numbers('grid');
  if (grid) return gridPlace(r, grid, x, y);
  // Four holes with a pitch each way are the corners of a rectangle.
  if (r.lengths('pitch2')) {
    if (r.count === CORNERS) return gridPlace(r, [2, 2], x, y);
    stop(
      'place-grid',
      r.at('pitch2'),
      'Two pitches need a grid, unless the holes are four.',
      'Write grid 3 by 2 before the pitch.',
    );
  }
  const [pitch] = r.lengths('pitch') ?? [];
  if (pitch !== undefined) return rowPlace(r, pitch, x, y);
  if (r.count > 1)
    stop('place-pitch', r.at(''), '{count} holes need a pitch, a circle or a grid.', 'Write at 12,12 pitch 40.', {
      count: r.count,
    });
  return { kind: 'point', x, y };
}

function readPlace(line: string, from: number, count: number, unit: LengthUnit): { place?: Place; notes: Phrase[] } {
  const found = tokensOf(line, from);
  if (found.size === 0) return { notes: [] };
  const reader = new PlaceReader(found, unit, count, { start: from + 1, end: line.length });
  const place = placeOf(reader);
  return {
    place,
    notes: reader.bare
      ? [phrase('Places without a unit are read as {unit}.', { unit: unit === 'in' ? 'inches' : 'mm' })]
      : [],
  };
}
