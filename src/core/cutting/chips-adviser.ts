import { ok, phrase, type Phrase, type Result } from '../answer/answer';
import { isWorkHardening, type Material } from '../materials/material';
import type { Machine } from './machine';
import { chooseSpeed, nextStep, type SpeedChoice } from './speed-step';

/** What a person sees or hears at the drill. */
export const CHIP_SIGNS = {
  curls: 'two even curls, or the metal’s own short chips',
  needles: 'needles or dust where it should curl',
  blue: 'blue chips',
  strings: 'long strings that wrap round the drill',
  smeared: 'metal smeared or welded on the lips',
  squeal: 'it squeals',
  chatter: 'it chatters, the mouth is many-sided',
  rubs: 'it stops cutting and the bottom shines',
  thin: 'thin chips that break to flakes',
  labours: 'the motor labours or stops',
  note: 'the note changes',
  catches: 'it catches as it breaks through',
  'pulled-in': 'it is pulled in',
} as const;
export type ChipSign = keyof typeof CHIP_SIGNS;

export interface ChipAdvice {
  /** The step to set now; the one in use where nothing is to change. */
  speed: Result<SpeedChoice>;
  /** mm/rev */
  feed: number;
  /** Share of the peck distance to keep. */
  peckShare: number;
  moved: { speed: -1 | 0 | 1; feed: -1 | 0 | 1 };
  reason: Phrase;
  /** What to look at besides. */
  look: Phrase;
}

interface Rule {
  speed: -1 | 0 | 1;
  feed: number;
  peck?: number;
  reason: string;
  look: string;
}

type RuleOf = (material: Material) => Rule;

const needles: RuleOf = ({ chips }) =>
  chips === 'powder'
    ? { speed: 0, feed: 1, reason: 'This metal breaks to dust by nature: that is right here.', look: 'Go on.' }
    : {
        speed: 0,
        feed: 1.3,
        reason: 'Too little feed: the lips scrape instead of cutting, and dull.',
        look: 'Press harder; check whether the point is dull.',
      };

const smeared: RuleOf = ({ group }) => ({
  speed: group === 'aluminium' ? 0 : -1,
  feed: 1.1,
  reason:
    group === 'aluminium'
      ? 'It welds where it runs dry, not where it runs fast: wet it, keep it cutting.'
      : 'It welds where it is hot: one step slower, and keep it cutting.',
  look: 'Fluid meant for this metal; clean the lips with a stone before going on.',
});

const rubs: RuleOf = (material) => ({
  speed: isWorkHardening(material) ? -1 : 0,
  feed: 1.4,
  reason: isWorkHardening(material)
    ? 'Rubbing has work-hardened the bottom: sharp cobalt, slower, and feed hard enough to cut under the skin.'
    : 'It rubs: feed until it bites, or you lose the point.',
  look: 'Never dwell; fit a sharp drill before you try again.',
});

const always =
  (rule: Rule): RuleOf =>
  () =>
    rule;

/** What each sign asks for. Shares of feed and peck are our judgement. */
const RULES: Record<ChipSign, RuleOf> = {
  curls: always({
    speed: 0,
    feed: 1,
    reason: 'Both lips cut evenly and the chip is real: carry on.',
    look: 'Go on.',
  }),
  needles,
  blue: always({
    speed: -1,
    feed: 1,
    reason: 'Too hot for high-speed steel: one step slower.',
    look: 'More fluid; a blued drill is soft at the corners, grind it back.',
  }),
  strings: always({
    speed: 0,
    feed: 1.25,
    peck: 0.5,
    reason: 'A thicker chip breaks sooner: feed more, and peck twice as often.',
    look: 'Stop the spindle before you clear strings; use a hook, never your fingers.',
  }),
  smeared,
  squeal: always({
    speed: -1,
    feed: 1.1,
    reason: 'Dull, dry or too fast: one step slower and a real feed.',
    look: 'Point sharp? Fluid at the tip?',
  }),
  chatter: always({
    speed: -1,
    feed: 1.2,
    reason: 'The point hammers: slower, and enough feed to keep both lips in the metal.',
    look: 'Clamp closer, shorter drill, a smaller pilot.',
  }),
  rubs,
  thin: ({ chips }) =>
    chips === 'powder' || chips === 'short'
      ? { speed: 0, feed: 1, reason: 'This metal gives short chips by nature.', look: 'Go on.' }
      : {
          speed: 0,
          feed: 1.25,
          reason: 'Too little feed: a thin chip rubs more than it cuts.',
          look: 'Feed until you get a real chip; if it takes force, the point is dull.',
        },
  labours: always({
    speed: -1,
    feed: 0.8,
    reason: 'More than the motor has: a slower step gives it more torque, and less feed asks for less.',
    look: 'Belt tight? Chips cleared? On a hand drill: the lower gear.',
  }),
  note: always({
    speed: 0,
    feed: 1,
    reason: 'It is about to break through, or it has just gone dull.',
    look: 'Near the depth: ease the feed. Above it: out, look at the lips.',
  }),
  catches: always({
    speed: 0,
    feed: 1,
    reason: 'The lips hook the last of the metal.',
    look: 'Run it backwards a moment, then forward with hardly any feed. Clamped? A board underneath?',
  }),
  'pulled-in': ({ chips, group }) => ({
    speed: 0,
    feed: 1,
    reason:
      group === 'copper-alloy' && chips !== 'stringy'
        ? 'Sharp lips dig into brass: dub them flat with a stone, and hold the feed back.'
        : 'The pilot is too wide: only the corners of the lips cut, and they screw in.',
    look: 'Hold the quill back; a pilot no wider than the chisel edge.',
  }),
};

/**
 * Moves speed and feed by what the chips show.
 * @param now the speed in use, rpm, and the feed, mm/rev
 */
export function adviseFromChips(
  sign: ChipSign,
  now: { rpm: number; feed: number; idealRpm: number },
  material: Material,
  machine: Machine | undefined,
): ChipAdvice {
  const rule = RULES[sign](material);
  const rpm = rule.speed === 0 || !machine ? now.rpm : nextStep(machine, now.rpm, rule.speed);
  const stuck = rule.speed !== 0 && rpm === now.rpm;
  return {
    speed: machine ? chooseSpeed(machine, now.idealRpm, material, 'auto', rpm) : ok(noStep(now, rule.speed)),
    feed: now.feed * rule.feed,
    peckShare: rule.peck ?? 1,
    moved: { speed: stuck && machine ? 0 : rule.speed, feed: rule.feed > 1 ? 1 : rule.feed < 1 ? -1 : 0 },
    reason:
      stuck && machine
        ? phrase(`${rule.reason} The {machine} has no slower step: more fluid and shorter bites instead.`, {
            machine: machine.name,
          })
        : phrase(rule.reason),
    look: phrase(rule.look),
  };
}

function noStep(now: { rpm: number; idealRpm: number }, move: -1 | 0 | 1): SpeedChoice {
  const rpm = now.rpm * (move < 0 ? 0.8 : move > 0 ? 1.2 : 1);
  return {
    rpm,
    label: 'as near as it gets',
    percentOfIdeal: (rpm / now.idealRpm) * 100,
    rule: 'set',
    reason: phrase('No machine given: a fifth slower or faster.'),
    cautions: [],
  };
}
