import { z } from 'zod';
import {
  BLANK_FORM,
  HOLE_CHOICES,
  ROOM_CHOICES,
  START_CHOICES,
  TAP_CHOICES,
  WAY_CHOICES,
  type AskForm,
} from '@/core/hole/form';
import { DISPLAYS } from '@/core/units/show';

const short = z.string().max(60);

/** Fields of a question as typed, unread. */
const fields = {
  callout: z.string().trim().min(1, 'A hole needs a callout, such as M8 x 16 DEEP.').max(200),
  material: short,
  hole: z.enum(HOLE_CHOICES),
  depth: short,
  thickness: short,
  width: short,
  existing: short,
  drills: short,
  drill: short,
  tap: z.enum(TAP_CHOICES),
  way: z.enum(WAY_CHOICES),
  taps: z.string().max(300),
  room: z.enum(ROOM_CHOICES),
  behind: short,
  percent: short,
  machine: short,
  start: z.enum(START_CHOICES),
  dry: z.boolean(),
  bolt: short,
  parts: short,
  units: z.enum(DISPLAYS),
  coreVersion: z.string().max(20).optional().describe('Version of the rules that answered it when it was saved'),
};

/** A question as it is kept with a job; questions saved before a field was asked lack it. */
export const keptQuestion = z.strictObject({
  ...fields,
  existing: fields.existing.default(BLANK_FORM.existing),
  way: fields.way.default(BLANK_FORM.way),
  taps: fields.taps.default(BLANK_FORM.taps),
  room: fields.room.default(BLANK_FORM.room),
  behind: fields.behind.default(BLANK_FORM.behind),
}) satisfies z.ZodType<AskForm>;

/** Some fields of a question; what is left out is left as it is. */
export const questionSet = z.strictObject(fields).partial();

export type KeptQuestion = z.infer<typeof keptQuestion>;
