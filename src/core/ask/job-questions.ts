import type { AskForm } from './ask-form';

/** A job's own figures stand over those of each hole: its material and its number of parts. */
export const questionInJob = (question: AskForm, job: { materialId: string; quantity: number }): AskForm => ({
  ...question,
  material: job.materialId,
  parts: String(job.quantity),
});
