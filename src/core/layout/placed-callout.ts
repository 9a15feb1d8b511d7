import { phrase, type Phrase, type Result } from '../answer/answer';
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
const NUMBER = String.raw`[-+]?(?:\d{1,3}[- ]\d{1,3}\/\d{1,3}|\d{1,3}\/\d{1,3}|\d*\.?\d+)(?:\s*(?:mm|in\b|"|thou\b))?`;
const TOKEN: [name: string, pattern: RegExp][] = [
  ['space', /[\s;]+/y],
  ['at', new RegExp(`at\\s*(${NUMBER})\\s*,\\s*(${NUMBER})`, 'iy')],
  ['circle', new RegExp(`(?:on\\s+)?circle\\s*[øØ⌀]?\\s*(${NUMBER})`, 'iy')],
  ['grid', /grid\s*(\d{1,3})\s*(?:x|by)\s*(\d{1,3})/iy],
  ['pitch2', new RegExp(`pitch\\s*(${NUMBER})\\s*,\\s*(${NUMBER})`, 'iy')],
  ['pitch', new RegExp(`pitch\\s*(${NUMBER})`, 'iy')],
  ['angle', /angle\s*([-+]?\d*\.?\d+)\s*(?:°|deg)?/iy],
  ['from', /from\s*([-+]?\d*\.?\d+)\s*(?:°|deg)?/iy],
  ['skip', /skip\s*(\d{1,3}(?:\s*,\s*\d{1,3})*)/iy],
];

const EXAMPLES = PLACE_WORDS.map(([, example]) => example);
function stop(
  code: string,
  at: { start: number; end: number },
  text: string,
  remedy: string,
  values?: Phrase['values'],
): never {
  return stopReading('line', code, at, text, remedy, values, EXAMPLES);
}

/**
 * Reads one line: a callout, then where it goes.
 *
 * `M8 THRU at 20,15`; `4x M5 THRU at 12,12 pitch 40` (a row, along x unless an angle is given);
 * `6x M6 THRU circle 80 at 60,40 from 90 skip 2`; `6x M4 x 8 DEEP at 10,10 grid 3 by 2 pitch 40,25`.
 * @param unit unit of bare numbers in the place
 */
export function readPlacedCallout(line: string, unit: LengthUnit): Result<PlacedCallout> {
  const cut = CUT.exec(line)?.index ?? line.length;
  const calloutText = line.slice(0, cut).trim();
  const callout = readCallout(line.slice(0, cut), unit);
  if (!callout.ok) return { ok: false, problems: callout.problems.map((p) => ({ ...p, field: 'line' })) };
  try {
    const { place, notes } = readPlace(line, cut, callout.value.count, unit);
    return {
      ok: true,
      value: { callout: callout.value, calloutText, place, notes: [...callout.value.notes, ...notes] },
    };
  } catch (error) {
    if (error instanceof StopReading) return { ok: false, problems: [error.problem] };
    throw error;
  }
}

function readPlace(line: string, from: number, count: number, unit: LengthUnit): { place?: Place; notes: Phrase[] } {
  const found = new Map<string, { groups: string[]; at: { start: number; end: number } }>();
  let bare = false;
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
        '“{word}” does not belong to a place.',
        'Write for example: at 12,12 pitch 40.',
        { word },
      );
    }
    const at = { start: i, end: i + hit.match[0].length };
    if (hit.name !== 'space') {
      if (found.has(hit.name)) stop('place-twice', at, 'This is said twice.', 'Say it once.');
      found.set(hit.name, { groups: hit.match.slice(1), at });
    }
    i = at.end;
  }
  const number = (text: string, at: { start: number; end: number }): number => {
    const parsed = parseLength(text, unit);
    if (!parsed.ok) return stop('place-number', at, '“{text}” is not a length.', 'Write a number.', { text });
    if (parsed.value.assumed) bare = true;
    return parsed.value.mm;
  };
  const lengths = (name: string): number[] | undefined => {
    const token = found.get(name);
    return token?.groups.map((g) => number(g, token.at));
  };
  const degrees = (name: string, usual: number): number => Number(found.get(name)?.groups[0] ?? usual);
  const [x, y] = lengths('at') ?? [];
  const circle = lengths('circle');
  const grid = found.get('grid')?.groups.map(Number);
  const pitch2 = lengths('pitch2');
  const pitch = lengths('pitch')?.[0];
  const notes = (): Phrase[] =>
    bare ? [phrase('Places without a unit are in {unit}.', { unit: unit === 'in' ? 'inches' : 'mm' })] : [];
  const all = { start: from + 1, end: line.length };
  if (found.size === 0) return { notes: [] };
  if (circle) {
    if (circle[0] <= 0)
      stop('place-circle', found.get('circle')?.at ?? all, 'A circle needs a diameter above zero.', 'Write circle 80.');
    const skip = (found.get('skip')?.groups[0] ?? '')
      .split(',')
      .filter((s) => s.trim() !== '')
      .map(Number);
    const divisions = count + skip.length;
    if (skip.some((s) => s < 1 || s > divisions))
      stop(
        'place-skip',
        found.get('skip')?.at ?? all,
        'A place that is left out must be one of 1 to {divisions}.',
        'Count from the start, anticlockwise.',
        { divisions },
      );
    return {
      place: {
        kind: 'circle',
        x: x ?? 0,
        y: y ?? 0,
        diameter: circle[0],
        divisions,
        startDeg: degrees('from', 0),
        skip,
      },
      notes: notes(),
    };
  }
  if (x === undefined || y === undefined)
    stop('place-start', all, 'The place of the first hole is missing.', 'Write at and two numbers: at 12,12.');
  if (grid) {
    const [columns, rows] = grid;
    if (columns * rows !== count)
      stop(
        'place-count',
        found.get('grid')?.at ?? all,
        'A grid of {columns} by {rows} has {made} holes; the callout says {count}.',
        'Make them agree.',
        {
          columns,
          rows,
          made: columns * rows,
          count,
        },
      );
    const [dx, dy] = pitch2 ?? [pitch ?? NaN, pitch ?? NaN];
    if (!(Math.abs(dx) > 0 && Math.abs(dy) > 0))
      stop('place-pitch', all, 'A grid needs its pitch.', 'Write pitch 40,25.');
    return { place: { kind: 'grid', x, y, columns, rows, dx, dy }, notes: notes() };
  }
  if (pitch !== undefined) {
    if (pitch <= 0)
      stop(
        'place-pitch',
        found.get('pitch')?.at ?? all,
        'A pitch is above zero.',
        'Turn the row with an angle instead.',
      );
    return { place: { kind: 'row', x, y, count, pitch, angleDeg: degrees('angle', 0) }, notes: notes() };
  }
  if (count > 1)
    stop('place-pitch', all, '{count} holes need a pitch, a circle or a grid.', 'Write at 12,12 pitch 40.', { count });
  return { place: { kind: 'point', x, y }, notes: notes() };
}
