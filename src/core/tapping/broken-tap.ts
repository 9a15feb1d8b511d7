import { phrase, type Phrase } from '../answer/answer';
import { percentOfThread } from '../threads/percent-of-thread';
import { causeOf, isTreacherous, type LoadCause } from './tap-risk';
import type { TroubleCase } from './trouble';
import { WAY_FACTS } from './ways';

/** How a tap felt before it broke. */
export const LAST_FELT = {
  easy: 'Easy, then gone',
  firm: 'Firm',
  tight: 'Tight from the start',
  rising: 'Tighter turn by turn',
  creaked: 'It creaked',
} as const;
export type LastFelt = keyof typeof LAST_FELT;

/** What is told of a break in three touches; each may be left out. */
export interface BreakTold {
  turns?: number;
  felt?: LastFelt;
  /** The flutes were full of chips. */
  packed?: boolean;
}

type BreakCause = LoadCause | 'bottom' | 'clutch';

const CAUSE_WORDS: Record<BreakCause, string> = {
  dry: 'it ran dry',
  worn: 'a worn tap',
  'small-hole': 'a small hole',
  deep: 'chips packed in the flutes',
  lean: 'it leaned',
  metal: 'tough metal for this size',
  bottom: 'it stood on the bottom',
  clutch: 'the clutch was set too high to slip',
};

/** Within so many turns of the bottom it was the bottom. Our judgement. */
const NEAR_BOTTOM_TURNS = 0.75;
/** From this percent on a tight start means a small hole. */
const SMALL_FROM_PERCENT = 75;

/** Where neither the load nor what was told names a cause: what usually breaks taps driven so. Our judgement. */
function usualBreak({ way, through }: TroubleCase): BreakCause {
  if (way.clutch) return 'clutch';
  if (WAY_FACTS[way.id].leanDeg >= 1) return 'lean';
  return through ? 'lean' : 'bottom';
}

/** The likeliest cause of a break, by what was told and by this hole’s own figures. Our judgement. */
export function breakCause(at: TroubleCase, { turns, felt, packed }: BreakTold = {}): BreakCause {
  const { worst, turns: planned } = at.way;
  const c = worst.conditions;
  if (!at.through && turns !== undefined && turns > planned.value - NEAR_BOTTOM_TURNS) return 'bottom';
  if (packed && at.kind === 'cut') return 'deep';
  if (felt === 'creaked') return at.dry ? 'dry' : 'worn';
  if (felt === 'tight') return percentOfThread(c.thread, c.minorMm) > SMALL_FROM_PERCENT ? 'small-hole' : 'worn';
  if (felt === 'rising') return at.kind === 'cut' ? 'deep' : 'dry';
  if (felt === 'easy') return 'lean';
  const load = causeOf(c);
  return load === 'metal' && !isTreacherous(c.material) ? usualBreak(at) : load;
}

/** One way of taking a broken tap out, ranked for this hole. */
export interface WayOut {
  label: Phrase;
  weight: number;
}

/** What a broken tap asks for: first what to do, what to note, then the ways out for its size, depth and metal, and what each means. */
export interface BrokenTap {
  first: Phrase[];
  waysOut: WayOut[];
  part: Phrase;
}

/** Where the remains stand how deep, how thick and in what: the ways to get them out, best first. Our judgement. */
export function brokenTap(at: TroubleCase, told?: BreakTold): BrokenTap {
  const { worst, taps } = at.way;
  const { thread, material, depthMm } = worst.conditions;
  const { flutes } = worst.tap;
  const soft = material.group === 'aluminium' || material.group === 'copper-alloy' || material.group === 'zinc';
  const dissolves = material.group === 'aluminium';
  const size = thread.majorMm;
  const out: WayOut[] = [
    {
      label: phrase('Pliers or a punch on what stands out: work it back and forth, oil it.'),
      weight: at.through ? 0.6 : 0.45,
    },
    {
      label: phrase(
        'Extractor with {flutes} fingers in the flutes, collar down on the part; rock it, never force it.',
        { flutes },
      ),
      weight: size >= 5 && taps.every((t) => t.geometry !== 'form') ? 0.8 : 0.1,
    },
    {
      label: phrase('Drive the pieces in and out with a fine punch: high-speed steel shatters. Glasses on.'),
      weight: size >= 5 ? 0.4 : 0.2,
    },
    {
      label: phrase(
        'Dissolve it: warm alum solution eats the steel and leaves the aluminium. Gloves and glasses; outside, no lid.',
      ),
      weight: dissolves ? (size < 6 ? 0.75 : 0.5) : 0,
    },
    {
      label: phrase('Erode it (spark erosion): the sure way for a part that counts.'),
      weight: size < 5 || depthMm > 1.5 * size ? 0.7 : 0.5,
    },
    {
      label: phrase('From the back of a through hole: drill a smaller hole beside or drive it out the way it came.'),
      weight: at.through ? 0.5 : 0,
    },
    {
      label: phrase('Solid carbide drill or end mill down its middle, on a rigid machine only.'),
      weight: soft ? 0.25 : 0.4,
    },
  ];
  return {
    first: [
      phrase('Stop. Do not twist it: the pieces wedge.'),
      ...(WAY_FACTS[at.way.id].spindle
        ? [phrase('Spindle off and isolated before you reach in. Glasses on.')]
        : [phrase('Glasses on.')]),
      phrase('Likely cause here: {cause}.', { cause: CAUSE_WORDS[breakCause(at, told)] }),
    ],
    waysOut: out.filter((w) => w.weight > 0.15).sort((a, b) => b.weight - a.weight),
    part: phrase(
      'Out clean: gauge the thread. Damaged: a larger thread, or an insert, where wall and drawing allow; else the part is scrap. Ask whoever answers for the drawing.',
    ),
  };
}
