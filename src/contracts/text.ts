import { z } from 'zod';
import { CONTROL, isName, repaired } from '@/core/answer/sound-text';

/** Longest text that any field takes, characters: a photograph as a data address. */
export const MOST_TEXT = 800_000;

/** Nothing that is sent has so many levels. */
const MOST_NESTED = 40;

/** Something in a text that cannot be mended without guessing. */
export interface TextFault {
  path: (string | number)[];
  code: 'control-character' | 'text-long' | 'no-name' | 'nested';
  detail: string;
  remedy: string;
}

function faultOf(text: string, path: (string | number)[]): TextFault | undefined {
  if (text.length > MOST_TEXT)
    return { path, code: 'text-long', detail: `At most ${MOST_TEXT} characters.`, remedy: 'Send less.' };
  const found = CONTROL.exec(text);
  if (!found) return undefined;
  const sign = `U+${found[0].charCodeAt(0).toString(16).toUpperCase().padStart(4, '0')}`;
  return {
    path,
    code: 'control-character',
    detail: `There is a control character (${sign}) at place ${found.index + 1}.`,
    remedy: 'Leave it out.',
  };
}

/**
 * Every text in a value as it is kept, keys too; nothing else is touched.
 * @param faults gets what cannot be mended, with where it stands
 */
export function textIn(value: unknown, faults: TextFault[], path: (string | number)[] = []): unknown {
  if (typeof value === 'string') {
    const fault = faultOf(value, path);
    if (fault) faults.push(fault);
    return repaired(value);
  }
  if (path.length > MOST_NESTED) {
    faults.push({
      path: path.slice(0, 3),
      code: 'nested',
      detail: 'There is too much within one another.',
      remedy: 'Send it flatter.',
    });
    return null;
  }
  if (Array.isArray(value)) return value.map((one, i) => textIn(one, faults, [...path, i]));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => {
      const fault = isName(key)
        ? faultOf(key, [...path, key])
        : {
            path: [...path, key],
            code: 'no-name' as const,
            detail: 'There is no such field.',
            remedy: 'Leave it out.',
          };
      if (fault) faults.push(fault);
      return [repaired(key), textIn(one, faults, [...path, key])];
    }),
  );
}

export const NOT_A_NAME = 'Use another: this word means something else here.';

/** Ids are made by whoever creates the row. */
export const rowId = z
  .string()
  .regex(/^[\w-]{8,64}$/, 'An id is 8 to 64 letters, digits, - or _.')
  .refine(isName, NOT_A_NAME);

/** Years in which a shop works; a clock that was never set tells 1970. */
const [FIRST, LAST] = ['1970', '2199'];
const withinYears = (text: string): boolean => {
  const year = new Date(text).getUTCFullYear();
  return year >= Number(FIRST) - 1 && year <= Number(LAST);
};
const YEARS = `A day from ${FIRST} to ${LAST}.`;

/** A day such as 2026-12-24. */
// eslint-disable-next-line no-restricted-syntax -- the one place
export const day = z.iso.date('A date such as 2026-12-24.').refine(withinYears, YEARS);
/** A moment such as 2026-12-24T08:00:00+01:00. */
// eslint-disable-next-line no-restricted-syntax -- the one place
export const moment = z.iso.datetime({ offset: true }).refine(withinYears, YEARS);
/** A moment by a clock that may be wrong by any amount: what it tells is put right, never refused. */
// eslint-disable-next-line no-restricted-syntax -- the one place
export const clockMoment = z.iso.datetime({ offset: true });
