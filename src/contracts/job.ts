import { z } from 'zod';
import { USUAL_PART } from '@/core/layout/part';
import { DISPLAYS } from '@/core/units/show';
import { MOST_ZONE_MM } from '@/core/layout/joint-zone';
import { countHoles, MOST_HOLES, type Placed } from '@/core/layout/place';
import { exitSchema, faceSchema, partSchema, placeSchema } from './part';
import { keptQuestion } from './question';
import { routeSettings } from './route';
import { operationEdits } from './operation-edits';
import { rowId } from './text';

export const versionNumber = z.number().int().min(1);

/** A hole or pattern of a job, whole: in jobs, changes and part files alike. */
export const featureInput = z.strictObject({
  id: rowId.describe('Unique within its job'),
  letter: z
    .string()
    .regex(/^[A-Z]{1,3}$/, 'A letter is A to Z, then AA.')
    .optional()
    .describe('Given once and for good; left out, or taken already, the next free one is given'),
  position: z.number().min(-1e9).max(1e9).optional().describe('Place in the list, lower first'),
  name: z.string().trim().max(120),
  question: keptQuestion,
  face: faceSchema.default('top'),
  place: placeSchema.optional().describe('Left out: not laid out yet'),
  edits: operationEdits.optional().describe("The user's changes to its operations"),
  exit: exitSchema.optional().describe('Angled holes: how far across the far end lies, mm'),
  zoneMm: z
    .number()
    .positive('A zone is above zero.')
    .max(MOST_ZONE_MM, `A zone is at most ${MOST_ZONE_MM} mm.`)
    .optional()
    .describe('Position zone of the drawing, a diameter, mm; left out: what the joint leaves'),
  meets: rowId.optional().describe('Feature of this job whose bore it is meant to run into'),
  version: versionNumber.optional().describe('As read; it is not written'),
});
export type FeatureInput = z.infer<typeof featureInput>;

/** Adds an issue when features have more holes than a job may have, or two share an id; nothing is expanded for it. */
export function withinLimits(features: readonly Placed[], ctx: z.RefinementCtx): void {
  const total = countHoles(features);
  if (total > MOST_HOLES)
    ctx.addIssue({
      code: 'custom',
      message: `With its patterns this job has ${total} holes; at most ${MOST_HOLES}. Split it into two jobs.`,
    });
  if (new Set(features.map((f) => f.id)).size < features.length)
    ctx.addIssue({ code: 'custom', message: 'Two features share an id.' });
}

const onPaper = z.string().trim().max(60, 'At most 60 characters.');
/** What a customer asks to see on the papers of a job. */
export const jobPapers = z.strictObject({
  drawing: onPaper.optional().describe('Number of the drawing'),
  revision: onPaper.optional(),
  order: onPaper.optional(),
  partNumber: onPaper.optional(),
  bar: onPaper.optional().describe('Bar or heat that the metal comes from'),
  serial: onPaper.optional().describe('Of the first part; the digits at its end count up'),
});
export type JobPapers = z.infer<typeof jobPapers>;

export const headFields = {
  name: z.string().trim().min(1, 'Enter a name for the job.').max(120, 'A name has at most 120 characters.'),
  materialId: z.string().min(1, 'Pick the metal.').max(80),
  quantity: z
    .number('Enter how many parts.')
    .int('A whole number of parts.')
    .min(1, 'At least one part.')
    .max(100000, 'At most 100000 parts.'),
  notes: z.string().max(4000, 'Notes have at most 4000 characters.'),
  route: routeSettings.optional().describe('What the user has decided of its route'),
  papers: jobPapers.optional().describe('Drawing, revision, order, part and serial, as the papers print them'),
  units: z.enum(DISPLAYS).optional().describe('Unit that it is shown and typed in; left out: that of the shop'),
};

/** Fields of the head that may be left out; in a change null empties them. */
export const MAYBE_HEAD = ['units', 'route', 'papers'] as const;
export type MaybeHead = (typeof MAYBE_HEAD)[number];

/** A job as it is sent whole. */
export const jobInput = z.strictObject({
  id: rowId,
  ...headFields,
  notes: headFields.notes.default(''),
  part: partSchema.default(USUAL_PART),
  holes: z.array(featureInput).max(MOST_HOLES).superRefine(withinLimits),
});
export type JobInput = z.infer<typeof jobInput>;

/** What a job has beside its id and its features: the one list, for columns, documents, changes and copies. */
export const HEAD_FIELDS = [...(Object.keys(headFields) as (keyof typeof headFields)[]), 'part'] as const;
export type JobHeadFields = Pick<JobInput, (typeof HEAD_FIELDS)[number]>;

/** The head of a job. */
export const headOf = (job: JobHeadFields): JobHeadFields =>
  Object.fromEntries(HEAD_FIELDS.map((field) => [field, job[field]])) as unknown as JobHeadFields;

const asRead = z.unknown().describe('As read; it is not written');
/** A whole job in place of the one that is there, made from its version; a job as it was read can be sent back. */
export const jobReplacement = jobInput.extend({
  version: versionNumber,
  headVersion: asRead.optional(),
  nextLetter: asRead.optional(),
  createdAt: asRead.optional(),
  updatedAt: asRead.optional(),
});
export type JobReplacement = z.infer<typeof jobReplacement>;

export const jobFeature = featureInput.required({ letter: true, position: true, version: true });
export type JobFeature = z.infer<typeof jobFeature>;

export const jobDocument = jobInput.extend({
  holes: z.array(jobFeature),
  version: versionNumber.describe('Rises with every change of the job or of a feature'),
  headVersion: versionNumber.describe('Rises with every change of what is not a feature'),
  nextLetter: z.string().describe('The next feature that is added gets this letter'),
  createdAt: z.string(),
  updatedAt: z.string(),
});
export type Job = z.infer<typeof jobDocument>;

/** A job in a list: without its features. */
export const listedJob = jobDocument
  .pick({
    id: true,
    version: true,
    name: true,
    materialId: true,
    quantity: true,
    notes: true,
    units: true,
    updatedAt: true,
  })
  .extend({ features: z.number().int().describe('How many features it has') });
export type ListedJob = z.infer<typeof listedJob>;

/** Jobs of one page. */
export const JOBS_PER_PAGE = 50;
export const jobQuery = z.strictObject({
  search: z.string().max(200).optional().describe('Words of name, notes, metal and callouts; all must be there'),
  page: z.coerce.number('A page is a number from 1.').int().min(1).max(100000).default(1),
});
export const jobPage = z.object({
  jobs: z.array(listedJob),
  page: z.number().int(),
  pages: z.number().int().describe(`Of ${JOBS_PER_PAGE} jobs each`),
  total: z.number().int(),
});
export type JobPage = z.infer<typeof jobPage>;
