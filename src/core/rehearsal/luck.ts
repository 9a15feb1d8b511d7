import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { HoleModel } from './hole-model';

const { sqrt, log, cos, sin, imul, PI } = Math;

/** What can make one job come out unlike the next. */
export const CAUSES = ['lines', 'start', 'drill', 'hole', 'gauge', 'tap', 'lean', 'count'] as const;
export type Cause = (typeof CAUSES)[number];

/** Figures of luck that each hole of a part needs: normal ones first, then even ones from 0 to 1. */
export const OF_HOLE = ['own-x', 'own-y', 'hole', 'gauge', 'torque', 'holding', 'lean', 'pace'] as const;
export const EVEN_OF_HOLE = ['pitch', 'count'] as const;
const CAUSE_OF: Record<(typeof OF_HOLE)[number] | (typeof EVEN_OF_HOLE)[number], Cause | undefined> = {
  'own-x': 'start',
  'own-y': 'start',
  hole: 'hole',
  gauge: 'gauge',
  torque: 'tap',
  holding: 'tap',
  lean: 'lean',
  pace: undefined,
  pitch: 'gauge',
  count: 'count',
};

/** Where in the luck of a part of one kind of hole each figure lies: lines, holes, then slips of lines and the even ones. */
export interface LuckPlan {
  /** Whose it is: a number of its own. */
  of: number;
  lines: number;
  holes: number;
  normals: number;
  length: number;
  causes: readonly (Cause | undefined)[];
}

/** A number of its own for a name. */
export const numberOf = (name: string): number =>
  [...name].reduce((sum, c) => imul(sum ^ c.charCodeAt(0), 0x01000193), 0x811c9dc5);

/** @param lines lines on which its holes lie */
export function luckPlan({ featureId, points }: Pick<HoleModel, 'featureId' | 'points'>, lines: number): LuckPlan {
  const holes = points.length;
  const each = <T>(names: readonly T[]): T[] => points.flatMap(() => names);
  const normals = lines + holes * OF_HOLE.length;
  const causes = [
    ...Array.from({ length: lines }, () => 'lines' as const),
    ...each(OF_HOLE).map((name) => CAUSE_OF[name]),
    ...Array.from({ length: lines }, () => 'lines' as const),
    ...each(EVEN_OF_HOLE).map((name) => CAUSE_OF[name]),
  ];
  return { of: numberOf(featureId), lines, holes, normals, length: causes.length, causes };
}

/** Two numbers that lie close begin alike: mixed, so that they do not. */
function mixed(x: number): number {
  let h = x | 0;
  h = imul(h ^ (h >>> 16), 0x85ebca6b);
  h = imul(h ^ (h >>> 13), 0xc2b2ae35);
  return h ^ (h >>> 16);
}

type Generator = ReturnType<typeof xoroshiro128plus>;
/** A generator for one job and one thing in it: the same whoever draws it, and whatever is drawn of all else. */
export const generatorOf = (seed: number, job: number, of: number): Generator =>
  xoroshiro128plus(mixed(mixed(mixed(seed) ^ job) ^ of));

const PER_INT = 2 ** -32;
/** Above 0 and under 1. */
const even = (generator: Generator): number => ((generator.next() >>> 0) + 0.5) * PER_INT;

/** Fills with normal figures, then with even ones. */
export function fillLuck(generator: Generator, into: Float64Array, normals: number): void {
  for (let i = 0; i < normals; i += 2) {
    const radius = sqrt(-2 * log(even(generator)));
    const angle = 2 * PI * even(generator);
    into[i] = radius * cos(angle);
    if (i + 1 < normals) into[i + 1] = radius * sin(angle);
  }
  for (let i = normals; i < into.length; i++) into[i] = even(generator);
}

/** The luck of one job. */
export interface Luck {
  /** Of a kind of hole on a part, from 1: parts in order, each asked for once or more. */
  of: (kind: number, part: number) => Float64Array;
  /** How a drill of the job cuts, in sigmas. */
  drill: (tool: number) => number;
  /** Share of like taps that hold longer than the nth one that is used of a kind. */
  tapHolds: (tap: number, nth: number) => number;
}

/** What luck is drawn for: kinds of hole, drills and taps by their numbers. */
export interface Lots {
  plans: readonly LuckPlan[];
  drills: readonly number[];
  taps: readonly number[];
}

/** Luck of one job after another. @param keeps every part can be asked for again, in whatever order */
export function lucks(seed: number, { plans, drills, taps }: Lots, keeps = false) {
  const buffers = plans.map(({ length }) => new Float64Array(length));
  const parts: Float64Array[][] = plans.map(() => []);
  const drawn = plans.map(() => 0);
  const generators: (Generator | undefined)[] = plans.map(() => undefined);
  let job = 0;
  const next = (kind: number): Float64Array => {
    const { of, normals, length } = plans[kind];
    const generator = (generators[kind] ??= generatorOf(seed, job, of));
    const at = drawn[kind]++;
    const into = keeps ? (parts[kind][at] ??= new Float64Array(length)) : buffers[kind];
    fillLuck(generator, into, normals);
    return into;
  };
  const luck: Luck = {
    of: (kind, part) => {
      let found = keeps && part <= drawn[kind] ? parts[kind][part - 1] : buffers[kind];
      while (drawn[kind] < part) found = next(kind);
      return found;
    },
    drill: (tool) => {
      const generator = generatorOf(seed, job, drills[tool]);
      return sqrt(-2 * log(even(generator))) * cos(2 * PI * even(generator));
    },
    tapHolds: (tap, nth) => {
      const generator = generatorOf(seed, job, taps[tap]);
      for (let i = 1; i < nth; i++) generator.next();
      return even(generator);
    },
  };
  return (of: number): Luck => {
    job = of;
    drawn.fill(0);
    generators.fill(undefined);
    return luck;
  };
}
