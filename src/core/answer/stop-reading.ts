import type { ProblemCode } from './problem-codes';
import { phrase, type Phrase, type Problem } from './answer';

/** Thrown inside a reader to leave it at once; never leaves the reader's own function. */
export class StopReading extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code);
  }
}

/** Stops a reader of one field at a place in its text. */
export function stopReading(
  field: string,
  code: ProblemCode,
  at: { start: number; end: number },
  text: string,
  remedy: string,
  values?: Phrase['values'],
  nearest?: string[],
): never {
  throw new StopReading({ code, field, ...phrase(text, values), remedy: phrase(remedy, values), at, nearest });
}
