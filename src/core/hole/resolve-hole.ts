import { problem, refuse, type Problem, type Result } from '../answer/answer';
import type { ShopHabits } from '../shop/habits';
import type { Callout } from '../threads/callout';
import { readCallout } from '../threads/read-callout';
import { lengthProblems } from './check-question';
import type { HoleQuestion } from './question';
import { resolvePlain } from './resolve-plain';
import { resolveOutside } from './resolve-outside';
import { resolveThread } from './resolve-thread';
import type { ResolvedHole, ThreadFeature } from './resolved-hole';

const threadOf = (callout: Callout): ThreadFeature | undefined =>
  callout.features.find((f): f is ThreadFeature => f.kind === 'thread');

/** An old thread is kept as the thread that the callout names. */
const oldThreadProblems = (q: HoleQuestion, thread: ThreadFeature | undefined): Problem[] =>
  q.existing?.kind === 'thread' && !thread
    ? [
        problem(
          'existing-thread',
          'existing',
          'The existing hole has a thread and the callout names none.',
          'Name the thread in the callout, or type the diameter of the hole.',
        ),
      ]
    : [];

/**
 * Reads the callout and settles the hole: every bore with its own depth, through or blind, the thread's place.
 * @returns the hole, or everything that is unreadable or impossible, field by field
 */
export function resolveHole(q: HoleQuestion, habits: ShopHabits): Result<ResolvedHole> {
  const callout = readCallout(q.callout, q.bareUnit);
  if (!callout.ok) return callout;
  const feature = threadOf(callout.value);
  const bad = [...lengthProblems(q), ...oldThreadProblems(q, feature)];
  if (bad.length > 0) return refuse(...bad);
  if (feature?.outside) return resolveOutside(q, callout.value, feature);
  return feature ? resolveThread(q, callout.value, feature, habits) : resolvePlain(q, callout.value);
}
