import { z } from 'zod';
import { BORE_TOOLS } from '@/core/operation/bore';
import type { OperationEdits } from '@/core/operation/edits';

const key = z.string().min(1).max(60);

/** A user's changes to the operations of one feature. */
export const operationEdits = z.strictObject({
  order: z.array(key).max(100).optional().describe('Keys of operations in the order wanted'),
  dropped: z.array(key).max(100).optional(),
  tool: z.enum(BORE_TOOLS).optional().describe('Tool wanted for a large or thin plain hole'),
  inserted: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({
          key,
          kind: z.literal('drill'),
          drill: z.string().trim().min(1).max(20),
          fullMm: z.number().positive().max(2000),
        }),
        z.strictObject({
          key,
          kind: z.literal('note'),
          text: z.string().trim().min(1).max(200),
          seconds: z.number().min(0).max(36000),
        }),
      ]),
    )
    .max(40)
    .optional(),
  overrides: z
    .record(
      key,
      z.strictObject({
        rpm: z.number().positive().max(200000).optional(),
        feed: z.number().positive().max(10).optional().describe('mm/rev'),
        fullMm: z.number().positive().max(2000).optional().describe('Full-diameter depth from the face'),
        drill: z.string().max(20).optional(),
      }),
    )
    .optional(),
}) satisfies z.ZodType<OperationEdits>;
