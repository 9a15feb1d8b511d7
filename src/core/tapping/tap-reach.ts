import { answer, mm, type Answer } from '../answer/answer';
import type { Thread } from '../threads/thread';
import { reachOf, usualTapFigures } from './tap-lengths.table';

/** How deep a hand tap of the usual length goes below the face, mm. */
export function tapReach(thread: Thread): Answer {
  const figures = usualTapFigures(thread);
  const { follows, reachMm } = reachOf(figures, thread);
  return answer(reachMm, 'mm', {
    rule: 'How deep the tap reaches',
    formula: follows ? 'overall length − square' : 'length of thread + neck',
    inputs: [
      ['overall length, usual', mm(figures.overallMm)],
      ['length of thread, usual', mm(figures.threadMm)],
      ...(figures.neckMm > 0 ? [['neck', mm(figures.neckMm)] as [string, ReturnType<typeof mm>]] : []),
    ],
    source: { kind: 'standard', name: 'usual lengths of hand taps, ISO 529 and ASME B94.9' },
  });
}
