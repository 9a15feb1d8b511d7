import { z } from 'zod';
import type { CuttingQuestion } from '@/core/job/cutting-list';
import type { RouteEdits } from '@/core/route/route';
import { ORDER_REASONS } from '@/core/route/work-item';
import { day } from './text';

const key = z.string().max(160);
const keys = z.array(key).max(400);
const mm = z.number().min(0).max(100000);

/** What the user has decided of a route: kept with the job. */
export const routeSettings = z.strictObject({
  order: z.record(key, keys).optional().describe('Keys of visits in the order wanted, by set-up'),
  pinned: keys.optional(),
  mode: z.record(key, z.enum(['part', 'operation'])).optional(),
  joined: keys.optional(),
  splits: keys.optional(),
  first: z
    .record(key, z.boolean())
    .optional()
    .describe('Groups of like holes, by the id of their first feature: one goes through to the gauge first, or none'),
  after: z
    .array(
      z.strictObject({
        first: key,
        then: key,
        why: z.enum(Object.keys(ORDER_REASONS) as [keyof typeof ORDER_REASONS, ...(keyof typeof ORDER_REASONS)[]]),
      }),
    )
    .max(200)
    .optional()
    .describe('Features that wait for others'),
  cuts: z
    .array(
      z.strictObject({
        id: key,
        name: z.string().trim().min(1, 'Name the cut.').max(80),
        minutes: z.number().min(0).max(10000),
        first: keys.optional(),
        finish: keys.optional().describe('Features whose last tap waits for the cut'),
        then: keys.optional(),
      }),
    )
    .max(20)
    .optional()
    .describe('Cuts that come between: sawn apart, then finished'),
  checkEvery: z
    .number()
    .int()
    .min(1, 'At least 1.')
    .max(10000)
    .optional()
    .describe('Every how many parts a hole is gauged; first and last always'),
  deadline: day.optional(),
  hoursPerDay: z.number().positive('Above zero.').max(24, 'At most 24.').optional(),
  spare: z.number().int().min(0).max(10000).optional().describe('Blanks cut beyond the parts, for what is spoiled'),
  cutting: z
    .strictObject({
      pieceMm: mm,
      kerfMm: mm,
      facingMm: mm,
      stock: z.array(z.strictObject({ lengthMm: mm, count: z.number().int().min(0).max(10000).optional() })).max(40),
    })
    .optional(),
}) satisfies z.ZodType<RouteEdits & { cutting?: Omit<CuttingQuestion, 'pieces'> }>;
export type RouteSettings = z.infer<typeof routeSettings>;
