import type { HolePlan } from '../hole/hole-plan';
import { isToolUsable, type Tool } from '../shop/tool';

/** The plug gauge of the crib for the thread of a hole; undefined where there is none. */
export const threadGaugeFor = (tools: readonly Tool[], { thread }: HolePlan): Tool | undefined =>
  thread && tools.find((t) => t.kind === 'thread-gauge' && t.thread === thread.thread.designation && isToolUsable(t));
