import { z } from 'zod';
import { FACES, SIDES, type Part } from '@/core/layout/part';
import { MOST_HOLES, type Place } from '@/core/layout/place';

const coordinate = z.number().min(-10000).max(10000);
const size = z.number().positive().max(10000);
const reference = z.string().max(64);

/** Where the holes of a feature are, mm from the datum edges of its face. */
export const placeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('point'), x: coordinate, y: coordinate }),
  z.strictObject({
    kind: z.literal('circle'),
    x: coordinate,
    y: coordinate,
    diameter: size,
    divisions: z.number().int().min(1).max(999),
    startDeg: coordinate,
    skip: z.array(z.number().int().min(1).max(999)).max(998),
  }),
  z.strictObject({
    kind: z.literal('row'),
    x: coordinate,
    y: coordinate,
    count: z.number().int().min(1).max(9999),
    pitch: size,
    angleDeg: coordinate,
  }),
  z.strictObject({
    kind: z.literal('grid'),
    x: coordinate,
    y: coordinate,
    columns: z.number().int().min(1).max(999),
    rows: z.number().int().min(1).max(999),
    dx: coordinate,
    dy: coordinate,
  }),
  z.strictObject({ kind: z.literal('mirror'), of: reference, axis: z.enum(['x', 'y']), at: coordinate }),
  z.strictObject({ kind: z.literal('offset'), of: reference, dx: coordinate, dy: coordinate }),
  z.strictObject({ kind: z.literal('list'), points: z.array(z.tuple([coordinate, coordinate])).max(MOST_HOLES) }),
]) satisfies z.ZodType<Place>;

const faceSchema = z.enum(FACES);
const datumSchema = z.strictObject({ x: z.enum(['left', 'right']), y: z.enum(['bottom', 'top']) });

/** The part of a job: stock, condition, and the datum edges chosen on each face. */
export const partSchema = z.strictObject({
  stock: z.discriminatedUnion('shape', [
    z.strictObject({
      shape: z.literal('plate'),
      widthMm: size,
      heightMm: size,
      thicknessMm: size,
      outline: z
        .array(z.tuple([coordinate, coordinate]))
        .min(3)
        .max(20000)
        .optional()
        .describe('Edge of the top face from the lower left corner of its box, mm'),
    }),
    z.strictObject({ shape: z.literal('disc'), diameterMm: size, thicknessMm: size }),
    z.strictObject({ shape: z.literal('bar'), diameterMm: size, lengthMm: size }),
    z
      .strictObject({ shape: z.literal('tube'), diameterMm: size, boreMm: size, lengthMm: size })
      .refine((t) => t.boreMm < t.diameterMm, { path: ['boreMm'], message: 'The bore must be smaller than the tube.' }),
  ]),
  condition: z.string().max(200),
  datums: z.partialRecord(faceSchema, datumSchema),
  walls: z
    .partialRecord(faceSchema, z.partialRecord(z.enum(SIDES), z.number().min(0).max(10000)))
    .optional()
    .describe('Walls that stand up at the sides of a face: height over it, mm'),
}) satisfies z.ZodType<Part>;

/** Exit of an angled hole, seen from above its entry. */
export const exitSchema = z.strictObject({ dx: coordinate, dy: coordinate });

export { faceSchema };
