import { chanceOf, type Chance } from './chance';
import { beltExercise, chipExercise, pilotExercise, stopExercise } from './drilling-exercises';
import type { Exercise, Made } from './exercise';
import { calloutExercise, gaugeExercise, orderExercise, runChartExercise, safeExercise } from './judgement-exercises';
import { dialExercise, squareExercise, touchOffExercise, vernierExercise } from './layout-exercises';
import type { PracticeSource } from './some-hole';
import { cutOrFormExercise, feltExercise, tapDrillExercise, threadsThatFit, turnsExercise } from './tapping-exercises';

interface KindOfExercise {
  title: string;
  /** From first hole, 1, to deep stainless, 4. */
  level: 1 | 2 | 3 | 4;
  /** It is about a hole of the shop, or of a job that is practised. */
  hole?: true;
  make: (source: PracticeSource, chance: Chance) => Made | undefined;
}

/** Every kind of exercise, in the order in which they are learned. */
export const EXERCISE_KINDS = {
  safe: { title: 'Is it safe to start?', level: 1, make: safeExercise },
  callout: { title: 'Read the drawing', level: 1, make: calloutExercise },
  vernier: { title: 'Read a height gauge', level: 1, make: vernierExercise },
  order: { title: 'What comes next', level: 1, hole: true, make: orderExercise },
  stop: { title: 'Set the stop', level: 1, make: stopExercise },
  belt: { title: 'Set the belt', level: 2, hole: true, make: beltExercise },
  dial: { title: 'Turns of a dial', level: 2, make: dialExercise },
  'touch-off': { title: 'Touch off', level: 2, make: touchOffExercise },
  'tap-drill': { title: 'Choose the tap drill', level: 2, hole: true, make: tapDrillExercise },
  turns: { title: 'Count the turns', level: 2, hole: true, make: turnsExercise },
  pilot: { title: 'Choose the pilot', level: 2, make: pilotExercise },
  square: { title: 'Look from two sides', level: 2, make: squareExercise },
  gauge: { title: 'Read the gauge', level: 3, hole: true, make: gaugeExercise },
  chip: { title: 'What the chips say', level: 3, hole: true, make: chipExercise },
  threads: { title: 'Threads that fit', level: 3, make: threadsThatFit },
  form: { title: 'Cut or form', level: 3, hole: true, make: cutOrFormExercise },
  felt: { title: 'What it felt like', level: 4, hole: true, make: feltExercise },
  run: { title: 'What has happened?', level: 4, make: runChartExercise },
} as const satisfies Record<string, KindOfExercise>;
export type ExerciseKind = keyof typeof EXERCISE_KINDS;
export const KINDS_TO_LEARN = Object.keys(EXERCISE_KINDS) as ExerciseKind[];
/** Kinds that can be about the holes of a job. */
export const KINDS_OF_A_HOLE = KINDS_TO_LEARN.filter((kind) => 'hole' in EXERCISE_KINDS[kind]);
/** What is done with hands: a tap that one feels, a press, a punch, a height gauge, a table with its dial. */
export const HANDS = {
  'tap-by-feel': 'Tap by feel',
  press: 'Drill press',
  punch: 'Punch',
  height: 'Height gauge',
  edge: 'Edge and dial',
} as const;
export type HandsKind = keyof typeof HANDS;
/** What is practised: exercises, and hands. */
export const PRACTISED_KINDS = [
  ...KINDS_TO_LEARN,
  'tap-by-feel',
  'press',
  'punch',
  'height',
  'edge',
] as const satisfies readonly (ExerciseKind | HandsKind)[];
export type PractisedKind = ExerciseKind | HandsKind;
/** What something that is practised is called. */
export const practisedTitle = (kind: PractisedKind): string =>
  isExerciseKind(kind) ? EXERCISE_KINDS[kind].title : HANDS[kind];
export const isExerciseKind = (text: string): text is ExerciseKind => Object.hasOwn(EXERCISE_KINDS, text);

/** Draws until one can be asked, at most. */
const MOST_TRIES = 200;

/**
 * An exercise of a kind: the same seed in the same shop asks the same.
 * @param seed a whole number, 0 and up
 * @returns undefined where the shop has nothing to ask it about
 */
export function exerciseOf(kind: ExerciseKind, seed: number, source: PracticeSource): Exercise | undefined {
  const { make }: KindOfExercise = EXERCISE_KINDS[kind];
  const chance = chanceOf(seed);
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const made = make(source, chance);
    if (made) return { kind, seed, ...made };
  }
  return undefined;
}
