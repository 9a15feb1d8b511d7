import { phrase, type Phrase } from '../answer/answer';
import type { LearnedFigure } from '../answer/estimate';
import { isOfHole, type BenchRecord, type HoleAt } from '../run/bench-record';
import { pinned } from '../run/observations';
import { meaningOf } from './learned-words';
import { LEAST_TO_TELL } from './run-of-readings';
import { ownSpread, SIGNAL_WORDS, signalsOf } from './signals';

/** What the readings of a feature, hole by hole, say of the tool that makes it. */
export interface BenchSignal {
  says: string;
  means: Phrase;
}

/**
 * A signal that the last pins or gauge of this hole completed, over all holes of its feature that were gauged before it;
 * undefined where they scatter as they did.
 * @param records of the job, in the order in which they happened
 */
export function signalAtBench(records: readonly BenchRecord[], at: HoleAt): BenchSignal | undefined {
  const values: number[] = [];
  let changed: string | undefined;
  let isLast = false;
  for (const r of records) {
    if (r.kind === 'drill-dull') changed = 'the drill was changed';
    if (r.kind !== 'checked' || r.featureId !== at.featureId) continue;
    const { check, values: read } = r.body;
    const value = check === 'minor' ? pinned(read) : check === 'size' ? read.size : undefined;
    if (value === undefined) continue;
    values.push(value);
    isLast = isOfHole(r, at);
  }
  if (!isLast || values.length < LEAST_TO_TELL) return undefined;
  const { centre, sigma } = ownSpread(values);
  if (sigma <= 0) return undefined;
  const told = signalsOf(values, centre, sigma).find((s) => s.at === values.length - 1);
  const figure: LearnedFigure = 'oversize';
  return told && { says: SIGNAL_WORDS[told.kind][told.way > 0 ? 0 : 1], means: meaningOf(figure, told.way, changed) };
}

/** The same as one line. */
export const signalLine = ({ says }: BenchSignal): Phrase =>
  phrase('{says} among the holes gauged so far.', { says: says.charAt(0).toUpperCase() + says.slice(1) });
