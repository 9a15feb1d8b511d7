import { z } from 'zod';
import { LEARNED_FIGURES } from '@/core/answer/estimate';

const figure = z.enum(LEARNED_FIGURES);
const spread = {
  typical: z.number().describe('Before anything was measured'),
  mean: z.number(),
  low: z.number().describe('In nine of ten cases the next one lies from here'),
  high: z.number().describe('to here'),
};

/** One level of a figure, as it was learned. */
export const learnedLevel = z.object({
  level: z.string(),
  words: z.string(),
  n: z.number().int(),
  ...spread,
  since: z.string(),
  aside: z.string().optional().describe('Not used: why'),
});
export type LearnedRow = z.infer<typeof learnedLevel>;

/** What the shop has learned, figure by figure. */
export const learnedPage = z.object({
  figures: z.array(
    z.object({
      figure,
      title: z.string(),
      says: z.string(),
      unit: z.string(),
      aside: z.string().optional(),
      levels: z.array(learnedLevel),
    }),
  ),
  changes: z
    .array(
      z.object({
        jobId: z.string(),
        job: z.string(),
        letter: z.string(),
        callout: z.string(),
        was: z.string(),
        is: z.string(),
      }),
    )
    .describe('Holes of open jobs that are drilled otherwise by it'),
});
export type LearnedPage = z.infer<typeof learnedPage>;

export const readingsQuery = z.strictObject({ figure, level: z.string().min(1).max(300) });

/** The readings of one level in the order in which they were made. */
export const readingsPage = z.object({
  figure,
  level: z.string(),
  words: z.string(),
  unit: z.string(),
  ...spread,
  n: z.number().int(),
  aside: z.string().optional(),
  band: z.object({ from: z.number(), to: z.number(), label: z.string() }).optional(),
  limits: z.object({ from: z.number(), to: z.number() }).optional().describe('Three sigma of the process itself'),
  signals: z.array(
    z.object({
      says: z.string(),
      means: z.string(),
      from: z.number().int(),
      at: z.number().int(),
      to: z.number().int(),
    }),
  ),
  readings: z.array(
    z.object({
      recordId: z.string(),
      jobId: z.string(),
      job: z.string(),
      hole: z.string(),
      featureId: z.string(),
      holeNumber: z.number().int(),
      part: z.number().int(),
      happenedAt: z.string(),
      who: z.string().optional(),
      value: z.number(),
      weight: z.number().describe('1; less for one that lies far out'),
      aside: z.string().optional(),
      changed: z.string().optional().describe('The tool was sharpened or renewed before it'),
    }),
  ),
});
export type ReadingsPage = z.infer<typeof readingsPage>;

/** Leaves something out of what is learned, or takes it in again. */
export const asideChange = z.strictObject({
  id: z
    .string()
    .regex(/^(record|figure|level) .{1,300}$/, 'record, figure or level, then which.')
    .describe('`record ID`, `figure oversize`, `level oversize LEVEL`'),
  aside: z.boolean(),
  reason: z.string().trim().max(200).optional(),
});
export type AsideChange = z.infer<typeof asideChange>;

/** A drill or tap with what it has done and what is left of it. */
export const toolLife = z.object({
  tool: z.string(),
  name: z.string(),
  where: z.string(),
  kind: z.enum(['drill', 'tap']),
  holes: z.number().int(),
  metals: z.array(z.object({ name: z.string(), holes: z.number().int() })),
  hours: z.number(),
  broken: z.number().int(),
  sharpened: z.number().int(),
  feels: z.record(z.string(), z.number().int()),
  use: z.number().describe('A hole two diameters deep in mild steel is 1'),
  left: z.object({ median: z.number(), low: z.number(), high: z.number() }),
  failsInNext: z.number().describe('Chance that it fails in the next hole like its last'),
  todo: z.enum(['sharpen', 'renew', 'buy', 'watch']).optional(),
  why: z.string().optional(),
  last: z.string().optional(),
});
export type ToolLifeRow = z.infer<typeof toolLife>;
export const toolsPage = z.object({ tools: z.array(toolLife), lostHours: z.number().describe('What breakages cost') });
export type ToolsPage = z.infer<typeof toolsPage>;

/** One tool’s life, hole by hole in order. */
export const toolPage = z.object({
  life: toolLife,
  holes: z.array(
    z.object({
      jobId: z.string(),
      job: z.string(),
      hole: z.string(),
      featureId: z.string(),
      holeNumber: z.number().int(),
      part: z.number().int(),
      happenedAt: z.string(),
      feel: z.number().int().optional().describe('1 easy, 2 firm, 3 tight, 4 creaked'),
      seconds: z.number().optional(),
      torque: z.number().optional().describe('Over the model’s'),
      over: z.number().optional().describe('Hole over the typical one, mm'),
      notGo: z.number().optional().describe('Turns that the not-go gauge entered'),
      changed: z.string().optional(),
    }),
  ),
});
export type ToolPage = z.infer<typeof toolPage>;
export const toolQuery = z.strictObject({ tool: z.string().min(1).max(200) });
