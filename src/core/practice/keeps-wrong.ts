import type { Mistake } from './exercise';

/** A mistake somebody keeps making: wrong so often, of so many last times. */
const KEEPS_WRONG = 2;
const OF_LAST = 5;

/** What somebody keeps getting wrong, the most often first. */
export function keepsWrong(practised: readonly { mistake: Mistake; right: boolean; at: string }[]): Mistake[] {
  const done = [...practised].sort((a, b) => b.at.localeCompare(a.at));
  const mistakes = [...new Set(done.map((p) => p.mistake))];
  return mistakes
    .map((mistake) => ({
      mistake,
      wrong: done
        .filter((p) => p.mistake === mistake)
        .slice(0, OF_LAST)
        .filter((p) => !p.right).length,
    }))
    .filter(({ wrong }) => wrong >= KEEPS_WRONG)
    .sort((a, b) => b.wrong - a.wrong)
    .map(({ mistake }) => mistake);
}
