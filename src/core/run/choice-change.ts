import { phrase, type Phrase } from '../answer/answer';
import { BLANK_FORM } from '../hole/form';
import type { HolePlan } from '../hole/hole-plan';
import { remedyFor } from '../hole/remedies';
import { isTapUsable, type OwnTap } from '../tapping/own-tap';
import { classLimits } from '../threads/class-limits';
import { THREADS } from '../threads/standards';
import { isTapered, type Thread } from '../threads/thread';
import { writeCallout } from '../threads/write-callout';
import type { RemedyChange } from './bench-record';
import type { Choice } from '../gauging/verdict';

/** What a choice changes of how a hole is made. */
export interface ChoiceChange {
  change: RemedyChange;
  /** What it comes to at this hole. */
  says?: Phrase;
}

/** A larger thread than this leaves another part; share of the diameter. Our judgement. */
const LARGEST = 1.6;

/**
 * The next thread of the same series whose hole takes the old thread away: one that the crib has a tap for before one to buy.
 * @returns undefined where the series has none up to 1.6 times as large
 */
export function largerThread(old: Thread, taps: readonly OwnTap[]): { thread: Thread; inCrib: boolean } | undefined {
  if (isTapered(old)) return undefined;
  const owned = new Set(taps.filter(isTapUsable).map((t) => t.thread));
  const larger = THREADS.filter((t) => {
    const limits = classLimits(t);
    return (
      t.series === old.series &&
      t.majorMm > old.majorMm &&
      t.majorMm <= old.majorMm * LARGEST &&
      limits.ok &&
      limits.value.minorMaxMm >= old.majorMm
    );
  }).sort((a, b) => a.majorMm - b.majorMm);
  const thread = larger.find((t) => owned.has(t.designation)) ?? larger[0];
  return thread && { thread, inCrib: owned.has(thread.designation) };
}

function toLarger({ callout, thread }: HolePlan, taps: readonly OwnTap[]): ChoiceChange | undefined {
  const next = thread && largerThread(thread.thread, taps);
  if (!next) return undefined;
  const features = callout.features.map((f) => (f.kind === 'thread' ? { ...f, thread: next.thread } : f));
  const { drill, taps: ownTaps, way, room } = BLANK_FORM;
  return {
    change: { callout: writeCallout({ ...callout, features }), drill, taps: ownTaps, way, room },
    says: next.inCrib
      ? phrase('Next is {thread}; its tap is in the crib.', { thread: next.thread.designation })
      : phrase('Next is {thread}; its tap is to buy.', { thread: next.thread.designation }),
  };
}

/** The next drill up for a redrill, a sharp tap to chase with, the next larger thread; undefined where nothing changes. */
export function changeOfChoice(choice: Choice, plan: HolePlan, taps: readonly OwnTap[]): ChoiceChange | undefined {
  if (choice === 'larger') return toLarger(plan, taps);
  const remedy =
    choice === 'redrill'
      ? remedyFor('next-drill', plan)
      : choice === 'chase'
        ? remedyFor('sharp-tap', plan)
        : undefined;
  return remedy && { change: remedy.change };
}
