import type { HoleModel } from './hole-model';
import { lucks } from './luck';
import { FAULTS, freshOutcome, mostSpare, readied, rehearseJob, type Fault, type Trouble } from './rehearse-job';

/** What decides beside the holes. */
export interface Rehearsing {
  /** Parts, from 1. */
  quantity: number;
  seed: number;
  /** What the route takes beside the work at the holes, s: set-ups, changes, ways. */
  besideS: number;
}

/** How a rehearsal ended up over some jobs: whole numbers, so that parts of it add up to the same whoever made them. */
export interface Rehearsed {
  jobs: number;
  parts: number;
  /** Jobs in which all was good at the first go. */
  clean: number;
  /** Jobs with each fault, and how often each happened in all. */
  with: Record<Fault, number>;
  often: Record<Fault, number>;
  /** How often anything happened at each kind of hole. */
  kinds: number[];
  badParts: number;
  /** Jobs by the blanks that they used, from the quantity on. */
  blanks: number[];
  /** Jobs by the minutes that they took: from `fromMin` on in steps that grow by the same factor, all beyond in the last. */
  minutes: { fromMin: number; jobs: number[] };
  /** The worst jobs, the worst first. */
  worst: readonly { job: number; troubles: readonly Trouble[] }[];
}

const WORST = 3;
/** Troubles kept of one job. */
const MOST_TOLD = 12;
const STEPS = 200;
/** Each step of time is so much longer than the one before: two in a hundred. */
const GROWS = Math.log(1.02);

const none = (): Record<Fault, number> => Object.fromEntries(FAULTS.map((f) => [f, 0])) as Record<Fault, number>;

/** Steps of time in which jobs are counted, from half of what is planned on. */
function minutesOf(models: readonly HoleModel[], { quantity, besideS }: Rehearsing): Rehearsed['minutes'] {
  const planned = besideS + quantity * models.reduce((s, m) => s + m.seconds * m.points.length, 0);
  return { fromMin: Math.max(1e-3, planned / 120), jobs: new Array<number>(STEPS + 1).fill(0) };
}

const minuteAt = ({ fromMin }: Rehearsed['minutes'], step: number): number => fromMin * Math.exp(GROWS * step);
const stepAt = ({ fromMin }: Rehearsed['minutes'], minute: number): number => Math.log(minute / fromMin) / GROWS;

/** How bad a job is: a spoiled part weighs more than something that is put right. */
export const weightOf = (troubles: number, badParts: number): number => troubles + 100 * badParts;

/** A rehearsal that goes on as long as somebody wants it to: job after job, always the same ones. @param from first job */
export function rehearsal(models: readonly HoleModel[], rehearsing: Rehearsing, from = 0) {
  const { quantity, seed, besideS } = rehearsing;
  const ready = readied(models, quantity);
  const luckOf = lucks(seed, ready.lots);
  const outcome = freshOutcome(models.length);
  const total: Rehearsed = {
    jobs: 0,
    parts: 0,
    clean: 0,
    with: none(),
    often: none(),
    kinds: models.map(() => 0),
    badParts: 0,
    blanks: [],
    minutes: minutesOf(models, rehearsing),
    worst: [],
  };
  let worst: { job: number; count: number }[] = [];
  const told = new Map<number, Trouble[]>();
  const troublesIn = (job: number): Trouble[] => {
    const troubles = told.get(job) ?? troublesOf(models, rehearsing, job).slice(0, MOST_TOLD);
    told.set(job, troubles);
    return troubles;
  };
  function count(job: number): void {
    const { faults, badParts, blanks, seconds } = outcome;
    total.jobs += 1;
    total.parts += quantity;
    total.badParts += badParts;
    let all = 0;
    for (let f = 0; f < FAULTS.length; f++) {
      if (faults[f] === 0) continue;
      all += faults[f];
      total.often[FAULTS[f]] += faults[f];
      total.with[FAULTS[f]] += 1;
    }
    if (all === 0) total.clean += 1;
    outcome.kinds.forEach((n, k) => (total.kinds[k] += n));
    total.blanks[blanks - quantity] = (total.blanks[blanks - quantity] ?? 0) + 1;
    const step = Math.floor(stepAt(total.minutes, (seconds + besideS) / 60));
    total.minutes.jobs[Math.max(0, Math.min(STEPS, step))] += 1;
    const weight = weightOf(all, badParts);
    if (weight > (worst.length < WORST ? 0 : worst[worst.length - 1].count))
      worst = [...worst, { job, count: weight }].sort((a, b) => b.count - a.count).slice(0, WORST);
  }
  return {
    /** Makes so many more jobs. */
    go: (jobs: number): void => {
      for (let n = 0; n < jobs; n++) {
        const job = from + total.jobs;
        rehearseJob(ready, luckOf(job), outcome);
        count(job);
      }
    },
    now: (): Rehearsed => ({
      ...total,
      with: { ...total.with },
      often: { ...total.often },
      kinds: [...total.kinds],
      blanks: Array.from(total.blanks, (n) => n ?? 0),
      minutes: { ...total.minutes, jobs: [...total.minutes.jobs] },
      worst: worst.map(({ job }) => ({ job, troubles: troublesIn(job) })),
    }),
  };
}

/** Everything that went wrong in one job, in order. */
export function troublesOf(models: readonly HoleModel[], rehearsing: Rehearsing, job: number): Trouble[] {
  return jobOf(models, rehearsing, job).troubles;
}

/** One job again. */
export function jobOf(models: readonly HoleModel[], { quantity, seed }: Rehearsing, job: number) {
  const ready = readied(models, quantity);
  const troubles: Trouble[] = [];
  const outcome = freshOutcome(models.length);
  rehearseJob(ready, lucks(seed, ready.lots)(job), outcome, { trouble: (t) => troubles.push(t) });
  return { troubles, badParts: outcome.badParts };
}

/** Where the holes of the first part of some jobs come to lie, and how large they are: by kind of hole, mm. */
export interface Landed {
  featureId: string;
  /** Of each hole, job by job: x and y off in turns. */
  offs: number[][];
  sizes: number[];
}

/** What the first jobs look like. */
export function landings(models: readonly HoleModel[], { quantity, seed }: Rehearsing, jobs: number): Landed[] {
  const ready = readied(models, Math.min(quantity, 1));
  const luckOf = lucks(seed, ready.lots);
  const found = models.map((m): Landed => ({ featureId: m.featureId, offs: m.points.map(() => []), sizes: [] }));
  for (let job = 0; job < jobs; job++)
    rehearseJob(ready, luckOf(job), freshOutcome(models.length), {
      hole: (kind, hole, part, { x, y }, mm) => {
        if (part > 1) return;
        found[kind].offs[hole].push(x, y);
        if (mm !== undefined) found[kind].sizes.push(mm);
      },
    });
  return found;
}

/** Nineteen of twenty intervals of a share lie this many sigmas wide. */
const Z = 1.96;

/**
 * How sure a share is: Wilson’s interval of nineteen in twenty.
 * @param hits, n hits from 0 to n, n above 0
 * @example wilson(10, 100) // [0.055, 0.174]
 */
export function wilson(hits: number, n: number): [from: number, to: number] {
  const share = hits / n;
  const middle = (share + Z ** 2 / (2 * n)) / (1 + Z ** 2 / n);
  const half = (Z / (1 + Z ** 2 / n)) * Math.sqrt((share * (1 - share)) / n + Z ** 2 / (4 * n ** 2));
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}

/** A share is sure enough when its interval is no wider than this. */
export const SURE_ENOUGH = 0.01;

/** Blanks to cut so that in so many of a hundred jobs there are enough good parts; undefined where no number up to the most does. */
export function blanksFor(
  { jobs, blanks }: Pick<Rehearsed, 'jobs' | 'blanks'>,
  quantity: number,
  share = 0.95,
): number | undefined {
  let enough = 0;
  for (let spare = 0; spare <= mostSpare(quantity); spare++) {
    enough += blanks[spare] ?? 0;
    if (enough >= share * jobs) return quantity + spare;
  }
  return undefined;
}

/** Minutes in which so large a share of jobs is done. @param share 0 to 1 */
export function minutesFor({ jobs, minutes }: Pick<Rehearsed, 'jobs' | 'minutes'>, share: number): number {
  let done = 0;
  for (let i = 0; i < minutes.jobs.length; i++) {
    const here = minutes.jobs[i];
    if (done + here >= share * jobs && here > 0) return minuteAt(minutes, i + (share * jobs - done) / here);
    done += here;
  }
  return minuteAt(minutes, minutes.jobs.length);
}

/** Share of jobs that are done within so many minutes. */
export function shareWithinMinutes({ jobs, minutes }: Pick<Rehearsed, 'jobs' | 'minutes'>, within: number): number {
  const steps = within > 0 ? stepAt(minutes, within) : 0;
  let done = 0;
  minutes.jobs.forEach((n, i) => (done += n * Math.max(0, Math.min(1, steps - i))));
  return jobs === 0 ? 0 : done / jobs;
}
