import Papa from 'papaparse';
import { phrase, type Problem, type Result } from '../answer/answer';
import type { LaidFeature } from '../layout/lay-out';
import type { FaceId } from '../layout/part';
import type { Place } from '../layout/place';
import { readPlacedCallout } from '../layout/placed-callout';
import { writePlace } from '../layout/write-place';
import { parseLength, type LengthUnit } from '../units/length';
import type { Imported } from '../layout/imported';
import { fileProblem, MOST_FEATURES, unguarded, unreadableFile } from './imported';

const FACES: readonly FaceId[] = ['top', 'bottom', 'front', 'back', 'left', 'right', 'side'];
const FORMULA = /^[=@\t\r]|^[+-](?!\s*\d*[.,]?\d)/;

export interface CsvFeature extends LaidFeature {
  /** Other answers typed for this feature, by field. */
  more?: Record<string, string>;
}

/** Features as CSV, one row each; cells that a spreadsheet would take for a formula are quoted with an apostrophe. */
export function writePlateCsv(features: readonly CsvFeature[]): string {
  const rows = features.map(({ id, name, callout, face, place, more }) => ({
    id,
    name,
    callout,
    face,
    place_mm: place ? (writePlace(place, 'mm') ?? JSON.stringify(place)) : '',
    more: more && Object.keys(more).length > 0 ? JSON.stringify(more) : '',
  }));
  return Papa.unparse(
    { fields: ['id', 'name', 'callout', 'face', 'place_mm', 'more'], data: rows },
    { escapeFormulae: true },
  );
}

const rowProblem = (row: number, problem: Problem): Problem => ({
  ...problem,
  field: `row ${row}`,
  text: `Row {row}: ${problem.text}`,
  values: { ...problem.values, row },
});

/**
 * Reads features from CSV or cells pasted from a spreadsheet. Columns by their heading: `callout` or `diameter`,
 * `place` or `x` and `y`, with `_mm` or `_in` where the unit is fixed; `name`, `face` and `id` where there are any.
 * Nothing is taken when any row is wrong.
 */
export function readPlateCsv(text: string, unit: LengthUnit): Result<Imported> {
  const unreadable = unreadableFile(text);
  if (unreadable) return { ok: false, problems: [unreadable] };
  const parsed = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) =>
      h
        .replace(/^\ufeff/, '')
        .trim()
        .toLowerCase()
        .replace(/\s+/g, '_'),
  });
  const fields = parsed.meta.fields ?? [];
  const column = (...names: string[]): string | undefined =>
    fields.find((f) => names.includes(f.replace(/_(mm|in)$/, '')));
  const columns = {
    callout: column('callout', 'hole', 'feature'),
    diameter: column('diameter', 'd', 'dia'),
    x: column('x'),
    y: column('y'),
    place: column('place'),
  };
  if (!columns.callout && !columns.diameter)
    return {
      ok: false,
      problems: [
        fileProblem(
          'csv-columns',
          'No column is headed callout or diameter; found: {found}.',
          'Head the columns callout, x, y in the first row.',
          {
            found: fields.slice(0, 12).join(', ').slice(0, 200) || 'none',
          },
        ),
      ],
    };
  if (parsed.data.length > MOST_FEATURES)
    return {
      ok: false,
      problems: [
        fileProblem('csv-many', 'More than {most} rows.', 'Bring in fewer at a time.', { most: MOST_FEATURES }),
      ],
    };
  const problems: Problem[] = parsed.errors
    .filter((e) => e.type !== 'Delimiter' && e.code !== 'TooFewFields')
    .slice(0, 5)
    .map((e) => rowProblem((e.row ?? 0) + 2, fileProblem('csv-row', e.message, 'Correct the row.')));
  const ids = new Set<string>();
  const features = parsed.data.flatMap((row, i) => {
    const number = i + 2;
    const read = readRow(row, columns, unit);
    if (!read.ok) {
      problems.push(...read.problems.map((p) => rowProblem(number, p)));
      return [];
    }
    const { id } = read.value;
    if (id !== undefined && ids.has(id))
      problems.push(
        rowProblem(
          number,
          fileProblem('csv-id', 'The id {id} stands twice.', 'Give each row its own id, or leave the column out.', {
            id,
          }),
        ),
      );
    if (id !== undefined) ids.add(id);
    return [read.value];
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, 20) };
  return {
    ok: true,
    value: {
      features,
      understood: [phrase('{count} features from {count} rows.', { count: features.length })],
      leftOut: leftOutColumns(fields),
    },
  };
}

const KNOWN = /^(id|name|callout|hole|feature|diameter|d|dia|x|y|place|face|more)(_(mm|in))?$/;

function leftOutColumns(fields: string[]): Imported['leftOut'] {
  const strange = fields.filter((f) => f !== '' && !KNOWN.test(f));
  return strange.length > 0 ? [phrase('Columns not used: {names}.', { names: strange.join(', ').slice(0, 200) })] : [];
}

function readRow(
  row: Record<string, string>,
  columns: Record<string, string | undefined>,
  unit: LengthUnit,
): Result<Imported['features'][number]> {
  const cell = (name: string | undefined): string => unguarded((name === undefined ? '' : (row[name] ?? '')).trim());
  const unitOf = (name: string | undefined): LengthUnit =>
    name?.endsWith('_mm') ? 'mm' : name?.endsWith('_in') ? 'in' : unit;
  const refuse = (code: string, text: string, remedy: string, values = {}): Result<never> => ({
    ok: false,
    problems: [fileProblem(code, text, remedy, values)],
  });
  const raw = Object.values(row).find((v) => typeof v === 'string' && FORMULA.test(v.trim()));
  if (raw !== undefined)
    return refuse('csv-formula', '“{cell}” is a formula, not a value.', 'Save the values alone.', {
      cell: raw.slice(0, 40),
    });
  const face = cell('face') || undefined;
  if (face !== undefined && !FACES.includes(face as FaceId))
    return refuse('csv-face', 'There is no face “{face}”.', 'Use top, bottom, front, back, left, right or side.', {
      face,
    });
  const diameterUnit = unitOf(columns.diameter) === 'in' ? ' in' : ' mm';
  const callout =
    cell(columns.callout) ||
    (cell(columns.diameter) === ''
      ? ''
      : `ø${cell(columns.diameter)}${/[a-z"]$/i.test(cell(columns.diameter)) ? '' : diameterUnit} THRU`);
  if (callout === '')
    return refuse('csv-callout', 'There is no callout.', 'Write what the drawing says, such as M8 THRU.');
  let more: Record<string, string> | undefined;
  try {
    more = cell('more') === '' ? undefined : (JSON.parse(cell('more')) as Record<string, string>);
  } catch {
    return refuse('csv-more', 'The column “more” is damaged.', 'Leave it empty.');
  }
  const shared = { id: cell('id') || undefined, name: cell('name'), face: face as FaceId | undefined, more };
  const placeText = cell(columns.place);
  if (placeText.startsWith('{')) {
    const place = placeFrom(placeText);
    return place
      ? { ok: true, value: { ...shared, callout, place } }
      : refuse('csv-place', 'The place is damaged.', 'Write for example: at 12,12.');
  }
  const coordinates = [columns.x, columns.y].map((name) => ({ text: cell(name), unit: unitOf(name) }));
  const lengths = coordinates.map((c) => parseLength(c.text, c.unit));
  const given = coordinates.some((c) => c.text !== '');
  if (given && !lengths.every((l) => l.ok && Math.abs(l.value.mm) <= 10000))
    return refuse(
      'csv-place',
      'x and y are not both lengths: “{x}”, “{y}”.',
      'Write numbers, with a unit where it is not the usual one.',
      {
        x: coordinates[0].text.slice(0, 20),
        y: coordinates[1].text.slice(0, 20),
      },
    );
  const read = readPlacedCallout(placeText === '' ? callout : `${callout} ${placeText}`, unitOf(columns.place));
  if (!read.ok) return read;
  const [x, y] = lengths.map((l) => (l.ok ? l.value.mm : 0));
  return {
    ok: true,
    value: { ...shared, callout: read.value.calloutText, place: given ? { kind: 'point', x, y } : read.value.place },
  };
}

/** A place written as JSON by {@link writePlateCsv}: only the kinds that have no line of their own. */
function placeFrom(text: string): Place | undefined {
  try {
    const p = JSON.parse(text) as Record<string, unknown>;
    const number = (v: unknown): v is number => typeof v === 'number' && Math.abs(v) <= 10000;
    if (p.kind === 'mirror' && typeof p.of === 'string' && (p.axis === 'x' || p.axis === 'y') && number(p.at))
      return { kind: 'mirror', of: p.of, axis: p.axis, at: p.at };
    if (p.kind === 'offset' && typeof p.of === 'string' && number(p.dx) && number(p.dy))
      return { kind: 'offset', of: p.of, dx: p.dx, dy: p.dy };
    if (
      p.kind === 'list' &&
      Array.isArray(p.points) &&
      p.points.every((q) => Array.isArray(q) && q.length === 2 && q.every(number))
    )
      return { kind: 'list', points: p.points as [number, number][] };
  } catch {
    return undefined;
  }
  return undefined;
}
