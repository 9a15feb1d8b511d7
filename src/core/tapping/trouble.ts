import { depth, phrase, quantity, type Phrase, type RemedyKind } from '../answer/answer';
import { percentOfThread } from '../threads/percent-of-thread';
import { causeOf } from './tap-risk';
import { fluidFactor, packingFactor, rubFactor, type TappingConditions } from './tapping-torque';
import type { WayOfTapping } from './way-of-tapping';

/** What is seen or felt at the wrench. */
export const SIGNS = {
  'tight-at-once': 'Tight from the first turn',
  'tight-rising': 'Tightens as it goes',
  'stops-dead': 'Stops dead',
  torn: 'Torn, rough threads',
  loose: 'Loose, oversize threads',
  crooked: 'Leans, or a wide mouth',
  'not-go': 'Not-go gauge enters too far',
  'minor-large': 'Minor diameter too large',
  'minor-small': 'Minor diameter too small',
  broken: 'The tap broke',
} as const;
export type Sign = keyof typeof SIGNS;

/** Which change of the plan takes a cause away; `none` is done at the bench. */
export type TroubleRemedy = RemedyKind | 'none';

/** One likely cause, with what this hole’s own figures say of it. */
export interface Cause {
  cause: Phrase;
  /** How well this hole’s figures fit it, 0 to 1. */
  weight: number;
  remedy: Phrase;
  change: TroubleRemedy;
}

/** What the causes are weighed by. */
export interface TroubleCase {
  way: WayOfTapping;
  kind: 'cut' | 'form';
  dry: boolean;
  through: boolean;
}

const share = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** How far each likely cause fits what is known of the hole, 0 to 1. */
function fits(c: TappingConditions, { way, dry }: TroubleCase) {
  const percent = percentOfThread(c.thread, c.minorMm);
  return {
    percent,
    small: Math.max(share(percent, 68, 85), share(rubFactor(percent), 1, 1.3)),
    worn: share(c.tap.wear ?? 1, 1, 1.5),
    dry: dry ? 1 : share(fluidFactor(c), 1, 1.4),
    packing: Math.max(share(packingFactor(c), 1, 1.2), share(c.depthMm / c.thread.majorMm, 1, 2.5)),
    lean: share(way.leanDeg, 0.2, 1.2),
    springs: c.material.chips === 'stringy' ? 0.7 : 0.3,
  };
}

const cause = (
  weight: number,
  text: string,
  remedy: string,
  change: TroubleRemedy,
  values?: Phrase['values'],
): Cause => ({
  cause: phrase(text, values),
  weight,
  remedy: phrase(remedy, values),
  change,
});

/**
 * What likely causes a sign at this hole, most likely first, each with a remedy.
 * Order and weights are our judgement; the figures are this hole’s own.
 */
export function causesOf(sign: Exclude<Sign, 'broken'>, at: TroubleCase): Cause[] {
  const c = at.way.worst.conditions;
  const f = fits(c, at);
  const values = {
    percent: quantity(f.percent, 'percent'),
    deep: depth(c.depthMm),
    diameters: (c.depthMm / c.thread.majorMm).toFixed(1),
    turns: quantity(at.way.turns.value, 'turns'),
    lean: quantity(at.way.leanDeg, 'deg'),
    fluid: c.material.lubricant,
  };
  const say = (weight: number, text: string, remedy: string, change: TroubleRemedy): Cause =>
    cause(weight, text, remedy, change, values);
  const small = say(
    0.3 + 0.7 * f.small,
    'Hole too small: {percent} of thread on the predicted hole.',
    'Redrill a size up inside the class; measure with pins.',
    'next-drill',
  );
  const worn = say(0.2 + 0.8 * f.worn, 'Dull tap.', 'Use a sharp tap.', 'sharp-tap');
  const dry = say(0.15 + 0.85 * f.dry, 'Dry, or the wrong fluid.', 'Plenty of {fluid}.', 'use-fluid');
  const packing = say(
    at.kind === 'form' ? 0 : 0.2 + 0.8 * f.packing,
    'Chips packing: {deep} is {diameters} diameters deep.',
    'Back out, clean, oil; shorter bites. A spiral flute or point carries chips off.',
    'other-way',
  );
  const lean = say(
    0.2 + 0.7 * f.lean,
    'Not square: this way leans about {lean}.',
    'Guide the start; check with a square at two sides.',
    'other-way',
  );
  const closes = say(
    f.springs,
    'The metal closes in on the tap.',
    'One drill up; a tap with more relief.',
    'next-drill',
  );
  const forced = say(
    0.35,
    'Feed forced: the tap was pushed or held back.',
    'Let the tap lead itself; spindle or tailstock free to follow.',
    'none',
  );
  const large = say(
    0.3 + 0.7 * (1 - f.small),
    'Hole cut large: unequal lips, wander, wrong drill.',
    'Smaller or resharpened drill, guided; pin the next hole before tapping.',
    'smaller-drill',
  );
  const buildUp = say(
    0.3 * (f.dry + f.springs),
    'Metal built up on the edges.',
    'Clean the tap, more fluid, slower.',
    'use-fluid',
  );
  const bottom = say(
    at.through ? 0 : 0.8,
    'The bottom: more than {turns} were turned.',
    'Stop. Drill deeper where the wall allows, or a bottoming tap.',
    'deeper',
  );
  const chipsBelow = say(
    at.through ? 0.1 : 0.6,
    'Chips at the bottom.',
    'Take the tap out, clear the hole, count the turns again.',
    'none',
  );
  const hook = say(
    0.3,
    'Wrong hook or surface for this metal.',
    'Hook and surface as named in the answer.',
    'sharp-tap',
  );
  const wrongClass = say(
    0.4,
    'The tap cuts a larger class than asked.',
    'A tap marked for this class, ground.',
    'sharp-tap',
  );
  const flow = say(
    at.kind === 'form' ? 0.9 : 0.2,
    'The metal flowed more than expected.',
    'Next drill up; check the finished minor with pins.',
    'next-drill',
  );
  const lists: Record<Exclude<Sign, 'broken'>, Cause[]> = {
    'tight-at-once': [small, closes, worn, dry],
    'tight-rising': [packing, dry, worn, lean],
    'stops-dead': [bottom, chipsBelow, packing],
    torn: [worn, dry, hook, buildUp],
    loose: [forced, lean, large, buildUp],
    crooked: [lean, forced],
    'not-go': [wrongClass, lean, forced],
    'minor-large': [large, forced],
    'minor-small': [flow, small],
  };
  return lists[sign].filter((x) => x.weight > 0).sort((a, b) => b.weight - a.weight);
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
export function brokenTap(at: TroubleCase): BrokenTap {
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
        {
          flutes,
        },
      ),
      weight: size >= 5 && taps.every((t) => t.geometry !== 'form') ? 0.8 : 0.1,
    },
    {
      label: phrase('Drive the pieces in and out with a fine punch: high-speed steel shatters. Glasses on.'),
      weight: size >= 5 ? 0.4 : 0.2,
    },
    {
      label: phrase('Dissolve it: warm alum solution eats the steel and leaves the aluminium. Outside, no lid.'),
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
      phrase('Note hole, depth, tap and its count of holes, and what it felt like.'),
      phrase('Likely cause here: {cause}.', { cause: CAUSE_WORDS[causeOf(worst.conditions)] }),
    ],
    waysOut: out.filter((w) => w.weight > 0.15).sort((a, b) => b.weight - a.weight),
    part: phrase(
      'Out clean: gauge the thread. Damaged: a larger thread, or an insert, where wall and drawing allow; else the part is scrap. Ask whoever answers for the drawing.',
    ),
  };
}

const CAUSE_WORDS = {
  dry: 'it ran dry',
  worn: 'a worn tap',
  'small-hole': 'a small hole',
  deep: 'chips packed in a deep hole',
  lean: 'it leaned',
  metal: 'tough metal for this size',
} as const;
