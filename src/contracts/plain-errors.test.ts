import { z } from 'zod';
import './plain-errors';

test.each([
  [z.number().max(200000), 999999, 'At most 200000.'],
  [z.number().positive(), 0, 'Above 0.'],
  [z.number().int(), 1.5, 'This has to be a whole number.'],
  [z.number(), 'x', 'This has to be a number.'],
  [z.string().max(3), 'four', 'At most 3 characters.'],
  [z.string(), undefined, 'Required.'],
  [z.enum(['up', 'down']), 'left', 'One of: up, down.'],
  [z.array(z.string()).min(1), [], 'At least 1 of them.'],
  [z.number().max(5, 'Five parts at most.'), 9, 'Five parts at most.'],
] as [z.ZodType, unknown, string][])('%#: %j says %s', (schema, value, said) => {
  const read = schema.safeParse(value);
  expect(read.success ? [] : read.error.issues.map((i) => i.message)).toEqual([said]);
});
