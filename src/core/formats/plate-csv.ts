import type { ProblemCode } from '../answer/problem-codes';
import Papa from 'papaparse';
import { ok, phrase, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import type { LaidFeature } from '../layout/lay-out';
import { isFace } from '../layout/part';
import type { Place } from '../layout/place';
import { readPlacedCallout } from '../layout/placed-callout';
import { writePlace } from '../layout/write-place';
import { parseLength, type LengthUnit } from '../units/length';
import type { Imported } from '../layout/imported';
import { fileProblem, FORMULA_START, MOST_FEATURES, unguarded, unreadableFile } from './imported';

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
    { escapeFormulae: FORMULA_START },
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
 * Nothing is imported when any row is wrong.
 */
export function readPlateCsv(text: string, unit: LengthUnit): Result<Imported> {
  const unreadable = unreadableFile(text);
  if (unreadable) return refuse(unreadable);
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
  const columns = columnsOf(fields);
  const wrong = tableProblems(fields, columns, parsed.data.length);
  if (wrong.length > 0) return refuse(...wrong);
  const badRows = parsed.errors
    .filter((e) => e.type !== 'Delimiter' && e.code !== 'TooFewFields')
    .slice(0, 5)
    .map((e) => rowProblem((e.row ?? 0) + 2, fileProblem('csv-row', e.message, 'Correct the row.')));
  const rows = parsed.data.map((row, i) => ({ number: i + 2, read: readRow(row, columns, unit) }));
  const problems = [
    ...badRows,
    ...rows.flatMap(({ number, read }) => (read.ok ? [] : read.problems.map((p) => rowProblem(number, p)))),
    ...repeatedIds(rows),
  ];
  if (problems.length > 0) return refuse(...problems.slice(0, MOST_FAULTS));
  const features = rows.flatMap(({ read }) => (read.ok ? [read.value] : []));
  return ok({
    features,
    understood: [phrase('{count} features from {count} rows.', { count: features.length })],
    leftOut: leftOutColumns(fields),
  });
}

/** Most faults that are listed at once. */
const MOST_FAULTS = 20;

function columnsOf(fields: readonly string[]): Columns {
  const column = (...names: string[]): string | undefined =>
    fields.find((f) => names.includes(f.replace(/_(mm|in)$/, '')));
  return {
    callout: column('callout', 'hole', 'feature'),
    diameter: column('diameter', 'd', 'dia'),
    x: column('x'),
    y: column('y'),
    place: column('place'),
  };
}

function tableProblems(fields: readonly string[], { callout, diameter }: Columns, rows: number): Problem[] {
  if (!callout && !diameter)
    return [
      fileProblem(
        'csv-columns',
        'No column is headed callout or diameter; found: {found}.',
        'Head the columns callout, x, y in the first row.',
        { found: fields.slice(0, 12).join(', ').slice(0, 200) || 'none' },
      ),
    ];
  return rows > MOST_FEATURES
    ? [fileProblem('csv-many', 'More than {most} rows.', 'Import fewer at a time.', { most: MOST_FEATURES })]
    : [];
}

/** An id that an earlier row has already. */
function repeatedIds(rows: readonly { number: number; read: Result<Found> }[]): Problem[] {
  const ids = new Set<string>();
  return rows.flatMap(({ number, read }) => {
    const id = read.ok ? read.value.id : undefined;
    if (id === undefined) return [];
    const before = ids.has(id);
    ids.add(id);
    return before
      ? [
          rowProblem(
            number,
            fileProblem('csv-id', 'The id {id} appears twice.', 'Give each row its own id, or leave the column out.', {
              id,
            }),
          ),
        ]
      : [];
  });
}

const KNOWN = /^(id|name|callout|hole|feature|diameter|d|dia|x|y|place|face|more)(_(mm|in))?$/;

function leftOutColumns(fields: string[]): Imported['leftOut'] {
  const strange = fields.filter((f) => f !== '' && !KNOWN.test(f));
  return strange.length > 0 ? [phrase('Columns not used: {names}.', { names: strange.join(', ').slice(0, 200) })] : [];
}

type Found = Imported['features'][number];
type Columns = Record<'callout' | 'diameter' | 'x' | 'y' | 'place', string | undefined>;

/** One row of a table with its columns by what they hold. */
class PlateRow {
  constructor(
    private readonly row: Record<string, string>,
    readonly columns: Columns,
    private readonly unit: LengthUnit,
  ) {}

  cell(name: string | undefined): string {
    return unguarded((name === undefined ? '' : (this.row[name] ?? '')).trim());
  }

  unitOf(name: string | undefined): LengthUnit {
    return name?.endsWith('_mm') ? 'mm' : name?.endsWith('_in') ? 'in' : this.unit;
  }

  /** What the drawing says: the callout, or a through hole of the diameter. */
  get callout(): string {
    const { callout, diameter } = this.columns;
    const written = this.cell(callout);
    const size = this.cell(diameter);
    if (written !== '' || size === '') return written;
    const unit = /[a-z"]$/i.test(size) ? '' : this.unitOf(diameter) === 'in' ? ' in' : ' mm';
    return `ø${size}${unit} THRU`;
  }
}

const no = (code: ProblemCode, text: string, remedy: string, values: Phrase['values'] = {}): Result<never> =>
  refuse(fileProblem(code, text, remedy, values));

/** What the row carries beside callout and place. */
function sharedCells(r: PlateRow): Result<Pick<Found, 'id' | 'name' | 'face' | 'more'>> {
  const face = r.cell('face') || undefined;
  if (face !== undefined && !isFace(face))
    return no('csv-face', 'There is no face “{face}”.', 'Use top, bottom, front, back, left, right or side.', { face });
  const shared = { id: r.cell('id') || undefined, name: r.cell('name'), face };
  const more = r.cell('more');
  if (more === '') return ok(shared);
  try {
    return ok({ ...shared, more: JSON.parse(more) as Record<string, string> });
  } catch {
    return no('csv-more', 'The column “more” is damaged.', 'Cancel empty.');
  }
}

/** x and y of a row, mm; undefined where both cells are empty. */
function coordinatesOf(r: PlateRow): Result<Place | undefined> {
  const cells = [r.columns.x, r.columns.y].map((name) => ({ text: r.cell(name), unit: r.unitOf(name) }));
  if (cells.every((c) => c.text === '')) return ok(undefined);
  const [x, y] = cells.map((c) => parseLength(c.text, c.unit));
  if (x.ok && y.ok && [x, y].every((l) => Math.abs(l.value.mm) <= FARTHEST_MM))
    return ok({ kind: 'point', x: x.value.mm, y: y.value.mm });
  return no(
    'csv-place',
    'x and y are not both lengths: “{x}”, “{y}”.',
    'Write numbers, with a unit where it is not the usual one.',
    { x: cells[0].text.slice(0, 20), y: cells[1].text.slice(0, 20) },
  );
}

const FARTHEST_MM = 10000;

function readRow(row: Record<string, string>, columns: Columns, unit: LengthUnit): Result<Found> {
  const r = new PlateRow(row, columns, unit);
  const formula = Object.values(row).find((v) => typeof v === 'string' && FORMULA.test(v.trim()));
  if (formula !== undefined)
    return no('csv-formula', '“{cell}” is a formula, not a value.', 'Save the values alone.', {
      cell: formula.slice(0, 40),
    });
  const { callout } = r;
  const shared = sharedCells(r);
  if (!shared.ok) return shared;
  if (callout === '') return no('csv-callout', 'There is no callout.', 'Enter the callout, such as M8 THRU.');
  const placeText = r.cell(columns.place);
  if (placeText.startsWith('{')) {
    const place = placeFrom(placeText);
    return place
      ? ok({ ...shared.value, callout, place })
      : no('csv-place', 'The place is damaged.', 'Write for example: at 12,12.');
  }
  const point = coordinatesOf(r);
  if (!point.ok) return point;
  const read = readPlacedCallout(placeText === '' ? callout : `${callout} ${placeText}`, r.unitOf(columns.place));
  if (!read.ok) return read;
  return ok({ ...shared.value, callout: read.value.calloutText, place: point.value ?? read.value.place });
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
