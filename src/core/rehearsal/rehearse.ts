import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { boltsFit } from './bolts-fit';
import type { HoleModel } from './hole-model';

/** What can be wrong with a part. */
export const FAULTS = ['class', 'place', 'bolts', 'tap-broken', 'bottomed'] as const;
export type Fault = (typeof FAULTS)[number];

/** What goes wrong, said. */
export const FAULT_WORDS: Record<Fault, string> = {
  class: 'a hole out of its class',
  place: 'a hole out of place',
  bolts: 'bolts that will not go in together',
  'tap-broken': 'a broken tap',
  bottomed: 'a tap run into the bottom',
};

/** One thing that went wrong, and what led to it. */
export interface Trouble {
  fault: Fault;
  letter: string;
  /** From 1. */
  hole: number;
  part: number;
  /** Size over the class, distance off, torque over what the tap held: as the fault is measured. */
  by: number;
}

/** One job as it could go. */
export interface Outcome {
  troubles: Trouble[];
  /** Parts with anything wrong. */
  badParts: number;
  seconds: number;
}

/** How a rehearsal ended up over many jobs. */
export interface Rehearsed {
  jobs: number;
  /** Jobs in which all was good at the first go. */
  clean: number;
  /** Jobs with each fault, and how often each happened in all. */
  with: Readonly<Record<Fault, number>>;
  often: Readonly<Record<Fault, number>>;
  badParts: number;
  parts: number;
  seconds: { mean: number; sigma: number };
  /** The worst jobs, the worst first. */
  worst: readonly { job: number; troubles: readonly Trouble[] }[];
}

/** What decides beside the holes. */
export interface Rehearsing {
  quantity: number;
  seed: number;
}

/** A number of its own for a name. */
const numberOf = (name: string): number =>
  [...name].reduce((sum, c) => Math.imul(sum ^ c.charCodeAt(0), 0x01000193), 0x811c9dc5);

/** Numbers of one kind of hole in one job: the same whoever draws it, and whatever is drawn of all else. */
class Draws {
  private readonly generator;
  private spare: number | undefined;
  /** @param of whose luck it is: a kind of hole, a tool */
  constructor(seed: number, job: number, of: number) {
    // Seeds that lie close begin alike.
    this.generator = xoroshiro128plus(Math.imul(seed, 0x9e3779b1) ^ Math.imul(job + 1, 0x85ebca6b) ^ of);
  }
  uniform(): number {
    return uniformFloat64(this.generator);
  }
  /** Two at a time, as they come. */
  normal(): number {
    if (this.spare !== undefined) {
      const kept = this.spare;
      this.spare = undefined;
      return kept;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - this.uniform()));
    const angle = 2 * Math.PI * this.uniform();
    this.spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  }
}

/** Scatter of torque, of what a tap holds over the least, and of a time. Our judgement. */
const TORQUE_SIGMA = 0.15;
const HOLDING_SIGMA = 0.35;
const TIME_SIGMA = 0.22;
/** From this lean on a tap binds, degrees, and so much harder. */
const BINDS_DEG = 1;
const BINDING = 1.3;
/** Turns are miscounted by one in a blind hole by hand once in so many. */
const MISCOUNTED_ONE_IN = 200;

/** A kind of hole with what is the same in every job. */
interface Prepared extends HoleModel {
  luckOf: number;
  toolLuckOf: number;
  /** Which of its lines each hole lies on: those across first, then those up. */
  lines: readonly (readonly [across: number, up: number])[];
  lineCount: number;
}

function prepared(model: HoleModel): Prepared {
  const known = new Map<string, number>();
  const lineOf = (axis: string, at: number): number => {
    const key = `${axis} ${at.toFixed(3)}`;
    const index = known.get(key) ?? known.size;
    known.set(key, index);
    return index;
  };
  const lines = model.points.map(({ x, y }) => [lineOf('x', x), lineOf('y', y)] as const);
  return {
    ...model,
    luckOf: numberOf(model.featureId),
    toolLuckOf: numberOf(model.size?.tool ?? ''),
    lines,
    lineCount: known.size,
  };
}

const ready = new WeakMap<HoleModel, Prepared>();
function readied(model: HoleModel): Prepared {
  const made = ready.get(model) ?? prepared(model);
  ready.set(model, made);
  return made;
}

/** One job, in the order of the work and through its causes. The number of draws does not depend on what comes of them. */
export function rehearseJob(models: readonly HoleModel[], { quantity, seed }: Rehearsing, job: number): Outcome {
  const kinds = models.map(readied);
  const luck = kinds.map(({ luckOf }) => new Draws(seed, job, luckOf));
  const troubles: Trouble[] = [];
  const tools = new Map<string, number>();
  const wear = new Map<string, number>();
  let seconds = 0;
  let badParts = 0;
  /** Remedies that the first hole of a kind asked for: how far the next drill lies. */
  const remedies = models.map(() => 0);
  for (let part = 1; part <= quantity; part++) {
    const before = troubles.length;
    kinds.forEach((model, m) => {
      const { letter, points, zoneMm, size, tap } = model;
      const draws = luck[m];
      const lineOffs: number[] = [];
      for (let i = 0; i < model.lineCount; i++) {
        const slips = draws.uniform() < 1 / model.slip.oneIn;
        lineOffs.push(model.lineSigma * draws.normal() + (slips ? model.slip.mm : 0));
      }
      const offs = points.map((_, i) => {
        const hole = i + 1;
        const off = {
          x: lineOffs[model.lines[i][0]] + model.ownSigma * draws.normal(),
          y: lineOffs[model.lines[i][1]] + model.ownSigma * draws.normal(),
        };
        const distance = Math.hypot(off.x, off.y);
        if (zoneMm > 0 && distance > zoneMm / 2)
          troubles.push({ fault: 'place', letter, hole, part, by: distance - zoneMm / 2 });
        if (size) {
          // Half of the variance belongs to the drill, half to each hole.
          const drill = tools.get(size.tool) ?? new Draws(seed, job, model.toolLuckOf).normal();
          tools.set(size.tool, drill);
          const mm = size.mean + remedies[m] + size.sigma * Math.SQRT1_2 * (drill + draws.normal());
          const over = Math.max(mm - size.max, size.min - mm);
          if (over > 0) troubles.push({ fault: 'class', letter, hole, part, by: over });
          // The first one is pinned: the next drill is taken for all that wait.
          if (model.isFirstThrough && part === 1 && hole === 1 && over > 0)
            remedies[m] = mm > size.max ? -size.stepMm : size.stepMm;
        }
        if (tap) {
          const worn = wear.get(tap.key) ?? 0;
          const lean = Math.abs(tap.leanMean + tap.leanSigma * draws.normal());
          const torque =
            tap.torqueNm * (1 + worn) * Math.exp(TORQUE_SIGMA * draws.normal()) * (lean > BINDS_DEG ? BINDING : 1);
          const holds = tap.breakingNm * (1 + HOLDING_SIGMA * Math.abs(draws.normal()));
          const miscounts = draws.uniform() < 1 / MISCOUNTED_ONE_IN;
          wear.set(tap.key, worn + tap.wear);
          if (torque > holds) {
            troubles.push({ fault: 'tap-broken', letter, hole, part, by: torque / holds });
            // A new one hangs there for the next hole.
            wear.set(tap.key, 0);
          } else if (tap.countsTurns && miscounts) troubles.push({ fault: 'bottomed', letter, hole, part, by: 1 });
        }
        return off;
      });
      if (model.isJoint && zoneMm > 0 && !boltsFit(points, offs, zoneMm / 2))
        troubles.push({ fault: 'bolts', letter, hole: 1, part, by: 0 });
      seconds += model.seconds * points.length * Math.exp(TIME_SIGMA * draws.normal());
    });
    if (troubles.length > before) badParts += 1;
  }
  return { troubles, badParts, seconds };
}

const none = (): Record<Fault, number> => ({ class: 0, place: 0, bolts: 0, 'tap-broken': 0, bottomed: 0 });
const WORST = 3;

/** A rehearsal that goes on as long as somebody wants it to: job after job, always the same ones. */
export function rehearsal(models: readonly HoleModel[], rehearsing: Rehearsing) {
  const counted = { jobs: 0, clean: 0, with: none(), often: none(), badParts: 0, parts: 0 };
  let sum = 0;
  let squares = 0;
  let worst: { job: number; troubles: readonly Trouble[] }[] = [];
  return {
    /** Makes so many more jobs. */
    go: (jobs: number): void => {
      for (let n = 0; n < jobs; n++) {
        const job = counted.jobs;
        const { troubles, badParts, seconds } = rehearseJob(models, rehearsing, job);
        counted.jobs += 1;
        counted.parts += rehearsing.quantity;
        counted.badParts += badParts;
        if (troubles.length === 0) counted.clean += 1;
        const seen = new Set<Fault>();
        for (const { fault } of troubles) {
          counted.often[fault] += 1;
          seen.add(fault);
        }
        for (const fault of seen) counted.with[fault] += 1;
        sum += seconds;
        squares += seconds ** 2;
        if (troubles.length > (worst.length < WORST ? 0 : worst[WORST - 1].troubles.length))
          worst = [...worst, { job, troubles }].sort((a, b) => b.troubles.length - a.troubles.length).slice(0, WORST);
      }
    },
    now: (): Rehearsed => {
      const { jobs } = counted;
      const mean = sum / Math.max(1, jobs);
      const sigma = Math.sqrt(Math.max(0, squares / Math.max(1, jobs) - mean ** 2));
      return { ...counted, with: { ...counted.with }, often: { ...counted.often }, seconds: { mean, sigma }, worst };
    },
  };
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
