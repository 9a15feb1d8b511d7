import { percent, phrase, type Phrase } from '../answer/answer';
import { holeForPercent, percentOfThread } from '../threads/percent-of-thread';
import { formOf, isTapered, type Thread } from '../threads/thread';
import { threadNamed } from '../threads/thread-named';
import { isTapUsable, type OwnTap } from './own-tap';

/** A thread that the crib has a tap for, near to one that it lacks, and what it would mean. Never interchangeable. */
export interface Substitute {
  thread: Thread;
  meaning: Phrase[];
}

const USUAL_PERCENT = 75;
const MOST = 3;
/** Threads further apart than this are no substitute: share of diameter and pitch together. Our judgement. */
const FARTHEST = 0.6;
/** A thread of less than this on an existing hole does not hold. */
const LEAST_PERCENT = 50;

const apart = (a: Thread, b: Thread): number =>
  2 * Math.abs(a.majorMm / b.majorMm - 1) + Math.abs(a.pitchMm / b.pitchMm - 1);

/** The nearest threads that the crib has a tap for, where it has none for this one. */
export function substitutesFor(thread: Thread, taps: readonly OwnTap[]): Substitute[] {
  const names = [...new Set(taps.filter(isTapUsable).map((t) => t.thread))];
  const hole = holeForPercent(thread, USUAL_PERCENT);
  return names
    .flatMap((name) => threadNamed(name) ?? [])
    .filter((t) => t.designation !== thread.designation && isTapered(t) === isTapered(thread))
    .sort((a, b) => apart(a, thread) - apart(b, thread))
    .filter((t) => apart(t, thread) <= FARTHEST)
    .slice(0, MOST)
    .map((near) => {
      const left = percentOfThread(near, hole);
      return {
        thread: near,
        meaning: [
          phrase('{major} % on the diameter and {pitch} % on the pitch: another screw.', {
            major: signed(100 * (near.majorMm / thread.majorMm - 1)),
            pitch: signed(100 * (near.pitchMm / thread.pitchMm - 1)),
          }),
          left >= 100
            ? phrase('A hole drilled for {thread} is too small for it: drill larger.', { thread: thread.designation })
            : left >= LEAST_PERCENT
              ? phrase('In a hole drilled for {thread} it leaves {left} of thread.', {
                  thread: thread.designation,
                  left: percent(left),
                })
              : phrase('A hole drilled for {thread} is too large for it.', { thread: thread.designation }),
          ...(near.form === thread.form
            ? []
            : [phrase(`Flanks of ${formOf(near).angle} against ${formOf(thread).angle}: never mixed.`)]),
        ],
      };
    });
}

const signed = (value: number): string => `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(1)}`;
