import { problem, refuse, type Phrase, type Result } from '../../answer/answer';

/** A class that a standard does not have. */
export const noClass = (text: string, remedy: string, values: Phrase['values'], nearest?: string[]): Result<never> =>
  refuse(problem('class', 'callout', text, remedy, values, { nearest }));
