import { mm, phrase, type Phrase } from '../answer/answer';
import { chanceOf } from './chance';

/** A crossing to be punched: how far off one may be, and how the light falls. */
export interface PunchTask {
  /** Off the crossing where the point was set down first, mm. */
  startMm: readonly [x: number, y: number];
  /** From an angle the mark seems to lie elsewhere: by so much of the height at which one looks, mm. */
  slantMm: readonly [x: number, y: number];
  /** Allowed off the crossing, mm. */
  allowedMm: number;
  /** How much of what one aims for a light blow really draws. */
  draws: number;
}

export interface PunchState {
  /** Where the mark is, mm from the crossing. */
  x: number;
  y: number;
  /** Light blows so far. */
  light: number;
  looked: { above: boolean; side: boolean };
  isDone: boolean;
}

/** Light blows draw a mark across, no more than so many. */
export const MOST_LIGHT = 3;

export type PunchAct = { do: 'look'; from: 'above' | 'side' } | { do: 'draw'; x: number; y: number } | { do: 'firm' };

export function punchTask(seed: number): PunchTask {
  const chance = chanceOf(seed);
  const around = 2 * Math.PI * chance.even();
  const off = 0.15 + 0.35 * chance.even();
  const slant = 2 * Math.PI * chance.even();
  return {
    startMm: [off * Math.cos(around), off * Math.sin(around)],
    slantMm: [0.2 * Math.cos(slant), 0.2 * Math.sin(slant)],
    allowedMm: chance.pick([0.1, 0.15, 0.2]),
    draws: 0.7 + 0.3 * chance.even(),
  };
}

export const freshPunch = ({ startMm: [x, y] }: PunchTask): PunchState => ({
  x,
  y,
  light: 0,
  looked: { above: false, side: false },
  isDone: false,
});

/** Where the mark seems to lie from where one looks: only straight from above is it where it is. */
export const seenFrom = (
  { slantMm }: PunchTask,
  { x, y }: PunchState,
  from: 'above' | 'side',
): readonly [number, number] => (from === 'above' ? [x, y] : [x + slantMm[0], y + slantMm[1]]);

/** The mark after an act; after the firm blow it stays where it is. */
export function punch(task: PunchTask, before: PunchState, act: PunchAct): PunchState {
  if (before.isDone) return before;
  switch (act.do) {
    case 'look':
      return { ...before, looked: { ...before.looked, [act.from]: true } };
    case 'draw':
      if (before.light >= MOST_LIGHT) return before;
      return {
        ...before,
        x: before.x + task.draws * act.x,
        y: before.y + task.draws * act.y,
        light: before.light + 1,
        looked: { above: false, side: false },
      };
    case 'firm':
      return { ...before, isDone: true };
  }
}

/** How far the mark is off the crossing, mm. */
export const offMm = ({ x, y }: Pick<PunchState, 'x' | 'y'>): number => Math.hypot(x, y);

/** How the mark came out, and what would have helped. */
export function punchTold(task: PunchTask, s: PunchState): { right: boolean; says: Phrase } {
  const off = mm(Math.round(offMm(s) * 100) / 100);
  const allowed = mm(task.allowedMm);
  if (offMm(s) <= task.allowedMm)
    return { right: true, says: phrase('{off} off, {allowed} allowed.', { off, allowed }) };
  return {
    right: false,
    says: s.looked.above
      ? phrase('{off} off, {allowed} allowed: draw it across with a light blow before the firm one.', { off, allowed })
      : phrase(
          '{off} off, {allowed} allowed. Look straight down before the firm blow: from an angle it seems to lie elsewhere.',
          { off, allowed },
        ),
  };
}
