import Papa from 'papaparse';
import { FORMULA_START } from './imported';

/** What a column of a table of holes may hold. */
export const COLUMN_FIELDS = {
  callout: 'Callout',
  size: 'Size: thread or diameter',
  depth: 'Depth',
  x: 'X',
  y: 'Y',
  name: 'Name',
} as const;
export type ColumnField = keyof typeof COLUMN_FIELDS;

/** Which heading of a table holds what. */
export type ColumnMap = Partial<Record<ColumnField, string>>;

/** Words that people head such columns with, plain and without accents. */
const HEADED: Record<ColumnField, RegExp> = {
  callout: /^(callout|hole|feature|bohrung|percage|agujero|foro|otvor)$/,
  size: /^(size|thread|gewinde|filetage|rosca|filettatura|zavit|d|dia|diam|diameter|o|durchmesser|diametre|diametro|groesse|grosse|taille|medida)$/,
  depth: /^(depth|deep|tiefe|profondeur|prof|profundidad|profondita|t|z)$/,
  x: /^(x|pos ?x|x ?pos|x ?coord.*|abscisse|laengs)$/,
  y: /^(y|pos ?y|y ?pos|y ?coord.*|ordonnee|quer)$/,
  name: /^(name|no|nr|id|label|mark|bezeichnung|benennung|nom|repere|nombre|nome|nazev|description|designation)$/,
};

/** A heading as it is compared: lower case, without accents, unit and signs. */
const plain = (heading: string): string =>
  heading
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[øØ⌀∅]/g, 'o')
    .replace(/_/g, ' ')
    .replace(/[([ ]*\b(mm|in|inch)\b[)\]]*$/, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

const unitOf = (heading: string): 'mm' | 'in' | undefined => {
  const unit = /\b(mm|in|inch)\b[)\]]*\s*$/i.exec(heading.replace(/_/g, ' '))?.[1].toLowerCase();
  return unit === undefined ? undefined : unit === 'mm' ? 'mm' : 'in';
};

/** A table with its headings and its first rows as they stand. */
export interface TableHead {
  headings: string[];
  rows: string[][];
}

/** The headings of a table and its first rows. @param count rows that are shown */
export function tableHead(text: string, count = 4): TableHead {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), {
    preview: count + 1,
    skipEmptyLines: 'greedy',
  });
  const [headings = [], ...rows] = data;
  return { headings: headings.map((h) => h.trim()), rows };
}

/**
 * What the headings of a table seem to hold, in whatever order and several languages; each heading once.
 * @example guessColumns(['Nr.', 'X (mm)', 'Tiefe']) // { x: 'X (mm)', depth: 'Tiefe' }
 */
export function guessColumns(headings: readonly string[]): ColumnMap {
  const map: ColumnMap = {};
  for (const field of Object.keys(HEADED) as ColumnField[]) {
    const heading = headings.find((h) => HEADED[field].test(plain(h)) && !Object.values(map).includes(h));
    if (heading !== undefined) map[field] = heading;
  }
  return map;
}

/** Whether a map says enough: what each hole is, and where. */
export const isEnough = ({ callout, size, x, y }: ColumnMap): boolean =>
  (callout ?? size) !== undefined && (x === undefined) === (y === undefined);

/** A bare number is a diameter; anything else stands as a thread or callout. */
const sizeWords = (size: string): string => (/^[\d.,/ -]+(mm|in|")?$/i.test(size) ? `ø${size}` : size);

function calloutFrom(row: Record<string, string>, { callout, size, depth }: ColumnMap): string {
  const cell = (heading: string | undefined): string => (heading === undefined ? '' : (row[heading] ?? '').trim());
  const what = cell(callout) || (cell(size) && sizeWords(cell(size)));
  const deep = cell(depth);
  if (what === '' || deep === '') return what;
  if (/^(thru|through|durch|debouchant|pasante|passante|-)$/i.test(deep.normalize('NFD').replace(/\p{M}/gu, '')))
    return `${what} THRU`;
  const unit = depth === undefined || /[a-z"]/i.test(deep) ? '' : (unitOf(depth) ?? '');
  return `${what} x ${deep}${unit ? ` ${unit}` : ''} DEEP`;
}

/** A table with other headings as one that is read by ours: `name`, `callout`, `x`, `y`, units kept. */
export function withOurColumns(text: string, map: ColumnMap): string {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, '').trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
  });
  const placed = (['x', 'y'] as const).flatMap((axis) => {
    const heading = map[axis];
    const unit = heading && unitOf(heading);
    return heading === undefined ? [] : [{ heading, ours: unit ? `${axis}_${unit}` : axis }];
  });
  const rows = data.map((row) => ({
    ...(map.name === undefined ? {} : { name: row[map.name] ?? '' }),
    callout: calloutFrom(row, map),
    ...Object.fromEntries(placed.map(({ heading, ours }) => [ours, row[heading] ?? ''])),
  }));
  return Papa.unparse(rows, { newline: '\n', escapeFormulae: FORMULA_START });
}
