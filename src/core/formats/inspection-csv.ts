import Papa from 'papaparse';
import type { InspectionRow } from '../run/inspection-rows';
import { showText, tell, type Display } from '../units/show';
import { serialOf } from '../run/serial';
import { FORMULA_START } from './imported';

const COLUMNS = [
  ...['part', 'serial', 'hole', 'first', 'check', 'limits', 'read', 'verdict', 'reason'],
  ...['decision', 'accepted', 'instrument', 'who', 'time'],
];
export const VERDICT_WORD = { good: 'good', bad: 'not good', open: 'not settled' } as const;

/** Figures of a row in words: turns it enters 8, X 12.34 mm. */
export const readText = ({ read }: InspectionRow, display: Display): string =>
  read.map(({ label, value, unit }) => `${label} ${showText({ value, unit }, display)}`).join('; ');

/** So many rows of a table are written at once. */
const ROWS = 500;

/** An inspection sheet as a table, a row for everything that was gauged; in pieces, so that a server can do other work between two. */
export function* writeInspectionCsv(
  rows: readonly InspectionRow[],
  display: Display,
  serial?: string,
): Generator<string, void> {
  yield `${COLUMNS.join(',')}\n`;
  for (let at = 0; at < rows.length; at += ROWS) yield `${piece(rows.slice(at, at + ROWS), display, serial)}\n`;
}

function piece(rows: readonly InspectionRow[], display: Display, serial: string | undefined): string {
  const data = rows.map((r) => [
    r.part,
    serial ? serialOf(serial, r.part) : '',
    r.hole,
    r.isFirst ? 'first' : '',
    r.check,
    tell(r.limits, display),
    readText(r, display),
    VERDICT_WORD[r.verdict],
    tell(r.reason, display),
    r.decision ?? '',
    r.accepted ?? '',
    r.instrument ?? '',
    r.who ?? '',
    r.at,
  ]);
  return Papa.unparse(data, { newline: '\n', escapeFormulae: FORMULA_START });
}
