import { z } from 'zod';
import type { AskForm } from '@/core/ask/ask-form';

const short = z.string().max(60);

/** A question as it is kept with a job: what was typed, unread. */
export const keptQuestion = z.strictObject({
  callout: z.string().trim().min(1, 'A hole needs a callout, such as M8 x 16 DEEP.').max(200),
  material: short,
  hole: z.enum(['auto', 'through', 'blind']),
  depth: short,
  thickness: short,
  width: short,
  existing: short.default(''),
  drills: short,
  drill: short,
  tap: z.enum(['auto', 'cut', 'form']),
  percent: short,
  machine: short,
  start: z.enum(['auto', 'hand', 'punch', 'centre-drill', 'spot', 'bushing']),
  dry: z.boolean(),
  bolt: short,
  parts: short,
  units: z.enum(['mm', 'inch']),
}) satisfies z.ZodType<AskForm>;

export type KeptQuestion = z.infer<typeof keptQuestion>;
