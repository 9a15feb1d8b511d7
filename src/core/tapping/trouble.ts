import { depth, phrase, quantity, type Phrase, type RemedyKind } from '../answer/answer';
import { percentOfThread } from '../threads/percent-of-thread';
import { isTreacherous } from './tap-risk';
import { fluidFactor, packingFactor, rubFactor, type TappingConditions } from './tapping-torque';
import type { WayOfTapping } from './way-of-tapping';
import { WAY_FACTS } from './ways';

/** What is seen, heard or felt at the tap. */
export const SIGNS = {
  'tight-at-once': 'Tight from the first turn',
  'tight-rising': 'Tightens as it goes',
  'stops-dead': 'Stops dead',
  creaks: 'It creaks',
  cracks: 'A crack, but it still turns',
  'chip-holds': 'The chip will not snap',
  wobbles: 'It wobbles at the start',
  slips: 'It slips in the chuck or head',
  smokes: 'It smokes',
  'makes-chips': 'The forming tap makes chips',
  torn: 'Torn, rough threads',
  loose: 'Loose, oversize threads',
  crooked: 'Leans, or a wide mouth',
  'not-go': 'Not-go gauge enters too far',
  'minor-large': 'Minor diameter too large',
  'minor-small': 'Minor diameter too small',
  broken: 'The tap broke',
} as const;
export type Sign = keyof typeof SIGNS;
export type SignFelt = Exclude<Sign, 'broken'>;

/** Which change of the plan takes a cause away; `none` is done at the bench. */
export type TroubleRemedy = RemedyKind | 'none';

/** What causes are weighed by. */
export interface TroubleCase {
  way: WayOfTapping;
  kind: 'cut' | 'form';
  dry: boolean;
  through: boolean;
}

/** Signs that can be met at this hole: no chip to snap under a forming tap, no chuck to slip in at a wrench. */
export function signsAt({ way, kind }: Pick<TroubleCase, 'way' | 'kind'>): Sign[] {
  const { spindle } = WAY_FACTS[way.id];
  const reverses = way.worst.biteTurns > 0;
  const isMet: Partial<Record<Sign, boolean>> = {
    'chip-holds': kind === 'cut' && reverses,
    slips: spindle,
    'makes-chips': kind === 'form',
    'minor-small': kind === 'form',
  };
  return (Object.keys(SIGNS) as Sign[]).filter((sign) => isMet[sign] ?? true);
}

const share = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** How far what is known of the hole speaks for each kind of cause, 0 to 1. */
interface Fits {
  small: number;
  worn: number;
  dry: number;
  packing: number;
  lean: number;
  springs: number;
  headed: boolean;
  through: boolean;
  forms: boolean;
}

function fitsOf(c: TappingConditions, { way, dry, through, kind }: TroubleCase): Fits {
  const percent = percentOfThread(c.thread, c.minorMm);
  return {
    small: Math.max(share(percent, 68, 85), share(rubFactor(percent), 1, 1.3)),
    worn: share(c.tap.wear ?? 1, 1, 1.5),
    dry: dry ? 1 : share(fluidFactor(c), 1, 1.4),
    packing:
      kind === 'form' ? 0 : Math.max(share(packingFactor(c), 1, 1.2), share(c.depthMm / c.thread.majorMm, 1, 2.5)),
    lean: share(way.leanDeg, 0.2, 1.2),
    springs: c.material.chips === 'stringy' || isTreacherous(c.material) ? 0.7 : 0.2,
    headed: way.clutch !== undefined,
    through,
    forms: kind === 'form',
  };
}

/** What may be behind a sign: asked as a question that a look or a touch answers, with the remedy. */
interface CauseFacts {
  ask: string;
  says: string;
  remedy: string;
  change: TroubleRemedy;
  /** 0 to 1, by this hole’s own figures; nothing where it cannot be. Our judgement. */
  weight: (f: Fits) => number;
}

const CAUSES = {
  small: {
    ask: 'Is the hole small? A pin or the drill itself tells.',
    says: 'Hole too small: {percent} of thread on the predicted hole.',
    remedy: 'Redrill a size up inside the class; measure with pins.',
    change: 'next-drill',
    weight: (f) => 0.3 + 0.7 * f.small,
  },
  worn: {
    ask: 'Is the tap dull? Look at its edges against the light.',
    says: 'Dull tap.',
    remedy: 'Use a sharp tap.',
    change: 'sharp-tap',
    weight: (f) => 0.2 + 0.8 * f.worn,
  },
  dry: {
    ask: 'Is it dry, or wet with the wrong fluid?',
    says: 'Dry, or the wrong fluid.',
    remedy: 'Plenty of {fluid}.',
    change: 'use-fluid',
    weight: (f) => 0.15 + 0.85 * f.dry,
  },
  packing: {
    ask: 'Are the flutes full of chips?',
    says: 'Chips packing: {deep} is {diameters} diameters deep.',
    remedy: 'Back out, clean, oil; shorter bites. A spiral flute or point carries chips off.',
    change: 'other-way',
    weight: (f) => (f.forms ? 0 : 0.2 + 0.8 * f.packing),
  },
  lean: {
    ask: 'Does it lean? Look from two sides with a square.',
    says: 'Not square: this way leans about {lean}.',
    remedy: 'Guide the start; check with a square at two sides.',
    change: 'other-way',
    weight: (f) => 0.2 + 0.7 * f.lean,
  },
  closes: {
    ask: 'Does it turn as hard going back as going in?',
    says: 'The metal closes in on the tap.',
    remedy: 'One drill up; a tap with more relief.',
    change: 'next-drill',
    weight: (f) => f.springs,
  },
  forced: {
    ask: 'Was it pushed in or held back?',
    says: 'Feed forced: the tap was pushed or held back.',
    remedy: 'Let the tap lead itself; spindle or tailstock free to follow.',
    change: 'none',
    weight: () => 0.35,
  },
  large: {
    ask: 'Is the drilled hole large? Try the pins.',
    says: 'Hole cut large: unequal lips, wander, wrong drill.',
    remedy: 'Smaller or resharpened drill, guided, for the next holes; pin the next one before it is tapped.',
    change: 'smaller-drill',
    weight: (f) => 0.3 + 0.7 * (1 - f.small),
  },
  'build-up': {
    ask: 'Is metal stuck to the edges of the tap?',
    says: 'Metal built up on the edges.',
    remedy: 'Clean the tap, more fluid, slower.',
    change: 'use-fluid',
    weight: (f) => 0.3 * (f.dry + f.springs),
  },
  bottom: {
    ask: 'Were {turns} turned already?',
    says: 'The bottom: more than {turns} were turned.',
    remedy: 'Stop. Drill deeper where the wall allows, or a bottoming tap.',
    change: 'deeper',
    weight: (f) => (f.through ? 0 : 0.8),
  },
  'chips-below': {
    ask: 'Do chips come out when you clear the hole?',
    says: 'Chips at the bottom.',
    remedy: 'Take the tap out, clear the hole, count the turns again.',
    change: 'none',
    weight: (f) => (f.through || f.forms ? 0.1 : 0.6),
  },
  hook: {
    ask: 'Is the tap made for another metal?',
    says: 'Wrong hook or surface for this metal.',
    remedy: 'Hook and surface as named in the answer.',
    change: 'sharp-tap',
    weight: () => 0.3,
  },
  'tap-class': {
    ask: 'Is the tap marked for a larger class, or not ground?',
    says: 'The tap cuts a larger class than asked.',
    remedy: 'A tap marked for this class, ground.',
    change: 'sharp-tap',
    weight: () => 0.4,
  },
  flow: {
    ask: 'Do the pins stay out of the finished thread?',
    says: 'The metal flowed more than expected.',
    remedy: 'Next drill up; check the finished minor with pins.',
    change: 'next-drill',
    weight: (f) => (f.forms ? 0.9 : 0),
  },
  tooth: {
    ask: 'Is a tooth of the tap gone?',
    says: 'A tooth broke off and lies in the hole.',
    remedy: 'Back it out, find the piece, fit another tap. Go on with neither unseen.',
    change: 'sharp-tap',
    weight: () => 0.8,
  },
  'chip-snaps': {
    ask: 'Was it a thick chip that snapped on the way back?',
    says: 'A chip snapped: that is what reversing is for.',
    remedy: 'Go on, with the bite as it is.',
    change: 'none',
    weight: (f) => (f.forms ? 0 : 0.5),
  },
  'short-back': {
    ask: 'Was it turned back less than half a turn?',
    says: 'Turned back too little: the chip bends and does not break.',
    remedy: 'Back a good half turn until you feel it give; then a shorter bite forward.',
    change: 'none',
    weight: () => 0.7,
  },
  'no-guide': {
    ask: 'Are less than three threads cut?',
    says: 'Only the first threads hold it, and nothing guides it.',
    remedy: 'Back it out and start again, guided; a chamfered mouth centres it.',
    change: 'other-way',
    weight: (f) => 0.4 + 0.5 * f.lean,
  },
  chuck: {
    ask: 'Is the chuck hand-tight on a round shank?',
    says: 'The chuck let go, as it should before the tap does.',
    remedy: 'Ease: back out, clear, oil. Tighten only when you know why it was heavy.',
    change: 'none',
    weight: (f) => (f.headed ? 0 : 0.6),
  },
  'clutch-low': {
    ask: 'Does it slip from the first turn of a sound hole?',
    says: 'The clutch is set under the torque that this hole needs.',
    remedy: 'Set the clutch as the answer says, no higher.',
    change: 'none',
    weight: (f) => (f.headed ? 0.5 : 0),
  },
  'clutch-high': {
    ask: 'Is the clutch set higher than the answer says?',
    says: 'The clutch is set so high that the tap goes before it slips.',
    remedy: 'Set it as the answer says; try it with the tap held in a rag.',
    change: 'none',
    weight: (f) => (f.headed ? 0.6 : 0),
  },
  fast: {
    ask: 'Does it turn faster than planned?',
    says: 'Too fast for this metal.',
    remedy: 'Set the speed of the plan, with plenty of {fluid}.',
    change: 'none',
    weight: () => 0.4,
  },
} satisfies Record<string, CauseFacts>;
export type CauseId = keyof typeof CAUSES;
export const CAUSE_IDS = Object.keys(CAUSES) as [CauseId, ...CauseId[]];

const BEHIND: Record<SignFelt, CauseId[]> = {
  'tight-at-once': ['small', 'closes', 'worn', 'dry', 'flow'],
  'tight-rising': ['packing', 'dry', 'worn', 'lean'],
  'stops-dead': ['bottom', 'chips-below', 'packing', 'clutch-low'],
  creaks: ['dry', 'worn', 'small', 'packing'],
  cracks: ['tooth', 'chip-snaps', 'packing'],
  'chip-holds': ['short-back', 'worn', 'packing', 'dry'],
  wobbles: ['no-guide', 'lean', 'forced'],
  slips: ['chuck', 'clutch-low', 'packing', 'worn', 'small', 'bottom'],
  smokes: ['dry', 'fast', 'worn'],
  'makes-chips': ['small', 'worn', 'dry'],
  torn: ['worn', 'dry', 'hook', 'build-up'],
  loose: ['forced', 'lean', 'large', 'build-up', 'clutch-high'],
  crooked: ['lean', 'forced', 'no-guide'],
  'not-go': ['tap-class', 'lean', 'forced'],
  'minor-large': ['large', 'forced'],
  'minor-small': ['flow', 'small'],
};

/** One likely cause, with what this hole’s own figures say of it. */
export interface Cause {
  id: CauseId;
  /** What to look at: yes or no tells whether it is this one. */
  ask: Phrase;
  cause: Phrase;
  /** How well this hole’s figures fit it, 0 to 1. */
  weight: number;
  remedy: Phrase;
  change: TroubleRemedy;
  /** Its remedy helps only holes that are not drilled yet. */
  onlyNext: boolean;
}

/**
 * What likely causes a sign at this hole, most likely first, each with a remedy.
 * Order and weights are our judgement; the figures are this hole’s own.
 */
export function causesOf(sign: SignFelt, at: TroubleCase): Cause[] {
  const c = at.way.worst.conditions;
  const fits = fitsOf(c, at);
  const values = {
    percent: quantity(percentOfThread(c.thread, c.minorMm), 'percent'),
    deep: depth(c.depthMm),
    diameters: (c.depthMm / c.thread.majorMm).toFixed(1),
    turns: quantity(at.way.turns.value, 'turns'),
    lean: quantity(at.way.leanDeg, 'deg'),
    fluid: c.material.lubricant,
  };
  return BEHIND[sign]
    .map((id): Cause => {
      const { ask, says, remedy, change, weight }: CauseFacts = CAUSES[id];
      return {
        id,
        ask: phrase(ask, values),
        cause: phrase(says, values),
        weight: weight(fits),
        remedy: phrase(remedy, values),
        change,
        onlyNext: change === 'smaller-drill',
      };
    })
    .filter((x) => x.weight > 0)
    .sort((a, b) => b.weight - a.weight);
}
