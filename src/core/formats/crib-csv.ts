import Papa from 'papaparse';
import { phrase, type Phrase, type Problem, type Result } from '../answer/answer';
import type { Drill, DrillCondition, DrillMaterial } from '../drills/drill';
import { ALL_DRILLS, drillName } from '../drills/drill';
import { TOOL_KINDS, type Tool, type ToolKind } from '../shop/tool';
import { parseLength, type LengthUnit } from '../units/length';
import { trimmed } from '../units/show';
import { fileProblem, unguarded, unreadableFile } from './imported';

/** A drill as a file holds it: with the name of its case. */
export interface CsvDrill extends Drill {
  id?: string;
  case: string;
}
export interface CribFile {
  drills: CsvDrill[];
  tools: (Omit<Tool, 'id'> & { id?: string })[];
  understood: Phrase[];
}

const COLUMNS = [
  'id',
  'kind',
  'case',
  'name',
  'diameter',
  'small',
  'step',
  'angle',
  'fit',
  'reach',
  'material',
  'condition',
  'where',
] as const;
type Column = (typeof COLUMNS)[number];
type Row = Partial<Record<Column, string>>;
const MOST_ROWS = 2000;
const CONDITIONS: readonly DrillCondition[] = ['sharp', 'worn', 'blunt', 'lost'];
const MATERIALS: readonly DrillMaterial[] = ['hss', 'cobalt', 'carbide'];

const mm = (value: number | undefined): string => (value === undefined ? '' : `${trimmed(value, 4)} mm`);

/** Drills and tools as one table with a row each; lengths carry their unit, cells that a spreadsheet would run are made harmless. */
export function writeCribCsv(drills: readonly CsvDrill[], tools: readonly Tool[]): string {
  const rows: Row[] = [
    ...drills.map((d) => ({
      id: d.id,
      kind: 'drill',
      case: d.case,
      name: d.label,
      diameter: mm(d.diameterMm),
      angle: d.pointAngleDeg === undefined ? '' : String(d.pointAngleDeg),
      reach: mm(d.fluteMm),
      material: d.material,
      condition: d.condition,
      where: d.where,
    })),
    ...tools.map((t) => ({
      id: t.id,
      kind: t.kind,
      name: t.name,
      diameter: mm(t.diameterMm),
      small: mm(t.smallMm),
      step: mm(t.stepMm),
      angle: t.angleDeg === undefined ? '' : String(t.angleDeg),
      fit: t.fit,
      reach: mm(t.reachMm),
      condition: t.condition,
      where: t.where,
    })),
  ];
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((r) => COLUMNS.map((c) => r[c] ?? '')) },
    { newline: '\n', escapeFormulae: true },
  );
}

/** Reads such a table: every row or none, each fault with its line and column. @param unit of bare lengths */
export function readCribCsv(text: string, unit: LengthUnit): Result<CribFile> {
  const bad = unreadableFile(text);
  if (bad) return { ok: false, problems: [bad] };
  const parsed = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const headers = parsed.meta.fields ?? [];
  const problems: Problem[] = [];
  for (const wanted of ['kind', 'name'])
    if (!headers.includes(wanted))
      problems.push(
        fileProblem(
          'csv-column',
          'The column “{column}” is missing.',
          'Write a first line with: kind, name, diameter.',
          {
            column: wanted,
          },
        ),
      );
  if (parsed.data.length > MOST_ROWS)
    problems.push(fileProblem('csv-long', 'More than {most} rows.', 'Bring them in by drawer.', { most: MOST_ROWS }));
  if (problems.length > 0) return { ok: false, problems };
  const file: CribFile = { drills: [], tools: [], understood: [] };
  const seen = new Set<string>();
  parsed.data.forEach((raw, i) => {
    const row = Object.fromEntries(
      Object.entries(raw).map(([k, v]) => [k, unguarded(typeof v === 'string' ? v : '').trim()]),
    ) as Row;
    const at = (column: Column, text2: string, remedy: string): void => {
      problems.push(
        fileProblem('csv-cell', `Row {row}, ${column}: ${text2}`, remedy, { row: i + 2, typed: row[column] ?? '' }),
      );
    };
    const length = (column: Column): number | undefined => {
      const typed = row[column] ?? '';
      if (typed === '') return undefined;
      const read = parseLength(typed, unit);
      if (read.ok && read.value.mm > 0 && read.value.mm <= 10000) return read.value.mm;
      at(column, '“{typed}” is not a length.', 'Write for example 6.8 or 1/4 in.');
      return undefined;
    };
    const number = (column: Column): number | undefined => {
      const typed = row[column] ?? '';
      if (typed === '') return undefined;
      const value = Number(typed.replace(',', '.').replace('°', ''));
      if (Number.isFinite(value) && value > 0) return value;
      at(column, '“{typed}” is not a number above zero.', 'Write a number.');
      return undefined;
    };
    const choice = <T extends string>(column: Column, among: readonly T[], usual: T): T => {
      const typed = (row[column] ?? '').toLowerCase();
      if (typed === '') return usual;
      const found = among.find((a) => a === typed);
      if (!found) at(column, '“{typed}” is none of those known.', `Write one of: ${among.join(', ')}.`);
      return found ?? usual;
    };
    const kind = choice('kind', ['drill', ...(Object.keys(TOOL_KINDS) as ToolKind[])] as const, 'drill');
    const id = row.id || undefined;
    if (id && seen.has(id)) at('id', '“{typed}” stands twice.', 'Give each row its own id, or none.');
    if (id) seen.add(id);
    if (!row.name) at('name', 'The name is missing.', 'Write the size as stamped, or what it is.');
    const condition = choice('condition', CONDITIONS, 'sharp');
    const where = (row.where ?? '').slice(0, 120);
    if (kind === 'drill') {
      const listed = ALL_DRILLS.find((d) => d.label === row.name || drillName(d) === row.name);
      const diameterMm = length('diameter') ?? listed?.diameterMm;
      if (diameterMm === undefined)
        at('diameter', 'A drill of no listed size needs its diameter.', 'Write it, such as 6.8 mm.');
      file.drills.push({
        id,
        case: row.case ?? '',
        series: listed?.series ?? 'metric',
        label: listed?.label ?? (row.name ?? '').slice(0, 20),
        diameterMm: diameterMm ?? 1,
        pointAngleDeg: number('angle') ?? 118,
        material: choice('material', MATERIALS, 'hss'),
        condition,
        fluteMm: length('reach'),
        where,
      });
      return;
    }
    file.tools.push({
      id,
      kind,
      name: (row.name ?? '').slice(0, 120),
      diameterMm: length('diameter'),
      smallMm: length('small'),
      stepMm: length('step'),
      angleDeg: number('angle'),
      fit: row.fit || undefined,
      reachMm: length('reach'),
      condition,
      where,
    });
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, 20) };
  if (file.drills.length + file.tools.length === 0)
    return { ok: false, problems: [fileProblem('csv-empty', 'The table has no rows.', 'Write a row for each tool.')] };
  file.understood.push(
    phrase('{drills} drills and {tools} other tools.', { drills: file.drills.length, tools: file.tools.length }),
  );
  return { ok: true, value: file };
}
