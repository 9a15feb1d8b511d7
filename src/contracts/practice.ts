import { z } from 'zod';
import { MISTAKES, type Mistake } from '@/core/practice/exercise';
import { PRACTISED_KINDS } from '@/core/practice/kinds-of-exercise';
import { clockMoment, day, rowId } from './text';

/** What is practised: kinds of exercise, and the tap by feel. */
const practisedKind = z.enum(PRACTISED_KINDS);
/** Name of who practises, as typed. */
export const name = z.string().trim().min(1, 'Enter a name.').max(60, 'A name has at most 60 characters.');

/** One exercise as it was done. */
export const practisedInput = z.strictObject({
  id: rowId.describe('Made by the sender: the same one sent again counts once'),
  who: name,
  kind: practisedKind,
  seed: z.number().int().min(0).max(0x7fffffff),
  right: z.boolean(),
  hints: z.number().int().min(0).max(10),
  seconds: z.number().min(0).max(86_400),
  mistake: z.enum(Object.keys(MISTAKES) as [Mistake, ...Mistake[]]),
  jobId: rowId.optional().describe('The job whose own holes it was about'),
  at: clockMoment,
});
export type PractisedInput = z.infer<typeof practisedInput>;

export const practisedBatch = z.strictObject({ practised: z.array(practisedInput).min(1).max(500) });
export const practisedQuery = z.strictObject({ who: name.optional().describe('Of one person; of all where left out') });
export const practisedList = z.object({ practised: z.array(practisedInput) });
export type PractisedList = z.infer<typeof practisedList>;
export const practisedReceipt = z.object({ taken: z.array(rowId), known: z.array(rowId) });

/** What a teacher sets: kinds of exercise for some names, or everybody, by a day. */
export const assignment = z.strictObject({
  id: rowId,
  kinds: z.array(practisedKind).min(1, 'Choose at least one exercise.').max(40),
  names: z.array(name).max(200),
  due: day,
  jobId: rowId.optional().describe('A job: the exercises are about its own holes'),
});
export type Assignment = z.infer<typeof assignment>;
/** What is set, as it is read: with the name of the job that it is about, unless that is gone. */
export const assignmentSeen = assignment.extend({ jobName: z.string().optional() });
export type AssignmentSeen = z.infer<typeof assignmentSeen>;
export const assignmentList = z.object({ assignments: z.array(assignmentSeen) });
