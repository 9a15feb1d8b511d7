import { z } from 'zod';
import { MARKED_WITH, type MarkedWith } from '@/core/layout/punch';

/** How far off a punch mark came out; ids are made by the sender, so that a bench can send later without doubles. */
export const punchMarkInput = z.strictObject({
  id: z.string().regex(/^[\w-]{8,64}$/),
  holeId: z.string().regex(/^[\w-]{8,64}$/),
  number: z.number().int().min(1).max(20000),
  dxMm: z.number().min(-50).max(50),
  dyMm: z.number().min(-50).max(50),
  zoneMm: z.number().positive().max(50),
  means: z.enum(Object.keys(MARKED_WITH) as [MarkedWith, ...MarkedWith[]]).optional(),
  corrects: z.string().max(64).optional().describe('Id of the record that this one corrects'),
});
export type PunchMarkInput = z.infer<typeof punchMarkInput>;
export interface PunchMark extends PunchMarkInput {
  at: string;
}

/** A line of a layout sheet, scribed or not. */
export const tickInput = z.strictObject({
  line: z.string().min(1).max(60).describe('Face, axis and height of the line'),
  ticked: z.boolean(),
});
