import { phrase, type Phrase } from '../answer/answer';
import type { Alternative, JobChange } from './alternatives';
import type { HoleModel } from './hole-model';
import { blanksFor, jobOf, rehearsal, weightOf, type Rehearsed, type Rehearsing } from './rehearse';

/** Something that would help, and how the job then comes out: both on the same luck. */
export interface Proposal {
  id: string;
  says: Phrase;
  change: JobChange;
  /** Bad parts in a hundred, and jobs in which all is good at the first go in a hundred. */
  before: { bad: number; clean: number };
  after: { bad: number; clean: number };
  /** What it takes longer in the whole job, min; below zero it is quicker. */
  costMin: number;
  /** Jobs that were rehearsed each way, and their seed. */
  jobs: number;
  seed: number;
}

/** What would have saved one of the worst jobs. */
export interface Saved {
  job: number;
  says: Phrase;
}

/** Under this nothing is worth a change: bad parts, or jobs not all good, in a hundred. */
const WORTH = { bad: 0.2, clean: 1 } as const;
/** A part that is put right counts so much of one that is scrap. */
const PUT_RIGHT = 0.1;

const shares = ({ badParts, parts, clean, jobs }: Rehearsed): Proposal['before'] => ({
  bad: (100 * badParts) / Math.max(1, parts),
  clean: (100 * clean) / Math.max(1, jobs),
});

/** How much a change saves for each minute that it costs. */
const worthOf = ({ before, after, costMin }: Proposal): number =>
  (before.bad - after.bad + PUT_RIGHT * (after.clean - before.clean)) / Math.max(1, costMin);

const outcome = (models: readonly HoleModel[], rehearsing: Rehearsing, jobs: number): Rehearsed => {
  const run = rehearsal(models, rehearsing);
  run.go(jobs);
  return run.now();
};

/**
 * What would help, the most for each minute first: each alternative rehearsed over the same jobs with the same luck.
 * @param jobs rehearsed for each
 */
export function proposalsFor(
  models: readonly HoleModel[],
  rehearsing: Rehearsing,
  alternatives: readonly Alternative[],
  jobs: number,
): Proposal[] {
  const before = shares(outcome(models, rehearsing, jobs));
  return alternatives
    .map(({ id, says, change, models: changed, costS }): Proposal => {
      const after = shares(outcome(changed, rehearsing, jobs));
      return { id, says, change, before, after, costMin: costS / 60, jobs, seed: rehearsing.seed };
    })
    .filter(
      ({ after }) =>
        before.bad - after.bad > WORTH.bad || (after.bad <= before.bad && after.clean - before.clean > WORTH.clean),
    )
    .sort((a, b) => worthOf(b) - worthOf(a));
}

/** Blanks to cut beyond the parts asked for, where the job needs some. @param cut blanks that are cut as it is */
export function spareBlanks(
  rehearsed: Rehearsed,
  quantity: number,
  cut: number,
): { blanks: number; says: Phrase; change: JobChange } | undefined {
  const blanks = blanksFor(rehearsed, quantity);
  if (blanks === undefined || blanks <= cut) return undefined;
  return {
    blanks,
    says: phrase('Cut {blanks} blanks: then there are enough good parts in nineteen of twenty jobs.', {
      blanks: String(blanks),
    }),
    change: { kind: 'spare', blanks: blanks - quantity },
  };
}

/** What would have saved the worst jobs: of each the first alternative in which nothing of it went wrong, or the least. */
export function savedBy(
  models: readonly HoleModel[],
  rehearsing: Rehearsing,
  alternatives: readonly Alternative[],
  jobs: readonly number[],
): Saved[] {
  return jobs.flatMap((job): Saved[] => {
    const count = (of: readonly HoleModel[]): number => {
      const { troubles, badParts } = jobOf(of, rehearsing, job);
      return weightOf(troubles.length, badParts);
    };
    const now = count(models);
    const [best] = alternatives.map((a) => ({ says: a.says, left: count(a.models) })).sort((a, b) => a.left - b.left);
    return best && best.left < now ? [{ job, says: best.says }] : [];
  });
}
