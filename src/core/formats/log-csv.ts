import Papa from 'papaparse';
import { recordWords, type Told } from '../run/record-words';
import { tell, type Display } from '../units/show';
import { FORMULA_START } from './imported';

/** A record with what it is of, as a table shows it. */
export interface LogRow {
  happenedAt: string;
  job: string;
  /** A2; empty where it is of no hole. */
  hole: string;
  callout: string;
  part?: number;
  told: Told;
  who: string;
}

const COLUMNS = ['when', 'job', 'hole', 'callout', 'part', 'what', 'who'];

/** The head of such a table. */
export const LOG_CSV_HEAD = `${COLUMNS.join()}\n`;

/** A log, or some of it, as rows of a table, one a record. */
export const logCsvRows = (rows: readonly LogRow[], display: Display): string =>
  `${Papa.unparse(
    {
      fields: COLUMNS,
      data: rows.map((r) => [
        r.happenedAt,
        r.job,
        r.hole,
        r.callout,
        r.part ?? '',
        tell(recordWords(r.told), display),
        r.who,
      ]),
    },
    { newline: '\n', escapeFormulae: FORMULA_START, header: false },
  )}\n`;
