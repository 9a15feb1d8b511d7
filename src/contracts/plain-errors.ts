import { z } from 'zod';

const KINDS: Record<string, string> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'a group of fields',
  date: 'a date',
};

const characters = (n: number | bigint): string => (Number(n) === 1 ? '1 character' : `${n} characters`);

/** What is wrong with a value, as somebody would say it across a bench; a schema's own words go before these. */
export function plainError(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined ? 'Required.' : `This has to be ${KINDS[issue.expected] ?? issue.expected}.`;
    case 'too_big':
      if (issue.origin === 'string') return `At most ${characters(issue.maximum)}.`;
      return issue.origin === 'array'
        ? `At most ${issue.maximum} of them.`
        : `${issue.inclusive === false ? 'Under' : 'At most'} ${issue.maximum}.`;
    case 'too_small':
      if (issue.origin === 'string') return `At least ${characters(issue.minimum)}.`;
      return issue.origin === 'array'
        ? `At least ${issue.minimum} of them.`
        : `${issue.inclusive === false ? 'Above' : 'At least'} ${issue.minimum}.`;
    case 'invalid_value':
      return `One of: ${issue.values.map(String).join(', ')}.`;
    case 'unrecognized_keys':
      return 'There is no such field.';
    case 'invalid_format':
      return 'This can’t be read as it is written.';
    case 'not_multiple_of':
      return `A multiple of ${issue.divisor}.`;
    default:
      return undefined;
  }
}

z.config({ customError: plainError });
