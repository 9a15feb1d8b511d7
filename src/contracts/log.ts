import { z } from 'zod';
import { LOG_KINDS, type LogKind } from '@/core/run/log-words';
import { recordKept } from './record';
import { day } from './text';

const kinds = Object.keys(LOG_KINDS) as [LogKind, ...LogKind[]];

export const logQuery = z.strictObject({
  q: z
    .string()
    .max(200)
    .default('')
    .describe('Words, all of which a record has to have: broken, last M6 in stainless, D1 pier'),
  kind: z.enum(kinds).optional(),
  job: z.string().max(100).optional().describe('Id of a job'),
  metal: z.string().max(100).optional().describe('Id of a material'),
  tool: z.string().max(200).optional().describe('A drill or tap, as /api/v1/tools names it'),
  from: day.optional().describe('First day'),
  to: day.optional().describe('Last day'),
  page: z.coerce.number().int().min(1).max(100_000).default(1),
});
export type LogQuery = z.infer<typeof logQuery>;

/** The query of an address; what cannot be read of it is left out, so that a page always opens. */
export function logQueryOf({ q, kind, metal, tool, from, to }: Record<string, unknown>, job?: string): LogQuery {
  const read = logQuery.safeParse({ q, kind, metal, tool, from, to, job });
  return read.success ? read.data : logQuery.parse({ job });
}

const logEntry = z.object({
  record: recordKept,
  job: z.object({ id: z.string(), name: z.string(), materialId: z.string() }).optional(),
  hole: z.object({ letter: z.string(), callout: z.string() }).optional().describe('The feature that it is of'),
});
export type LogEntry = z.infer<typeof logEntry>;

/** A page of what happened in the shop, what arrived last first. */
export const logPage = z.object({ entries: z.array(logEntry), more: z.boolean() });
export type LogPage = z.infer<typeof logPage>;
