import type { HoleModel } from './hole-model';
import { CAUSES, lucks, type Cause, type Lots, type Luck } from './luck';
import type { Rehearsing } from './rehearse';
import { freshOutcome, readied, rehearseJob } from './rehearse-job';

/** What a cause has to do with the parts that are spoiled: shares of their variance, 0 to 1. */
export interface Blame {
  cause: Cause;
  /** By itself: what would go if only this were always as expected. */
  alone: number;
  /** With all in which it has a hand. */
  total: number;
  /** Pairs of jobs that tell it. */
  jobs: number;
}

/** A job with the luck of another in one cause. */
function mixedLuck(a: Luck, b: Luck, cause: Cause, { plans }: Lots): Luck {
  const room = plans.map(({ length }) => new Float64Array(length));
  return {
    of: (kind, part) => {
      const [own, other, into] = [a.of(kind, part), b.of(kind, part), room[kind]];
      const { causes } = plans[kind];
      for (let i = 0; i < into.length; i++) into[i] = causes[i] === cause ? other[i] : own[i];
      return into;
    },
    drill: (tool) => (cause === 'drill' ? b : a).drill(tool),
    tapHolds: (tap, nth) => (cause === 'tap' ? b : a).tapHolds(tap, nth),
  };
}

/** Jobs with more parts than this are blamed by so many of them. */
const MOST_PARTS = 20;

/**
 * What to blame: first-order and total shares of the variance of spoiled parts, from pairs of jobs in which one cause is
 * exchanged.
 * @returns the largest total first; all 0 where nothing is ever spoiled
 */
export function blame(models: readonly HoleModel[], rehearsing: Rehearsing, jobs: number): Blame[] {
  const ready = readied(models, Math.min(MOST_PARTS, rehearsing.quantity));
  const [first, second] = [rehearsing.seed, rehearsing.seed + 0x5eed].map((seed) => lucks(seed, ready.lots, true));
  const outcome = freshOutcome(models.length);
  const bad = (luck: Luck): number => {
    rehearseJob(ready, luck, outcome);
    return outcome.badParts;
  };
  let [sum, squares] = [0, 0];
  const apart = CAUSES.map(() => ({ alone: 0, total: 0 }));
  for (let job = 0; job < jobs; job++) {
    const [a, b] = [first(job), second(job)];
    const [atA, atB] = [bad(a), bad(b)];
    sum += atA + atB;
    squares += atA * atA + atB * atB;
    CAUSES.forEach((cause, c) => {
      const exchanged = bad(mixedLuck(a, b, cause, ready.lots));
      apart[c].alone += (atB - exchanged) ** 2;
      apart[c].total += (atA - exchanged) ** 2;
    });
  }
  const variance = squares / (2 * jobs) - (sum / (2 * jobs)) ** 2;
  const share = (value: number): number => (variance > 0 ? Math.min(1, Math.max(0, value)) : 0);
  return CAUSES.map((cause, c) => ({
    cause,
    jobs,
    alone: share(1 - apart[c].alone / (2 * jobs * variance)),
    total: share(apart[c].total / (2 * jobs * variance)),
  })).sort((x, y) => y.total - x.total);
}
