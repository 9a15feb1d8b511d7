/** One rule of the trade: why it is so, in a sentence, and the workings and cautions that rest on it. */
interface Reason {
  says: string;
  /** Rules of workings, as {@link Working.rule} names them. */
  rules?: readonly string[];
  /** Codes of cautions. */
  cautions?: readonly string[];
}

/**
 * Why it is done so, written once: workings, cautions and exercises read it here. No figures: those are in the workings.
 * Source: trade rules.
 */
export const REASONS = {
  percent: {
    says: 'Three quarters of a full thread hold nearly as much as all of it and take a third of the torque: a looser thread spares the tap.',
    rules: ['Target percent of thread', 'Percent of thread'],
    cautions: ['percent-range', 'percent-asked'],
  },
  predicted: {
    says: 'A drill cuts a little larger than itself, by its point, its start and the machine: the thread stands in that hole, not in the size on the shank.',
    rules: ['Hole that the drill leaves'],
  },
  class: {
    says: 'The class is what fits the gauge: under its least hole the tap binds, over its largest the crests are cut away.',
    cautions: ['class-outside', 'class-borderline'],
  },
  forming: {
    says: 'A forming tap moves metal and makes no chip: the hole closes in, so it starts larger and is held closer than a drilled one.',
    rules: ['Percent of thread to form'],
    cautions: ['form-check', 'form-hole-close'],
  },
  enough: {
    says: 'When the bolt breaks before the thread strips, more thread adds no strength, only time and a tap that goes deeper.',
    rules: ['Enough thread'],
    cautions: ['thread-short', 'thread-long'],
  },
  sheet: {
    says: 'Two threads in a thin sheet share no load: a nut, a rivet nut or a flared hole gives the screw something to hold.',
    cautions: ['threads-in-sheet'],
  },
  tip: {
    says: 'The point goes ahead of the full diameter: a stop set without it leaves the thread short, or lets the point through.',
    rules: [
      "Length of the drill's tip",
      'Stop, from where the tip touches the face',
      'Depth from where the tip touches',
    ],
  },
  room: {
    says: 'A tap ends in a cone and pushes chips ahead: without room below, it meets the bottom before the thread is deep enough.',
    rules: ['Full-diameter depth'],
    cautions: ['too-shallow'],
  },
  wall: {
    says: 'A thin floor bulges under the push of the drill and breaks out under the tap.',
    rules: ['Wall left under the tip', 'Wall between two bores'],
    cautions: ['wall-thin', 'existing-thin', 'edge-near'],
  },
  speed: {
    says: 'The edge burns by how fast it goes through the metal, not by turns: a drill of half the size turns twice as fast.',
    rules: ['Drill speed from cutting speed'],
  },
  thumb: {
    says: 'One remembered figure and the ratio of diameters give a speed in the head, close enough to choose a belt.',
    rules: ['Rule of thumb'],
  },
  chart: {
    says: 'The plate on the machine knows its belts, not your metal: it is right for mild steel.',
    rules: ['Chart on the machine'],
  },
  step: {
    says: 'Too fast blunts the lips in seconds; too slow only costs time, as long as the feed keeps up.',
    cautions: ['speed-high', 'speed-low'],
  },
  feed: {
    says: 'A chip that is too thin rubs and hardens the metal; one that is too thick stalls the motor or chips the lips.',
    rules: ['Feed'],
  },
  power: {
    says: 'Belts and gears pass on only part of the motor: what the cut takes has to stay under that, or the drill stops and grabs.',
    rules: ['Drilling torque'],
    cautions: ['power'],
  },
  grab: {
    says: 'When a drill catches, it turns the part instead of the chip; the further out the part is held, the less it takes.',
    rules: ['Force at the edge of the part when the drill grabs'],
    cautions: ['grabs'],
  },
  pilot: {
    says: 'A pilot only spares the chisel edge. One that is wider leaves the lips their corners alone, and they bite and chip.',
    cautions: ['pilot-large', 'pilot-small'],
  },
  order: {
    says: 'The larger, shallower part first: the smaller drill then starts from its floor; the other way round the larger one binds.',
    cautions: ['larger-first', 'follows'],
  },
  start: {
    says: 'A drill follows whatever it meets first: a mark that swallows its chisel edge leads it, a slope or a curve pushes it off.',
    cautions: ['wander', 'slope', 'round-side', 'off-axis', 'spot-angle'],
  },
  hardens: {
    says: 'This metal gets hard where a tool rubs it: keep cutting or get out, for the next edge meets what the last one left.',
    cautions: ['work-hardens'],
  },
  hardSteel: {
    says: 'Hard or tough metal draws the temper of high-speed steel; cobalt keeps its edge hot, carbide wants a machine that does not give.',
    cautions: ['cobalt', 'carbide-loose', 'core'],
  },
  torque: {
    says: 'Each tooth peels its share of the thread: less hole, fewer teeth, packed chips or a dull edge all come out as torque.',
    rules: ['Tapping torque'],
    cautions: ['tap-safety', 'tap-worn'],
  },
  breaking: {
    says: 'A tap breaks at its core, and the core goes with the cube of the size: half the tap holds an eighth.',
    rules: ["Tap's breaking torque"],
  },
  teeth: {
    says: 'A short chamfer has few teeth to do the work: each takes a thicker chip, and its corner goes.',
    cautions: ['tooth-load'],
  },
  turns: {
    says: 'A blind tap gives no sign before the bottom: counted turns are the only warning.',
    rules: ['Turns of the tap', 'Turns of full thread', 'Turns of a tapered tap, about'],
  },
  stopping: {
    says: 'A spindle runs on while you react and while it coasts, one pitch deeper with every turn.',
    rules: ['Stopping room'],
  },
  clutch: {
    says: 'The clutch has to slip after the cut and before the tap: set it between the two.',
    rules: ['Clutch of the tapping head'],
  },
  slips: {
    says: 'A chuck that slips saves the tap; a small tap breaks before any chuck lets go.',
    cautions: ['chuck-slips-late', 'holder', 'holder-to-buy', 'chuck'],
  },
  tapSpeed: {
    says: 'A tap feeds itself a pitch a turn: its speed follows the metal, and no faster than it can be stopped.',
    rules: ['Tapping speed'],
  },
  reach: {
    says: 'Where the shank meets the face the tap is jammed, however much thread is missing.',
    cautions: ['tap-reach', 'reach', 'stroke'],
  },
  fluid: {
    says: 'Dry, the metal welds to the edge, tears the thread and doubles the torque.',
    cautions: ['dry'],
  },
  taper: {
    says: 'A tapered thread tightens with every turn and is stopped by its gauge; a thin wall gives way before it seals.',
    cautions: ['taper', 'taper-drill', 'pipe-wall'],
  },
  ream: {
    says: 'A reamer needs enough to cut and not so much that it tears: too little rubs, too much chatters.',
    cautions: ['ream-allowance'],
  },
  place: {
    says: 'Each step from line to punch to drill adds its own error; they add as squares, so the worst one decides.',
    rules: ['Spread of a hole’s place'],
  },
  zone: {
    says: 'A bolt in a larger hole may stand off by half of what is left over, and in two loose parts by all of it.',
    rules: [
      'Position zone of the joint',
      'Usual position zone',
      'Position against the drawing',
      'Position zone, set by you',
    ],
  },
  tilt: {
    says: 'A hole that goes across while it goes down is longer than the part is thick, and leaves other walls.',
    rules: ['Tilt of an angled hole', 'Length of an angled hole'],
  },
  touch: {
    says: 'The edge is half a cutter away from the spindle, and backlash hides when you come from the other side.',
    rules: ['From touch to over the edge'],
  },
  lean: {
    says: 'A tap that leans cuts on one side: it binds deeper down, and the screw stands crooked.',
    rules: ['Lean from two gaps, 90 degrees apart'],
  },
  blank: {
    says: 'A die raises the crest a little: rod a shade under size gives it room, rod over size tears.',
    rules: ['Blank for a die', 'Chamfer of the end', 'Turns of the die'],
  },
  oldThread: {
    says: 'A new tap in an old thread cuts a second one across it: gauge it, and chase only what binds.',
    cautions: ['old-thread'],
  },
  time: {
    says: 'Cutting is the smaller part of it: bringing down, clearing, changing and looking take the rest, and your own log replaces these figures.',
    rules: ['Time of the operation', 'Time in the cut'],
  },
  chance: {
    says: 'A job is many small chances that add up; made a thousand times on paper, it tells which of them matter.',
    rules: ['Rehearsal', 'Rehearsal with one thing changed', 'Blame of one cause'],
  },
  instrument: {
    says: 'An instrument is only as good as its last look at a known length.',
    rules: ['Offset against a standard'],
  },
} as const satisfies Record<string, Reason>;
export type ReasonId = keyof typeof REASONS;

/** Rules with a page of their own. */
export const WITH_PAGE = [
  'percent',
  'predicted',
  'class',
  'forming',
  'enough',
  'tip',
  'room',
  'speed',
  'thumb',
  'step',
  'feed',
  'hardens',
  'power',
  'grab',
  'pilot',
  'start',
  'order',
  'torque',
  'breaking',
  'teeth',
  'turns',
  'stopping',
  'fluid',
  'lean',
  'place',
  'touch',
  'wall',
] as const satisfies readonly ReasonId[];

const all = Object.entries(REASONS) as [ReasonId, Reason][];
const BY_RULE = new Map(all.flatMap(([id, { rules = [] }]) => rules.map((rule) => [rule, id] as const)));
const BY_CAUTION = new Map(all.flatMap(([id, { cautions = [] }]) => cautions.map((code) => [code, id] as const)));

/** The reason behind something, and where its page is. */
export interface ReasonTold {
  says: string;
  /** Address of its page; undefined where it has none. */
  href?: string;
}

function toldOf(id: ReasonId | undefined): ReasonTold | undefined {
  if (id === undefined) return undefined;
  const { says } = REASONS[id];
  return (WITH_PAGE as readonly string[]).includes(id) ? { says, href: `/practice/why?rule=${id}` } : { says };
}

/** Why a figure is worked out as it is; undefined where the formula says it all. */
export const reasonOfRule = (rule: string): ReasonTold | undefined => toldOf(BY_RULE.get(rule));

/** Why a caution is given; undefined where it says so itself. */
export const reasonOfCaution = (code: string): ReasonTold | undefined => toldOf(BY_CAUTION.get(code));
