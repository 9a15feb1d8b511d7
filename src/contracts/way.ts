import { z } from 'zod';
import { partSchema } from './part';

const count = z.number().int().min(0);

/** How far a job is, view by view. */
export const wayState = z.object({
  part: partSchema,
  features: count,
  unplaced: count.describe('Features without a place'),
  kinds: count.describe('Kinds of holes'),
  holes: count.describe('Holes in one part'),
  impossible: count.describe('Kinds that cannot be made as drawn'),
  scribed: count.describe('Lines scribed'),
  punched: count.describe('Holes punched'),
  issued: z.object({ number: count, current: z.boolean().describe('The job is as it was then') }).optional(),
  bench: z
    .object({
      done: count,
      steps: count,
      waiting: count.describe('Holes that wait for a decision'),
      ungauged: count.optional().describe('Holes made with nothing gauged'),
      next: z.string().optional(),
      inHand: z
        .object({
          part: count,
          made: z
            .record(z.string(), z.array(count))
            .describe('Numbers of the holes with nothing left to cut, by feature'),
          done: z.record(z.string(), count).describe('Operations done, by kind'),
        })
        .optional()
        .describe('The part in hand'),
    })
    .optional(),
  records: count,
});
export type WayState = z.infer<typeof wayState>;
