import { z } from 'zod';

/** A reading of an instrument, as its line. */
export const instrumentLine = z.strictObject({
  line: z.string().min(1).max(200).describe('Name, what, value, unit: “caliper size 8.52 mm”'),
});
export const instrumentPassed = z.object({
  line: z.string().describe('In mm, Nm or turns'),
  heardBy: z.number().int().describe('Pages that listen'),
});
