import { z } from 'zod';
import { FAULTS } from '@/core/rehearsal/rehearse-job';

/** Asks for a job to be rehearsed; the same seed gives the same answer. */
export const rehearsalRequest = z.strictObject({
  jobs: z
    .number()
    .int()
    .min(20, 'At least 20 jobs.')
    .max(20_000, 'At most 20000 jobs.')
    .default(2000)
    .describe('How often it is made; fewer where the job is large'),
  seed: z.number().int().min(0).max(0x7fffffff).default(1),
});
export type RehearsalRequest = z.infer<typeof rehearsalRequest>;

const count = z.number().int();
const faults = z.record(z.enum(FAULTS), count);

/** How a job would come out, over so many such jobs. */
export const rehearsalResult = z.object({
  jobs: count.describe('Rehearsed'),
  seed: count,
  clean: count.describe('All good at the first go'),
  cleanShare: z.object({ from: z.number(), to: z.number() }).describe('Nineteen times in twenty, 0 to 1'),
  with: faults.describe('Jobs with each fault'),
  often: faults.describe('How often each happened in all'),
  badParts: count,
  parts: count,
  blanks: count.optional().describe('To cut to be 95 % sure of enough good parts; left out where no number is enough'),
  minutes: z.object({ half: z.number(), most: z.number() }).describe('In which half, and nineteen of twenty, are done'),
});
export type RehearsalResult = z.infer<typeof rehearsalResult>;
