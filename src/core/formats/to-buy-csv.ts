import Papa from 'papaparse';
import { BUY_KINDS, type ToBuy } from '../job/to-buy';
import { tell, type Display } from '../units/show';
import { FORMULA_START } from './imported';

const COLUMNS = ['kind', 'what', 'needed', 'instead', 'for', 'holes'];

/** A list to buy as a table, a row a thing. */
export const writeToBuyCsv = (list: readonly ToBuy[], display: Display): string =>
  `${Papa.unparse(
    {
      fields: COLUMNS,
      data: list.map((x) => [
        BUY_KINDS[x.kind].toLowerCase(),
        tell(x.name, display),
        x.needed ? 'needed' : 'better with',
        x.instead ? tell(x.instead, display) : '',
        x.holes.join('; '),
        x.count,
      ]),
    },
    { newline: '\n', escapeFormulae: FORMULA_START },
  )}\n`;
