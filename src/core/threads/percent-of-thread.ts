import { answer, mm, type Answer } from '../answer/answer';
import { fullDepthMm, isTapered, type Thread } from './thread';

/**
 * Percent of a full thread, `heightMm` deep on one side, that a hole leaves; all in mm.
 * @example percentOfHeight(8, 6.8, 0.8119) // 73.9
 */
export const percentOfHeight = (majorMm: number, holeMm: number, heightMm: number): number =>
  ((majorMm - holeMm) / (2 * heightMm)) * 100;

/**
 * Percent of full thread depth that a hole leaves, on the hole's diameter in mm.
 * 100 is the basic height of the form; 60-degree forms count 0.75 H as full.
 * @returns percent, below zero when the hole is larger than the thread
 * @throws RangeError for a tapered thread, which has no single percentage
 * @example percentOfThread(M8, 6.8) // 73.9
 */
export function percentOfThread(thread: Thread, holeMm: number): number {
  if (isTapered(thread)) throw new RangeError('A tapered thread has no single percent of thread.');
  return percentOfHeight(thread.majorMm, holeMm, fullDepthMm(thread));
}

/**
 * Hole diameter in mm that leaves this percent of thread.
 * @example holeForPercent(M8, 75) // 8 − 0.01299038 × 75 × 1.25 = 6.782
 */
export const holeForPercent = (thread: Thread, percent: number): number =>
  thread.majorMm - (percent / 100) * 2 * fullDepthMm(thread);

/** {@link percentOfThread} with its working. */
export function percentOfThreadAnswer(thread: Thread, holeMm: number, holeName: string): Answer {
  return answer(percentOfThread(thread, holeMm), 'percent', {
    rule: 'Percent of thread',
    formula: '(major − hole) ÷ (2 × full thread depth) × 100',
    inputs: [
      ['major diameter', mm(thread.majorMm)],
      [holeName, mm(holeMm)],
      ['full thread depth, one side', mm(fullDepthMm(thread))],
    ],
    source: { kind: 'standard', name: `form of ${thread.standard}` },
    drawn: { kind: 'percent', majorMm: thread.majorMm, holeMm, heightMm: fullDepthMm(thread) },
  });
}
