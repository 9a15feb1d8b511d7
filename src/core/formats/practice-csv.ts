import Papa from 'papaparse';
import { MISTAKES } from '../practice/exercise';
import type { Practised } from '../practice/learner';
import { FORMULA_START } from './imported';

const COLUMNS = ['when', 'who', 'exercise', 'right', 'hints', 'seconds', 'about', 'job'];

/** What was practised as a table, a row an exercise. @param jobName what a job is called; its id where that is not known */
export const writePracticeCsv = (
  rows: readonly Practised[],
  jobName: (id: string) => string | undefined = () => undefined,
): string =>
  `${Papa.unparse(
    {
      fields: COLUMNS,
      data: rows.map((r) => [
        r.at,
        r.who,
        r.kind,
        r.right ? 'yes' : 'no',
        r.hints,
        r.seconds,
        MISTAKES[r.mistake],
        r.jobId === undefined ? '' : (jobName(r.jobId) ?? r.jobId),
      ]),
    },
    { newline: '\n', escapeFormulae: FORMULA_START },
  )}\n`;
