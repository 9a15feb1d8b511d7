import { phrase, type Phrase, type Quantity } from '../answer/answer';
import type { ReasonId } from '../answer/reasons';

/** Mistakes that cost taps, parts and hours: what exercises are about. */
export const MISTAKES = {
  chart: 'believed a chart for another metal',
  nominal: 'took the size on the drill for the hole',
  'went-on': 'went on when it tightened',
  bottomed: 'bottomed a blind tap',
  brittle: 'formed a metal that does not flow',
  stop: 'set the stop without the point',
  speed: 'set the wrong belt',
  order: 'did it in the wrong order',
  pilot: 'drilled too large a pilot',
  division: 'was a whole division off',
  backlash: 'forgot backlash, or half the tool',
  chips: 'gauged with chips in the hole',
  square: 'did not look at squareness',
  unsafe: 'started with something unsafe',
  signals: 'did not see that something had changed',
  drawing: 'misread the drawing',
  tap: 'used the wrong tap',
  dry: 'let it run dry',
  dwelt: 'rubbed without a chip',
  ease: 'did not ease off at breakthrough',
  mark: 'struck before looking straight down',
} as const;
export type Mistake = keyof typeof MISTAKES;

/** One of several answers, with why it is right or wrong on these very figures. */
export interface Choice {
  id: string;
  says: Phrase;
  why: Phrase;
}

/** What is answered: one of some choices, or a figure. */
export type Asked =
  | {
      by: 'choice';
      choices: readonly Choice[];
      /** The best one, or those that are equally good. */ best: readonly string[];
    }
  | {
      by: 'figure';
      unit: 'mm' | 'turns' | 'threads';
      value: number;
      /** So far off is right, in the unit. */
      within: number;
      why: Phrase;
      /** Figures that one gets by a known mistake, with what it is. */
      slips: readonly { value: number; says: Phrase }[];
    };

/** What stands beside the question as a drawing. */
export type Scene =
  | { kind: 'vernier'; mm: number }
  | { kind: 'dial'; travelMm: number; divisions: number; at: number }
  | { kind: 'run'; values: readonly number[]; from: number; to: number }
  | { kind: 'bench'; seen: readonly string[] }
  | { kind: 'gaps'; frontMm: number; sideMm: number };

/** A question about one decision, with everything that decides it. */
export interface Exercise {
  kind: string;
  seed: number;
  ask: Phrase;
  facts: readonly { label: string; value: Quantity | Phrase }[];
  asked: Asked;
  /** From the vaguest to the plainest. */
  hints: readonly Phrase[];
  mistake: Mistake;
  /** The rule of the trade behind it. */
  reason: ReasonId;
  scene?: Scene;
}

/** What somebody answered: the id of a choice, or a figure. */
export type Given = string | number;

/** Whether an answer is right, and what is said to it. */
export interface Judged {
  right: boolean;
  says: Phrase;
}

/** Judges an answer. @param given id of a choice that there is, or a figure in the unit that is asked for */
export function judgeAnswer({ asked }: Pick<Exercise, 'asked'>, given: Given): Judged {
  if (asked.by === 'choice') {
    const choice = asked.choices.find((c) => c.id === given);
    const best = asked.choices.find((c) => c.id === asked.best[0]);
    return {
      right: choice !== undefined && asked.best.includes(choice.id),
      says: (choice ?? best)?.why ?? { text: '' },
    };
  }
  const value = Number(given);
  const right = Math.abs(value - asked.value) <= asked.within + 1e-9;
  const slip = asked.slips.find((s) => Math.abs(value - s.value) <= asked.within + 1e-9);
  return { right, says: right || !slip ? asked.why : slip.says };
}

/** What is the same in two exercises that ask the same. */
export const sameAs = ({ kind, ask, facts, scene, asked }: Exercise): string =>
  JSON.stringify([kind, ask, facts, scene, asked.by === 'figure' ? asked.value : asked.best]);

/** An exercise as its maker makes it. */
export type Made = Omit<Exercise, 'kind' | 'seed'>;
export const text = (value: string): Phrase => phrase('{text}', { text: value });
