import type { Thread } from '../threads/thread';
import { isToolUsable, type Tool } from './tool';

/** The plug gauge of the crib for a thread; undefined where there is none. */
export const threadGaugeFor = (
  tools: readonly Tool[],
  { designation }: Pick<Thread, 'designation'>,
): Tool | undefined => tools.find((t) => t.kind === 'thread-gauge' && t.thread === designation && isToolUsable(t));
