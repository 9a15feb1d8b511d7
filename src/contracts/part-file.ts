import { z } from 'zod';
import { exitSchema, faceSchema, partSchema, placeSchema } from './part';
import { keptQuestion } from './question';

/** A part with its features as a file of ours; the schema is published at /api/part-file.schema.json. */
export const partFile = z.strictObject({
  format: z.literal('jolly-bit part'),
  version: z.literal(1),
  name: z.string().max(120),
  part: partSchema,
  features: z
    .array(
      z.strictObject({
        id: z.string().regex(/^[\w-]{8,64}$/),
        name: z.string().max(120),
        face: faceSchema,
        place: placeSchema.optional(),
        exit: exitSchema.optional(),
        question: keptQuestion,
      }),
    )
    .max(2500)
    .refine((list) => new Set(list.map((f) => f.id)).size === list.length, { message: 'Two features share an id.' }),
});
export type PartFile = z.infer<typeof partFile>;
