import { z } from 'zod';
import { TAP_GEOMETRIES, TAP_STEELS, type TapSteel } from '@/core/tapping/tap';
import { FLUIDS } from '@/core/tapping/tapping-torque';
import { DISPLAYS } from '@/core/units/show';
import { TAP_LEVEL_NAMES, working } from './answer';

const mm = z.number().positive().max(1000);

/** One tap in one hole: what turning it asks of it. */
export const tapLoadRequest = z.strictObject({
  thread: z.string().max(60).describe('As on the drawing: "M8", "1/4-20 UNC"'),
  materialId: z.string().max(80).describe('Id from GET /api/v1/materials'),
  drill: z.string().max(20).optional().describe('Drill that made the hole: "6.8", "17/64", "#7"; or give holeMm'),
  holeMm: mm.optional().describe('Hole as measured; for a forming tap the hole before forming'),
  kind: z.enum(['through', 'blind']).default('through'),
  depthMm: mm.describe('Full thread'),
  geometry: z.enum(TAP_GEOMETRIES).exclude(['pipe']).default('straight'),
  chamferThreads: z.number().min(1).max(12).optional().describe('Left out: as such a tap usually has'),
  flutes: z.number().int().min(1).max(12).optional().describe('Left out: as such a tap usually has'),
  steel: z.enum(Object.keys(TAP_STEELS) as [TapSteel, ...TapSteel[]]).default('hss'),
  wear: z.number().min(1).max(1.6).default(1).describe('1 new to 1.6 at the end of its life'),
  fluid: z.enum(FLUIDS).default('right'),
  guided: z.boolean().default(true).describe('Something holds the tap upright'),
  byHand: z.boolean().default(true),
  thicknessMm: mm.optional().describe('Of the plate, where it is thinner than the chamfer is long'),
  units: z.enum(DISPLAYS).default('mm').describe('Unit of lengths in sentences'),
});
export type TapLoadRequest = z.infer<typeof tapLoadRequest>;

export const tapLoadResponse = z.object({
  coreVersion: z.string(),
  holeMm: z.number().describe('Predicted hole, as given, or the finished minor diameter of a formed thread'),
  torqueNm: z.number(),
  breakingNm: z.number().describe('At which a sound tap of this kind breaks, about'),
  safety: z.number().describe('Breaking over torque'),
  level: z.enum(TAP_LEVEL_NAMES),
  cause: z.string().describe('What loads the tap most'),
  toothLoadMm: z.number(),
  toothLoadLimitMm: z.number(),
  working: z.array(working),
});
export type TapLoadResponse = z.infer<typeof tapLoadResponse>;
