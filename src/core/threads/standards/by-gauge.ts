import type { Thread } from '../thread';
import { noClass } from './no-class';
import type { ThreadStandard } from './thread-standard';

/** What a tapered thread answers about classes: it is gauged by how far a plug goes in. */
export const byGauge = (gauge: string): Pick<ThreadStandard, 'usualClass' | 'limits' | 'looser'> => ({
  usualClass: () => 'by gauge',
  looser: () => undefined,
  limits: ({ designation }: Thread) =>
    noClass(
      '{thread} is tapered: its class limits do not apply, a plug gauge shows whether it is right.',
      `Gauge it with an ${gauge} plug gauge, flush within one turn.`,
      { thread: designation },
    ),
});
