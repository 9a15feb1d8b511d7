import Papa from 'papaparse';
import { ok, phrase, refuse, type Phrase, type Problem, type Result } from '../answer/answer';
import type { Drill, DrillCondition, DrillMaterial } from '../drills/drill';
import { ALL_DRILLS, drillName, USUAL_POINT_DEG } from '../drills/drill';
import { INSTRUMENTS, type Instrument } from '../shop/instrument-check';
import { TOOL_KINDS, type Tool, type ToolKind } from '../shop/tool';
import { TAP_CENTRES, TAP_CONDITIONS, type OwnTap } from '../tapping/own-tap';
import { TAP_GEOMETRIES, TAP_PLACES, TAP_STEELS, TAP_SURFACES, usualFlutes, type TapSteel } from '../tapping/tap';
import { usualTapFigures } from '../tapping/tap-lengths.table';
import { isTapered, type Thread } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';
import { parseLength, type LengthUnit } from '../units/length';
import { trimmed } from '../units/show';
import { fileProblem, FORMULA_START, unguarded, unreadableFile } from './imported';

/** A drill as a file holds it: with the name of its case. */
export interface CsvDrill extends Drill {
  id?: string;
  case: string;
}
export interface CribFile {
  drills: CsvDrill[];
  tools: (Omit<Tool, 'id'> & { id?: string })[];
  taps: (Omit<OwnTap, 'id'> & { id?: string })[];
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
  'thread',
  'from torque',
  'to torque',
  'instrument',
  'standard',
  'readings',
  'hand',
  'geometry',
  'set',
  'chamfer threads',
  'flutes',
  'ground',
  'surface',
  'overall',
  'thread length',
  'neck',
  'shank',
  'square',
  'centre',
  'holes',
] as const;
type Column = (typeof COLUMNS)[number];
type Row = Partial<Record<Column, string>>;
const MOST_ROWS = 2000;
const CONDITIONS: readonly DrillCondition[] = ['sharp', 'worn', 'blunt', 'lost'];
const INSTRUMENT_KINDS = Object.keys(INSTRUMENTS) as Instrument[];
const MATERIALS: readonly DrillMaterial[] = ['hss', 'cobalt', 'carbide'];

const numeral = (value: number | undefined): string => (value === undefined ? '' : String(value));
const mm = (value: number | undefined): string => (value === undefined ? '' : `${trimmed(value, 4)} mm`);

/** Drills, tools and taps as one table with a row each; lengths carry their unit, cells that a spreadsheet would run are made harmless. */
export function writeCribCsv(
  drills: readonly CsvDrill[],
  tools: readonly Tool[],
  taps: readonly OwnTap[] = [],
): string {
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
      thread: t.thread,
      'from torque': numeral(t.fromNm),
      'to torque': numeral(t.toNm),
      instrument: t.instrument,
      standard: mm(t.standardMm),
      readings: t.readings,
    })),
    ...taps.map((t) => ({
      id: t.id,
      kind: 'tap',
      name: t.thread,
      thread: t.thread,
      hand: t.hand,
      geometry: t.geometry,
      set: t.place,
      'chamfer threads': numeral(t.chamferThreads),
      flutes: numeral(t.flutes),
      material: t.steel,
      ground: t.ground ? 'yes' : 'no',
      fit: t.makesClass,
      surface: t.surface,
      overall: mm(t.overallMm),
      'thread length': mm(t.threadMm),
      neck: mm(t.neckMm),
      shank: mm(t.shankMm),
      square: mm(t.squareMm),
      centre: t.centre,
      condition: t.condition,
      holes: numeral(t.holesDone),
      where: t.where,
    })),
  ];
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((r) => COLUMNS.map((c) => r[c] ?? '')) },
    { newline: '\n', escapeFormulae: FORMULA_START },
  );
}

/** One row of the table, read cell by cell; what is wrong is gathered with its row and column. */
class RowReader {
  readonly problems: Problem[] = [];
  private readonly cells: Row;

  constructor(
    raw: Record<string, string>,
    private readonly number: number,
    private readonly unit: LengthUnit,
  ) {
    this.cells = Object.fromEntries(
      Object.entries(raw).map(([k, v]) => [k, unguarded(typeof v === 'string' ? v : '').trim()]),
    ) as Row;
  }

  text(column: Column): string {
    return this.cells[column] ?? '';
  }

  fault(column: Column, text: string, remedy: string): void {
    const values = { row: this.number, typed: this.text(column) };
    this.problems.push(fileProblem('csv-cell', `Row {row}, ${column}: ${text}`, remedy, values));
  }

  /** In mm; undefined where the cell is empty. */
  length(column: Column): number | undefined {
    const typed = this.text(column);
    if (typed === '') return undefined;
    const read = parseLength(typed, this.unit);
    if (read.ok && read.value.mm > 0 && read.value.mm <= LONGEST_MM) return read.value.mm;
    this.fault(column, '“{typed}” is not a length.', 'Write for example 6.8 or 1/4 in.');
    return undefined;
  }

  /** A number of threads, flutes, holes or Nm; undefined where the cell is empty. */
  count(column: Column): number | undefined {
    return this.text(column) === '0' ? 0 : this.degrees(column);
  }

  degrees(column: Column): number | undefined {
    const typed = this.text(column);
    if (typed === '') return undefined;
    const value = Number(typed.replace(',', '.').replace('°', ''));
    if (Number.isFinite(value) && value > 0) return value;
    this.fault(column, '“{typed}” is not a number above zero.', 'Write a number.');
    return undefined;
  }

  /** A thread as on a drawing. */
  thread(column: Column): Thread | undefined {
    const found = threadNamed(this.text(column));
    if (!found) this.fault(column, '“{typed}” is not a thread.', 'Write it as on a drawing: M8, 1/4-20, 2 BA.');
    return found;
  }

  choice<T extends string>(column: Column, among: readonly T[], usual: T): T {
    const typed = this.text(column).toLowerCase();
    if (typed === '') return usual;
    const found = among.find((a) => a === typed);
    if (!found) this.fault(column, '“{typed}” is not in the list.', `Write one of: ${among.join(', ')}.`);
    return found ?? usual;
  }
}

const LONGEST_MM = 10000;
const KINDS = ['drill', 'tap', ...(Object.keys(TOOL_KINDS) as ToolKind[])] as const;

/** What drills and other tools have in common. */
const shared = (row: RowReader) => ({
  id: row.text('id') || undefined,
  condition: row.choice('condition', CONDITIONS, 'sharp'),
  where: row.text('where').slice(0, 120),
});

function readDrill(row: RowReader): CsvDrill {
  const name = row.text('name');
  const listed = ALL_DRILLS.find((d) => d.label === name || drillName(d) === name);
  const diameterMm = row.length('diameter') ?? listed?.diameterMm;
  if (diameterMm === undefined)
    row.fault('diameter', 'A drill of no listed size needs its diameter.', 'Write it, such as 6.8 mm.');
  return {
    ...shared(row),
    case: row.text('case'),
    series: listed?.series ?? 'metric',
    label: listed?.label ?? name.slice(0, 20),
    diameterMm: diameterMm ?? 1,
    pointAngleDeg: row.degrees('angle') ?? USUAL_POINT_DEG,
    material: row.choice('material', MATERIALS, 'hss'),
    fluteMm: row.length('reach'),
  };
}

const readTool = (row: RowReader, kind: ToolKind): CribFile['tools'][number] => ({
  ...shared(row),
  kind,
  name: row.text('name').slice(0, 120),
  diameterMm: row.length('diameter'),
  smallMm: row.length('small'),
  stepMm: row.length('step'),
  angleDeg: row.degrees('angle'),
  fit: row.text('fit') || undefined,
  reachMm: row.length('reach'),
  thread: row.text('thread') ? row.thread('thread')?.designation : undefined,
  fromNm: row.count('from torque'),
  toNm: row.count('to torque'),
  instrument: row.text('instrument') ? row.choice('instrument', INSTRUMENT_KINDS, 'caliper') : undefined,
  standardMm: row.length('standard'),
  readings: row.text('readings') || undefined,
});

/** A tap; what its row leaves out is as usually made. */
function readTap(row: RowReader): CribFile['taps'][number] | undefined {
  const thread = row.thread(row.text('thread') ? 'thread' : 'name');
  const geometry = row.choice('geometry', TAP_GEOMETRIES, thread && isTapered(thread) ? 'pipe' : 'straight');
  const place = row.choice('set', TAP_PLACES, 'complete');
  const condition = row.choice('condition', TAP_CONDITIONS, 'sharp');
  const common = {
    id: row.text('id') || undefined,
    hand: row.choice('hand', ['right', 'left'] as const, 'right'),
    steel: row.choice('material', Object.keys(TAP_STEELS) as TapSteel[], 'hss'),
    ground: row.choice('ground', ['yes', 'no'] as const, 'yes') === 'yes',
    makesClass: row.text('fit').slice(0, 10) || undefined,
    surface: row.choice('surface', TAP_SURFACES, 'bright'),
    centre: row.choice('centre', TAP_CENTRES, 'male'),
    chamferThreads: row.count('chamfer threads') ?? (geometry === 'straight' || geometry === 'spiral-point' ? 4 : 2.5),
    holesDone: Math.round(row.count('holes') ?? 0),
    where: row.text('where').slice(0, 120),
    overallMm: row.length('overall'),
    threadMm: row.length('thread length'),
    neckMm: row.text('neck').startsWith('0') ? 0 : row.length('neck'),
    shankMm: row.length('shank'),
    squareMm: row.length('square'),
  };
  const flutes = row.count('flutes');
  if (!thread) return undefined;
  const usual = usualTapFigures(thread);
  return {
    ...common,
    ...{ thread: thread.designation, geometry, place, condition },
    flutes: Math.round(flutes ?? usualFlutes(geometry, thread.majorMm)),
    overallMm: common.overallMm ?? usual.overallMm,
    threadMm: common.threadMm ?? usual.threadMm,
    neckMm: common.neckMm ?? usual.neckMm,
    shankMm: common.shankMm ?? usual.shankMm,
    squareMm: common.squareMm ?? usual.squareMm,
  };
}

function tableProblems(headers: readonly string[], rows: number): Problem[] {
  const missing = ['kind', 'name'].filter((column) => !headers.includes(column));
  return [
    ...missing.map((column) =>
      fileProblem('csv-column', 'The column “{column}” is missing.', 'Write a first line with: kind, name, diameter.', {
        column,
      }),
    ),
    ...(rows > MOST_ROWS
      ? [fileProblem('csv-long', 'More than {most} rows.', 'Import one drawer at a time.', { most: MOST_ROWS })]
      : []),
  ];
}

/** Most faults that are listed at once. */
const MOST_FAULTS = 20;

/** Reads such a table: every row or none, each fault with its line and column. @param unit of bare lengths */
export function readCribCsv(text: string, unit: LengthUnit): Result<CribFile> {
  const bad = unreadableFile(text);
  if (bad) return refuse(bad);
  const parsed = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const wrong = tableProblems(parsed.meta.fields ?? [], parsed.data.length);
  if (wrong.length > 0) return refuse(...wrong);
  const drills: CsvDrill[] = [];
  const tools: CribFile['tools'] = [];
  const taps: CribFile['taps'] = [];
  const seen = new Set<string>();
  const problems = parsed.data.flatMap((raw, i) => {
    const row = new RowReader(raw, i + 2, unit);
    const kind = row.choice('kind', KINDS, 'drill');
    const id = row.text('id');
    if (id && seen.has(id)) row.fault('id', '“{typed}” appears twice.', 'Give each row its own id, or none.');
    if (id) seen.add(id);
    if (!row.text('name')) row.fault('name', 'The name is missing.', 'Write the size as stamped, or what it is.');
    if (kind === 'drill') drills.push(readDrill(row));
    else if (kind === 'tap') {
      const tap = readTap(row);
      if (tap) taps.push(tap);
    } else tools.push(readTool(row, kind));
    return row.problems;
  });
  if (problems.length > 0) return refuse(...problems.slice(0, MOST_FAULTS));
  if (drills.length + tools.length + taps.length === 0)
    return refuse(fileProblem('csv-empty', 'The table has no rows.', 'Write a row for each tool.'));
  return ok({
    drills,
    tools,
    taps,
    understood: [
      phrase('{drills} drills, {taps} taps and {tools} other tools.', {
        drills: drills.length,
        taps: taps.length,
        tools: tools.length,
      }),
    ],
  });
}
