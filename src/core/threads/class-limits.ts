import type { Result } from '../answer/answer';
import { standardOf } from './standards';
import type { ClassLimits } from './standards/thread-standard';
import type { Thread } from './thread';

export type { ClassLimits } from './standards/thread-standard';

/** The class that a drawing means when it names none. */
export const usualClass = (thread: Thread): string => standardOf(thread.series).usualClass(thread);

/** The next looser class for the minor diameter, undefined when there is none. */
export const looserClass = (thread: Thread, className: string): string | undefined =>
  standardOf(thread.series).looser(thread, className);

/**
 * Limits of minor and pitch diameter of a tapped thread, mm, by its own standard. Tapered thread is gauged by turns and
 * has none.
 * @param className `6H`, `2B`, ...; the usual class when left out
 * @example classLimits(M8).value // { className: '6H', minorMinMm: 6.647, minorMaxMm: 6.912 }
 */
export const classLimits = (thread: Thread, className = usualClass(thread)): Result<ClassLimits> =>
  standardOf(thread.series).limits(thread, className);
