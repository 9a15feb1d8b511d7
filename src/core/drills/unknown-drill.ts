import type { ProblemCode } from '../answer/problem-codes';
import { problem, type Problem } from '../answer/answer';

/** Why a typed drill cannot be read, with what to write. */
export const unknownDrill = (code: ProblemCode, field: string, typed: string): Problem =>
  problem(code, field, '“{typed}” is not a drill that is made.', 'Write its size as stamped: 6.8, 17/64, #7 or F.', {
    typed,
  });
