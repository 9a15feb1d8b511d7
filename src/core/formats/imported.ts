import type { ProblemCode } from '../answer/problem-codes';
import { problem, type Phrase, type Problem } from '../answer/answer';

/** Largest file read, characters. */
export const MOST_CHARACTERS = 8_000_000;
export const MOST_FEATURES = 2500;

export const fileProblem = (code: ProblemCode, text: string, remedy: string, values?: Phrase['values']): Problem =>
  problem(code, 'file', text, remedy, values);

/** Refuses what no text file of ours or anybody's drawing can be: empty, too large, not text. */
export function unreadableFile(text: string): Problem | undefined {
  if (text.trim() === '') return fileProblem('file-empty', 'The file is empty.', 'Pick another file.');
  if (text.length > MOST_CHARACTERS)
    return fileProblem('file-large', 'The file is larger than {most} MB.', 'Import one part at a time.', {
      most: MOST_CHARACTERS / 1_000_000,
    });
  // Text files hold no control characters but tab and line ends.
  if ([...text.slice(0, 20000)].some((c) => c < '\t' || (c > '\r' && c < '\u001b')))
    return fileProblem(
      'file-binary',
      'This is not a text file.',
      'Save it as text: CSV, JSON, or DXF in its text form.',
    );
  return undefined;
}

/**
 * Starts that a spreadsheet takes for a formula, with what it skips before them and the full-width signs; such a cell is
 * written with an apostrophe before it, one more where it has some already.
 */
export const FORMULA_START = /^'*[\s\p{Cc}]*[=+\-@\uff1d\uff0b\uff0d\uff20]|^'*[\t\r\n]/u;

/** A cell without the apostrophe that guards it against being a formula. */
export const unguarded = (cell: string): string =>
  cell.startsWith("'") && FORMULA_START.test(cell.slice(1)) ? cell.slice(1) : cell;
