import { depth, ok, phrase, problem, refuse, type Result } from '../answer/answer';
import type { Callout } from '../threads/callout';
import { isTapered } from '../threads/thread';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ThreadFeature } from './resolved-hole';

/** Length of an outside thread that nobody gives, in diameters. Trade rule. */
const USUAL_D = 1.5;

/** Settles a thread on a rod: its length; or says what cannot be. */
export function resolveOutside(q: HoleQuestion, callout: Callout, feature: ThreadFeature): Result<ResolvedHole> {
  const { thread, extent } = feature;
  if (isTapered(thread))
    return refuse(
      problem(
        'outside-taper',
        'callout',
        'A tapered thread on a rod needs a pipe die and its gauge: no figures for it here.',
        'Use a parallel thread, or follow the drawing.',
      ),
    );
  if (callout.features.length > 1)
    return refuse(
      problem(
        'outside-mixed',
        'callout',
        'A thread on a rod stands alone in its callout.',
        'Give the hole in the rod a callout of its own.',
      ),
    );
  const given = q.depthMm ?? (extent?.kind === 'depth' ? extent.mm : undefined);
  const lengthMm = given ?? USUAL_D * thread.majorMm;
  if (lengthMm < thread.pitchMm)
    return refuse(
      problem(
        'thread-under-pitch',
        'threadDepth',
        '{length} is less than one pitch: that is no thread.',
        'Check the unit.',
        {
          length: depth(lengthMm),
        },
      ),
    );
  return ok({
    callout,
    thread: { feature, fromMm: 0, lengthMm, through: false },
    bores: [],
    through: false,
    notes: given === undefined ? [phrase('No length given: assumed {length}.', { length: depth(lengthMm) })] : [],
  });
}
