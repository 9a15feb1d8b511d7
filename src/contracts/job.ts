import { z } from 'zod';
import { USUAL_PART } from '@/core/layout/part';
import { countHoles, MOST_HOLES } from '@/core/layout/place';
import { exitSchema, faceSchema, partSchema, placeSchema } from './part';
import { keptQuestion } from './question';
import { operationEdits } from './operation-edits';

const rowId = z.string().regex(/^[\w-]{8,64}$/, 'An id is 8 to 64 letters, digits, - or _.');

export const jobHoleInput = z.strictObject({
  id: rowId,
  name: z.string().trim().max(120),
  question: keptQuestion,
  face: faceSchema.default('top'),
  place: placeSchema.optional().describe('Left out: not laid out yet'),
  edits: operationEdits.optional().describe("The user's changes to its operations"),
  exit: exitSchema.optional().describe('Angled holes: how far across the far end lies, mm'),
});

/** A job as a browser sends it; ids are made by whoever creates the row. */
export const jobInput = z.strictObject({
  id: rowId,
  name: z.string().trim().min(1, 'Give the job a name.').max(120, 'A name has at most 120 characters.'),
  materialId: z.string().max(80),
  quantity: z
    .number('Type how many parts.')
    .int('Parts are whole.')
    .min(1, 'At least one part.')
    .max(100000, 'At most 100000 parts.'),
  notes: z.string().max(4000).default(''),
  part: partSchema.default(USUAL_PART),
  holes: z
    .array(jobHoleInput)
    .max(MOST_HOLES)
    .superRefine((holes, ctx) => {
      const total = countHoles(holes);
      if (total > MOST_HOLES)
        ctx.addIssue({
          code: 'custom',
          message: `With its patterns this job has ${total} holes; at most ${MOST_HOLES}. Split it into two jobs.`,
        });
    }),
});
export type JobInput = z.infer<typeof jobInput>;
export type JobHoleInput = z.infer<typeof jobHoleInput>;

/** A change carries the version that it was made from. */
export const jobChange = jobInput.extend({ version: z.number().int().min(1) });
export type JobChange = z.infer<typeof jobChange>;

export const versionOnly = z.strictObject({ version: z.number().int().min(1) });

export interface Job extends JobInput {
  version: number;
  createdAt: string;
  updatedAt: string;
}
