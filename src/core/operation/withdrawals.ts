import { composed, depth, phrase, type Phrase } from '../answer/answer';
import type { Cut } from './operation';

/** So many withdrawals are named one by one; more by the first and the step. */
const NAMED_PECKS = 6;

/** Where a drill is drawn out to clear its chips, as the stop reads there; undefined where it goes down in one. */
export function withdrawals({ pecks, peckEveryMm }: Pick<Cut, 'pecks' | 'peckEveryMm'>): Phrase | undefined {
  if (pecks.length === 0) return undefined;
  if (pecks.length > NAMED_PECKS)
    return phrase('Out at {first} on the stop, then every {every}.', {
      first: depth(pecks[0]),
      every: depth(peckEveryMm),
    });
  const named = Object.fromEntries(pecks.map((at, i) => [`at${i}`, depth(at)]));
  return composed(`Out at ${pecks.map((_, i) => `{at${i}}`).join(', ')} on the stop.`, named);
}
