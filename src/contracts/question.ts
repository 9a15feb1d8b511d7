import { z } from 'zod';
import { HOLE_CHOICES, START_CHOICES, TAP_CHOICES, type AskForm } from '@/core/hole/form';
import { DISPLAYS } from '@/core/units/show';

const short = z.string().max(60);

/** A question as it is kept with a job: what was typed, unread. */
export const keptQuestion = z.strictObject({
  callout: z.string().trim().min(1, 'A hole needs a callout, such as M8 x 16 DEEP.').max(200),
  material: short,
  hole: z.enum(HOLE_CHOICES),
  depth: short,
  thickness: short,
  width: short,
  existing: short.default(''),
  drills: short,
  drill: short,
  tap: z.enum(TAP_CHOICES),
  percent: short,
  machine: short,
  start: z.enum(START_CHOICES),
  dry: z.boolean(),
  bolt: short,
  parts: short,
  units: z.enum(DISPLAYS),
  coreVersion: z.string().max(20).optional().describe('Version of the rules that answered it when it was saved'),
}) satisfies z.ZodType<AskForm>;

export type KeptQuestion = z.infer<typeof keptQuestion>;
