import { answer, mm, type Answer } from '../answer/answer';
import type { Thread } from '../threads/thread';
import { usualTapLength } from './tap-lengths.table';

/** Length of a tap that its wrench or chuck hides, mm. Our judgement. */
export const SQUARE_MM = 10;
/** From here on the shank of a hand tap is thinner than its thread and follows it into the hole, mm. ISO 529, ASME B94.9. */
const THIN_SHANK_FROM_MM = { metric: 7.5, inch: 11 } as const;
/** Neck of a tap whose shank does not follow, as a share of its thread length. Our judgement. */
const NECK_SHARE = 0.5;

/**
 * How deep a hand tap of the usual length goes below the face, mm: thread and neck, or all but the square where the
 * shank is thinner than the thread.
 */
export function tapReach({ majorMm, system }: Thread): Answer {
  const { overallMm, threadMm } = usualTapLength(majorMm);
  const follows = majorMm >= THIN_SHANK_FROM_MM[system];
  return answer(follows ? overallMm - SQUARE_MM : threadMm * (1 + NECK_SHARE), 'mm', {
    rule: 'How deep the tap reaches',
    formula: follows ? 'overall length − square' : 'length of thread + neck',
    inputs: [
      ['overall length, usual', mm(overallMm)],
      ['length of thread, usual', mm(threadMm)],
    ],
    source: { kind: 'standard', name: 'usual lengths of hand taps, ISO 529 and ASME B94.9; neck our judgement' },
  });
}
