import { z } from 'zod';
import { DISPLAYS } from '@/core/units/show';

const figure = z.number().nullable();

/** How each feature of a job is made, operation by operation. */
export const operationsResponse = z.object({
  features: z.array(
    z.object({
      holeId: z.string(),
      letter: z.string(),
      callout: z.string(),
      count: z.number().int(),
      seconds: figure.describe('For one hole'),
      wallLeftMm: figure,
      operations: z.array(
        z.object({
          key: z.string(),
          code: z.string(),
          order: z.string(),
          details: z.array(z.string()),
          tool: z.string().nullable(),
          inCrib: z.boolean().nullable(),
          diameterMm: figure,
          idealRpm: figure,
          setRpm: figure,
          setLabel: z.string().nullable(),
          feedMmPerRev: figure,
          fullDiameterDepthMm: figure,
          travelFromTouchMm: figure,
          stop: z.array(z.string()),
          peckDepthsMm: z.array(z.number()),
          torqueNm: figure,
          forceAtEdgeN: figure,
          seconds: z.number(),
          cautions: z.array(z.object({ code: z.string(), level: z.string(), text: z.string() })),
        }),
      ),
      faults: z.array(z.object({ key: z.string(), level: z.string(), text: z.string() })),
      problems: z.array(z.object({ field: z.string(), code: z.string(), detail: z.string(), remedy: z.string() })),
    }),
  ),
});
export type OperationsResponse = z.infer<typeof operationsResponse>;
export const operationsQuery = z.strictObject({ units: z.enum(DISPLAYS).optional() });
