import { WAY_FACTS, WAYS } from '../tapping/ways';
import type { ShopHabits } from './habits';

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
  habit('tapDrill', 'Tap drill', 'The others are always shown beside the one you choose.', [
    ['percentage', 'percentage for the metal, kept inside the class on the predicted hole'],
    ['chart', 'the printed chart on the wall'],
    ['subtraction', 'major minus pitch'],
    ['limits', 'the middle of the class limits'],
  ]),
  habit('percentage', 'Target percentage', 'More thread loads the tap far more than it strengthens the joint.', [
    ['by-material', 'by metal, then size, then depth'],
    ['seventy-five', '75 for everything'],
  ]),
  habit('speed', 'Drill speed from', 'All three are shown; this one sets the step.', [
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
  habit('start', 'Start', 'It sets where the hole ends up, and how round it is.', [
    ['by-machine', 'by machine: centre drill, spot on mill and lathe, punch by hand'],
    ['punch', 'punch mark only'],
    ['centre-drill', 'centre drill everywhere'],
    ['spot', 'spot drill everywhere but by hand'],
  ]),
  habit('chamfer', 'Chamfer', 'Without it the first thread is pushed up.', [
    ['before', 'once before tapping; a spot that leaves it counts'],
    ['both', 'spotted and countersunk again before tapping'],
  ]),
  habit('order', 'Order of work', 'The order that Route proposes.', [
    ['quicker', 'whichever is quicker on this machine'],
    ['hole-by-hole', 'hole by hole, without moving the clamping'],
    ['tool-by-tool', 'tool by tool over all holes'],
  ]),
  habit('airTrial', 'Trial in air', 'A new machine, head or tap is tried above the part first.', [
    ['off', 'straight into the work'],
    ['on', 'a trial in air before the first hole'],
  ]),
  habit('firstHole', 'First hole', 'Of like holes that a gauge decides.', [
    ['through', 'one goes through to the gauge, then the rest'],
    ['all', 'all are made, then gauged'],
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
  habit('usualWay', 'Way of driving taps', 'Taken wherever machine, crib and hole allow it; the others are shown.', [
    ['by-hole', 'the best for each hole'],
    ...WAYS.map((id) => [id, WAY_FACTS[id].label] as const),
  ]),
  habit('powerTapping', 'Blind holes under power', 'At one pitch a turn you hit bottom before you can react.', [
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
    ['1', 'at most one'],
    ['1.5', 'at most one and a half'],
    ['3', 'at most three'],
  ]),
  habit('tapNames', 'Names of hand taps', 'What one country calls plug another calls second.', [
    ['taper-plug-bottoming', 'taper (8), plug (4), bottoming (2)'],
    ['taper-second-plug', 'taper (8), second (4), plug (2)'],
  ]),
  habit('engagement', 'Thread where none is drawn', 'Used when a callout gives no depth.', [
    ['computed', 'computed: enough for the bolt to break first, 0.8 to 2.5 diameters'],
    ['one', 'one diameter'],
    ['one-and-a-half', 'one and a half diameters'],
  ]),
  habit('formed', 'Formed threads', 'Forming leaves a split crest; some drawings allow for it.', [
    ['same', 'in the class on the drawing'],
    ['looser', 'one grade looser in minor diameter'],
  ]),
] as const;
