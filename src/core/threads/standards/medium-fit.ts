import { ok, phrase, type Result } from '../../answer/answer';
import { fullDepthMm, type Thread } from '../thread';
import { noClass } from './no-class';
import type { ClassLimits } from './thread-standard';

const KNOWN = /^(medium|normal|close|free|[ab])$/i;

/** Limits of a standard whose nut threads have one usual fit, by its tolerance of the minor diameter, mm. */
export const mediumFit =
  (toleranceMm: (thread: Thread) => number) =>
  (thread: Thread, name: string): Result<ClassLimits> => {
    if (!KNOWN.test(name))
      return noClass('{thread} has no class {name}.', 'Leave the class out: medium fit is used.', {
        thread: thread.designation,
        name,
      });
    const minorMinMm = thread.majorMm - 2 * fullDepthMm(thread);
    return ok({
      className: 'medium',
      minorMinMm,
      minorMaxMm: minorMinMm + toleranceMm(thread),
      pitchDiameterMinMm: thread.majorMm - fullDepthMm(thread),
      standard: thread.standard,
      notes: [phrase('These limits come from a formula and should be checked against the printed table.')],
    });
  };

/** What a standard of one fit answers about classes. */
export const ONE_FIT = { usualClass: () => 'medium', looser: () => undefined } as const;
