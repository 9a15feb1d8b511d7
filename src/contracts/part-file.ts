import { z } from 'zod';
import { MOST_HOLES } from '@/core/layout/place';
import { featureInput, withinLimits } from './job';
import { partSchema } from './part';

/** A part with its features as a file of ours; the schema is published at /api/part-file.schema.json. */
export const partFile = z.strictObject({
  format: z.literal('jolly-bit part'),
  version: z.literal(1),
  name: z.string().max(120),
  part: partSchema,
  features: z.array(featureInput).max(MOST_HOLES).superRefine(withinLimits),
});
export type PartFile = z.infer<typeof partFile>;
