import { z } from 'zod';

/** One field that is wrong: what, where, and what to do. */
export const fieldError = z.object({
  field: z.string().describe('Name or path of the field in the request'),
  code: z.string().describe('Stable name of the fault'),
  detail: z.string().describe('What is wrong'),
  remedy: z.string().describe('What to do about it'),
  at: z
    .object({ start: z.number().int(), end: z.number().int() })
    .optional()
    .describe('Characters of the field that are meant, end exclusive'),
  nearest: z.array(z.string()).optional().describe('Readings that may have been meant'),
});

/** RFC 9457 problem document. */
export const problemDocument = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(fieldError).optional(),
  partial: z.unknown().optional().describe('The rest of an answer where only one figure can’t be given'),
});

export type FieldError = z.infer<typeof fieldError>;
export type ProblemDocument = z.infer<typeof problemDocument>;
