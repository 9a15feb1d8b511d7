import { z } from 'zod';
import { DRILL_SERIES } from '@/core/drills/drill';
import { DISPLAYS } from '@/core/units/show';

export const searchQuery = z.strictObject({
  q: z.string().max(200).describe('Words; or a callout and a metal, such as "M8 brass"'),
  units: z.enum(DISPLAYS).optional(),
});

export const FOUND_KINDS = [
  'answer',
  'missing',
  'learned',
  'job',
  'hole',
  'material',
  'tool',
  'machine',
  'why',
] as const;

const found = z.object({
  kind: z.enum(FOUND_KINDS),
  id: z.string(),
  name: z.string(),
  detail: z.string(),
  href: z.string().describe('Where the interface shows it'),
  drill: z
    .object({ series: z.enum(DRILL_SERIES), label: z.string(), diameterMm: z.number() })
    .optional()
    .describe('Of a line that marks a drill missing: which'),
});
export type Found = z.infer<typeof found>;

/** What was found, the likeliest kind first. */
export const searchResult = z.object({ found: z.array(found) });
export type SearchResult = z.infer<typeof searchResult>;
