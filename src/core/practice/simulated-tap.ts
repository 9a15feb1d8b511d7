import { phrase, quantity, type Phrase } from '../answer/answer';
import { tappingTorqueNm, type TappingConditions } from '../tapping/tapping-torque';
import { breakingNm } from '../tapping/tap-strength';

/** A hole to be tapped by hand on the screen. Lengths in mm. */
export interface TapTask {
  conditions: TappingConditions;
  /** Turns until the full thread is deep enough. */
  turns: number;
  /** Turns at which the tap meets the bottom; Infinity through. */
  bottomTurns: number;
  /** Bite after which the chip should be broken, turns; 0 where none is. */
  biteTurns: number;
  /** What this very tap holds over the least, and how hard this hole turns over the model: drawn once. */
  holds: number;
  harder: number;
  /** It starts so far from square, degrees: across, and along the line of sight. */
  startLean: readonly [front: number, side: number];
}

/** Why a tap broke: each could be felt or seen before. */
export type BreakCause = 'packed' | 'lean' | 'bottom' | 'dry';

/** What was done to a tap, in turns of the wrench and the rest. */
export type TapAct =
  | { do: 'turn'; turns: number }
  | { do: 'back' }
  | { do: 'oil' }
  | { do: 'clean' }
  | { do: 'stop' }
  | { do: 'lean'; front: number; side: number };

/** How a tap stands in its hole. */
export interface TapState {
  /** Deepest, and where it is now, turns. */
  deepest: number;
  at: number;
  /** Turned forward since the chip was broken last. */
  bite: number;
  /** Turns of chips that lie in the flutes. */
  packed: number;
  /** Turns since it was oiled. */
  sinceOil: number;
  front: number;
  side: number;
  torqueNm: number;
  /** Torque after each act, with where the tap was. */
  felt: readonly { at: number; torqueNm: number; did: TapAct['do'] }[];
  broken?: BreakCause;
  isDone: boolean;
}

/** Chips of so many bites fill the flutes; each turn more turns this much harder. Our judgement. */
const FULL_TURNS = 4;
const PACKS = 0.35;
/** Past the bite, a chip that was not broken jams: so much harder for each bite. Our judgement. */
const JAMS = 0.5;
/** Oil lasts so many turns. Our judgement. */
const OIL_TURNS = 6;
const DRY = 1.5;
/** From this lean on it binds, deg; so much harder for each degree and each turn deep. Our judgement. */
const BINDS_DEG = 0.5;
const BINDS = 0.12;
/** Only in the first turns a lean can be pressed straight. */
const STRAIGHTENS_UNTIL = 2.5;
/** The bottom is a hard stop: a twelfth of a turn more, so many times the torque. */
const BOTTOM_PER_TURN = 30;
/** The chamfer bites gradually: full torque after so many turns. */
const RAMP_TURNS = 3;
const BACK_TURNS = 0.5;

export const freshTap = ({ startLean: [front, side] }: TapTask): TapState => ({
  deepest: 0,
  at: 0,
  bite: 0,
  packed: 0,
  sinceOil: 0,
  front,
  side,
  torqueNm: 0,
  felt: [],
  isDone: false,
});

/** How far the tap leans off square, degrees, from what is seen from the front and the side. */
export const leanOf = ({ front, side }: Pick<TapState, 'front' | 'side'>): number => Math.hypot(front, side);

/** What makes it turn harder just now: each cause by itself. */
export function hardenedBy(
  task: TapTask,
  s: Pick<TapState, 'at' | 'deepest' | 'bite' | 'packed' | 'sinceOil' | 'front' | 'side'>,
) {
  const lean = Math.max(0, leanOf(s) - BINDS_DEG);
  return {
    packed:
      1 +
      PACKS * Math.max(0, s.packed - FULL_TURNS) +
      (task.biteTurns > 0 ? JAMS * Math.max(0, s.bite / task.biteTurns - 1.2) : 0),
    lean: 1 + BINDS * lean * s.at,
    dry: s.sinceOil > OIL_TURNS ? DRY : 1,
    bottom: 1 + BOTTOM_PER_TURN * Math.max(0, s.at - task.bottomTurns),
  } satisfies Record<BreakCause, number>;
}

/** The model’s torque of a hole: the same at every turn. */
const bases = new WeakMap<TapTask, number>();
function baseNm(task: TapTask): number {
  const { conditions, harder } = task;
  const base =
    bases.get(task) ?? harder * tappingTorqueNm({ ...conditions, depthMm: conditions.thread.majorMm, fluid: 'right' });
  bases.set(task, base);
  return base;
}

/** Torque at the wrench, Nm: the model’s, by what was done since. */
function torqueAt(task: TapTask, s: TapState): number {
  const base = baseNm(task);
  const by = hardenedBy(task, s);
  return base * Math.min(1, s.at / RAMP_TURNS + 0.1) * by.packed * by.lean * by.dry * by.bottom;
}

/** What this very tap holds, Nm. */
export const holdsNm = ({ conditions: { thread, tap }, holds }: TapTask): number => breakingNm(thread, tap) * holds;

/** The cause that made it turn hardest. */
function worstCause(task: TapTask, s: TapState): BreakCause {
  const by = hardenedBy(task, s);
  return (Object.keys(by) as BreakCause[]).reduce((a, b) => (by[b] > by[a] ? b : a));
}

/** The tap after an act. What is broken or done stays so. */
export function act(task: TapTask, before: TapState, done: TapAct): TapState {
  if (before.broken || before.isDone) return before;
  const s = { ...before };
  switch (done.do) {
    case 'turn': {
      const turns = Math.max(0, Math.min(0.25, done.turns));
      s.at = before.at + turns;
      const cut = Math.max(0, s.at - before.deepest);
      s.deepest = Math.max(before.deepest, s.at);
      s.bite = before.bite + cut;
      s.packed = before.packed + cut;
      s.sinceOil = before.sinceOil + cut;
      break;
    }
    case 'back':
      s.at = Math.max(0, before.at - BACK_TURNS);
      s.bite = 0;
      // The chip snaps; what was cut stays in the flutes.
      s.packed = Math.max(
        0,
        before.packed - (task.biteTurns > 0 && before.bite <= 1.2 * task.biteTurns ? 0.85 * before.bite : 0),
      );
      break;
    case 'oil':
      s.sinceOil = 0;
      break;
    case 'stop':
      s.isDone = true;
      break;
    case 'clean':
      s.at = 0;
      s.bite = 0;
      s.packed = 0;
      break;
    case 'lean': {
      const share = before.deepest < STRAIGHTENS_UNTIL ? 1 : 0.1;
      s.front = before.front + share * done.front;
      s.side = before.side + share * done.side;
      break;
    }
  }
  s.torqueNm =
    done.do === 'turn' && s.at >= before.deepest ? torqueAt(task, s) : done.do === 'turn' ? 0.1 * before.torqueNm : 0;
  s.felt = [...before.felt, { at: s.at, torqueNm: s.torqueNm, did: done.do }];
  if (s.torqueNm > holdsNm(task)) s.broken = worstCause(task, s);
  return s;
}

/** What a hand feels, in words. */
export function feelWords(task: TapTask, s: TapState): Phrase {
  if (s.broken) return phrase('It broke.');
  const share = s.torqueNm / holdsNm(task);
  const before = s.felt.filter((f) => f.did === 'turn' && f.torqueNm > 0).slice(-12, -1);
  const rising = before.length > 4 && s.torqueNm > 1.5 * before[0].torqueNm && s.at > RAMP_TURNS;
  const said =
    s.torqueNm === 0
      ? 'loose'
      : share < 0.3
        ? 'easy'
        : share < 0.55
          ? 'firm'
          : share < 0.8
            ? 'tight'
            : 'springy: it twists before it breaks';
  return phrase(rising ? '{said}, and rising: {torque}.' : '{said}: {torque}.', {
    said,
    torque: quantity(Math.round(s.torqueNm * 10) / 10, 'Nm'),
  });
}

const WHY: Record<BreakCause, { why: string; saves: string }> = {
  packed: {
    why: 'The chip was not broken in time: it jammed in the flutes, and each turn turned harder.',
    saves: 'Back until it snaps after each bite; out and clean when it no longer falls back.',
  },
  lean: {
    why: 'It leaned by {lean}: it cut on one side and bound, harder the deeper it went.',
    saves: 'Look from two sides in the first two turns, and press it straight while few threads are cut.',
  },
  bottom: {
    why: 'It met the bottom: that is a hard stop, and the next push broke it.',
    saves: 'Count the turns, and stop at the one that was planned.',
  },
  dry: { why: 'It ran dry: metal welded to the edges.', saves: 'Oil it again every few turns.' },
};

/** Why it broke, and what would have saved it. */
export function whyBroken(s: TapState): { why: Phrase; saves: Phrase } | undefined {
  if (!s.broken) return undefined;
  const { why, saves } = WHY[s.broken];
  return {
    why: why.includes('{lean}')
      ? phrase('It leaned by {lean}: it cut on one side and bound, harder the deeper it went.', {
          lean: quantity(leanOf(s), 'deg'),
        })
      : phrase(why as 'plain'),
    saves: phrase(saves as 'plain'),
  };
}
