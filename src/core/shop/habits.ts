import type { SpeedMethod } from '../cutting/speed-methods';
import type { StepRule } from '../cutting/speed-step';
import type { PilotHabit } from '../drills/pilot-chain';
import type { StartMeans } from '../drills/predicted-hole';
import type { TapNames } from '../tapping/tap';
import type { TappingHabits } from '../tapping/tapping-question';

/** How a shop does things where practice differs. */
export interface ShopHabits {
  tapDrill: 'percentage' | 'chart' | 'subtraction' | 'limits';
  percentage: 'by-material' | 'seventy-five';
  speed: SpeedMethod;
  stepRule: StepRule;
  pilot: PilotHabit;
  start: 'by-machine' | Extract<StartMeans, 'punch' | 'centre-drill' | 'spot'>;
  chamfer: 'before' | 'both';
  order: 'quicker' | 'hole-by-hole' | 'tool-by-tool';
  firstTap: TappingHabits['firstTap'];
  reversing: 'by-material' | 'quarter' | 'half' | 'one' | 'none';
  powerTapping: 'computed' | 'never-blind';
  tailstock: TappingHabits['tailstock'];
  notGoTurns: '1.5' | '2' | '3';
  tapNames: TapNames;
  engagement: 'computed' | 'one' | 'one-and-a-half';
  /** Formed threads may use the next looser grade for the minor diameter. */
  formed: 'same' | 'looser';
}

export const USUAL_HABITS: ShopHabits = {
  tapDrill: 'percentage',
  percentage: 'by-material',
  speed: 'formula',
  stepRule: 'auto',
  pilot: 'web',
  start: 'by-machine',
  chamfer: 'before',
  order: 'quicker',
  firstTap: 'by-hole',
  reversing: 'by-material',
  powerTapping: 'computed',
  tailstock: 'free',
  notGoTurns: '2',
  tapNames: 'taper-plug-bottoming',
  engagement: 'computed',
  formed: 'same',
};

export interface Habit<K extends keyof ShopHabits = keyof ShopHabits> {
  id: K;
  question: string;
  /** What hangs on it. */
  why: string;
  options: readonly (readonly [value: ShopHabits[K], label: string])[];
}

const habit = <K extends keyof ShopHabits>(
  id: K,
  question: string,
  why: string,
  options: Habit<K>['options'],
): Habit<K> => ({ id, question, why, options });

/** Where practice differs, the usual way first, each with what hangs on it. */
export const HABITS = [
  habit('tapDrill', 'Tap drill', 'The others always stand beside the one chosen.', [
    ['percentage', 'percentage for the metal, inside the class on the hole as it comes out'],
    ['chart', 'the flat percentage of the wall chart'],
    ['subtraction', 'major minus pitch'],
    ['limits', 'the middle of the class limits'],
  ]),
  habit('percentage', 'Percentage aimed at', 'More thread loads the tap far more than it strengthens the joint.', [
    ['by-material', 'by metal, then size, then depth'],
    ['seventy-five', '75 for everything'],
  ]),
  habit('speed', 'Drill speed from', 'All three are shown; this one chooses the step.', [
    ['formula', 'cutting speed of the metal'],
    ['thumb', 'the rule of thumb'],
    ['chart', 'the chart on the machine, where it has one'],
  ]),
  habit('stepRule', 'Between two steps', 'Slow costs time; fast costs the drill.', [
    ['auto', 'below for hard metal and by hand, else the nearest'],
    ['nearest', 'always the nearest'],
    ['below', 'always the next below'],
  ]),
  habit('pilot', 'Pilot', 'A pilot only spares the chisel edge; a wide one makes the next drill grab.', [
    ['web', 'as wide as the chisel edge, over 10 mm (6 by hand)'],
    ['none', 'none: split points'],
    ['generous', 'half the drill, over 6 mm'],
  ]),
  habit('start', 'Start', 'It decides where the hole comes out, and how round.', [
    ['by-machine', 'by machine: centre drill, spot on mill and lathe, punch by hand'],
    ['punch', 'punch mark only'],
    ['centre-drill', 'centre drill everywhere'],
    ['spot', 'spot drill everywhere but by hand'],
  ]),
  habit('chamfer', 'Chamfer', 'Without it the first thread is pushed up.', [
    ['before', 'once before tapping; a spot that leaves it counts'],
    ['both', 'spotted and countersunk again before tapping'],
  ]),
  habit('order', 'Order of work', 'Waits for Route, which is not there yet: no plan of one hole depends on it.', [
    ['quicker', 'whichever is quicker on this machine'],
    ['hole-by-hole', 'hole by hole, the clamping untouched'],
    ['tool-by-tool', 'tool by tool over all holes'],
  ]),
  habit('firstTap', 'First hand tap', 'More chamfer starts straighter and loads each tooth less.', [
    ['by-hole', 'by hole, metal and load'],
    ['taper', 'taper always'],
    ['plug', 'plug always'],
  ]),
  habit('reversing', 'Turning back', 'It breaks the chip of straight flutes.', [
    ['by-material', 'by diameter and metal'],
    ['quarter', 'every quarter turn'],
    ['half', 'every half turn'],
    ['one', 'every turn'],
    ['none', 'not at all'],
  ]),
  habit('powerTapping', 'Blind holes under power', 'At one pitch a turn the bottom comes before a hand reacts.', [
    ['computed', 'where the stopping room allows'],
    ['never-blind', 'never'],
  ]),
  habit('tailstock', 'Tailstock when tapping', 'The tap must lead itself.', [
    ['free', 'free to follow'],
    ['cranked', 'cranked after it by hand'],
    ['locked', 'locked, the barrel cranked'],
  ]),
  habit('notGoTurns', 'Not-go may enter', 'Two is the standard’s own limit.', [
    ['2', 'at most two turns'],
    ['1.5', 'at most one and a half'],
    ['3', 'at most three'],
  ]),
  habit('tapNames', 'Names of hand taps', 'What one country calls plug another calls second.', [
    ['taper-plug-bottoming', 'taper (8), plug (4), bottoming (2)'],
    ['taper-second-plug', 'taper (8), second (4), plug (2)'],
  ]),
  habit('engagement', 'Thread where none is drawn', 'Taken when a callout gives no depth.', [
    ['computed', 'computed: until the bolt would break first, 0.8 to 2.5 diameters'],
    ['one', 'one diameter'],
    ['one-and-a-half', 'one and a half diameters'],
  ]),
  habit('formed', 'Formed threads', 'Forming leaves a rounded crest; some drawings allow for it.', [
    ['same', 'in the class of the drawing'],
    ['looser', 'one grade looser in minor diameter'],
  ]),
] as const;

/** Revolutions forward that a shop's habit wants before turning back; undefined where the metal decides. */
export const habitualBite = (reversing: ShopHabits['reversing']): number | undefined =>
  ({ 'by-material': undefined, quarter: 0.25, half: 0.5, one: 1, none: 0 })[reversing];

/** The part of the habits that tapping depends on. */
export const tappingHabits = (habits: ShopHabits): TappingHabits => ({
  tapNames: habits.tapNames,
  firstTap: habits.firstTap,
  bite: habitualBite(habits.reversing),
  neverBlind: habits.powerTapping === 'never-blind',
  tailstock: habits.tailstock,
});
