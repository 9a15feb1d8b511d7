import { mm, phrase, type Phrase } from '../answer/answer';
import { touchOff, type Dial } from '../layout/dial-list';
import { inchToMm } from '../units/length';
import { chanceOf } from './chance';

/** What finds the edge: a finder that kicks, or a plain tool with a shim that is just held. Lengths in mm. */
export type Finder = { kind: 'finder'; diameterMm: number } | { kind: 'shim'; diameterMm: number; shimMm: number };

/** A place from an edge, to be found by dial. Lengths in mm. */
export interface TableTask {
  finder: Finder;
  dial: Dial & { inch: boolean };
  /** Lost motion of the screw as it turns back. */
  backlashMm: number;
  /** From the edge to the hole. */
  targetMm: number;
  /** From the axis of the spindle to the edge, to begin with; it stands left of it. */
  startMm: number;
  /** What the dial shows to begin with, of a turn. */
  dialAt: number;
}

export interface TableState {
  /** Axis of the spindle over the part, from the edge: under 0 it stands left of it. */
  atMm: number;
  /** What the handle was turned in all. */
  wheelMm: number;
  /** What the dial showed 0 at. */
  zeroMm: number;
  /** Lost motion still to take up before it goes right; 0 where the screw bears. */
  slackMm: number;
  isDown: boolean;
  /** The edge was met as it came from the left. */
  found: boolean;
  /** What it was run into. */
  ran: boolean;
  isDone: boolean;
}

export type TableAct = { do: 'turn'; mm: number } | { do: 'zero' } | { do: 'lift' } | { do: 'spot' };

/** Allowed off the place, mm. */
export const TABLE_WITHIN_MM = 0.06;
/** A finder takes so much beyond its kick, a shim so much beyond being held, mm. Our judgement. */
const GIVES_MM = { finder: 1, shim: 0.1 } as const;
/** So close to the touch it is felt, mm. */
const FELT_MM = 0.03;

const DIALS = [
  { travelMm: 2, divisions: 100, inch: false },
  { travelMm: 2.5, divisions: 125, inch: false },
  { travelMm: inchToMm(0.1), divisions: 100, inch: true },
] as const;

/** Tips of finders, tools and shims as they are made, mm. */
const IN_MM = { tips: [5, 10], tools: [6, 8, 10, 12, 16], shims: [0.1, 0.25, 0.5] } as const;
const IN_INCH = {
  tips: [0.2, 0.5].map(inchToMm),
  tools: [0.25, 0.375, 0.5, 0.625].map(inchToMm),
  shims: [0.005, 0.01, 0.02].map(inchToMm),
} as const;

export function tableTask(seed: number): TableTask {
  const chance = chanceOf(seed);
  const dial = chance.pick(DIALS);
  const sizes = dial.inch ? IN_INCH : IN_MM;
  const diameterMm = chance.pick(sizes.tools);
  const finder: Finder =
    chance.even() < 0.5
      ? { kind: 'finder', diameterMm: chance.pick(sizes.tips) }
      : { kind: 'shim', diameterMm, shimMm: chance.pick(sizes.shims) };
  const step = dial.travelMm / dial.divisions;
  return {
    finder,
    dial,
    backlashMm: 0.2 + 0.4 * chance.even(),
    targetMm: Math.round((8 + 22 * chance.even()) / step) * step,
    startMm: -(reachOf(finder) + 2 + 3 * chance.even()),
    dialAt: chance.whole(0, dial.divisions - 1) / dial.divisions,
  };
}

/** From the axis to the edge as they touch, mm: half the tool, and the shim where there is one. */
export const reachOf = (finder: Finder): number =>
  touchOff(finder.diameterMm, finder.kind === 'shim' ? finder.shimMm : 0).value;

export const freshTable = ({ startMm, dial, dialAt }: TableTask): TableState => ({
  atMm: startMm,
  wheelMm: 0,
  zeroMm: -dialAt * dial.travelMm,
  slackMm: 0,
  isDown: true,
  found: false,
  ran: false,
  isDone: false,
});

/** The division under the index of the dial: it counts no turns. */
export function dialShows({ dial }: TableTask, { wheelMm, zeroMm }: TableState): number {
  const steps = Math.round(((wheelMm - zeroMm) / dial.travelMm) * dial.divisions * 10) / 10;
  return steps - Math.floor(steps / dial.divisions) * dial.divisions;
}

/** What one sees and feels at the edge: running true, touching, or beyond. */
export function touchOfEdge({ finder }: TableTask, { atMm, isDown }: TableState): 'free' | 'touch' | 'beyond' {
  if (!isDown) return 'free';
  const gap = -reachOf(finder) - atMm;
  return gap > FELT_MM ? 'free' : gap >= -FELT_MM ? 'touch' : 'beyond';
}

/** The table after an act: turning back takes up the lost motion first. */
export function atTable(task: TableTask, before: TableState, act: TableAct): TableState {
  if (before.isDone) return before;
  switch (act.do) {
    case 'turn': {
      const slackMm = Math.min(task.backlashMm, Math.max(0, before.slackMm - act.mm));
      const atMm = before.atMm + act.mm - (before.slackMm - slackMm);
      const s = { ...before, wheelMm: before.wheelMm + act.mm, slackMm, atMm };
      if (!s.isDown) return s;
      const beyond = atMm + reachOf(task.finder);
      return {
        ...s,
        found: s.found || touchOfEdge(task, s) !== 'free',
        ran: s.ran || beyond > GIVES_MM[task.finder.kind],
      };
    }
    case 'zero':
      return { ...before, zeroMm: before.wheelMm };
    case 'lift': {
      // Over the part there is no way down.
      const isOver = before.atMm + reachOf(task.finder) > FELT_MM;
      return before.isDown || !isOver ? { ...before, isDown: !before.isDown } : before;
    }
    case 'spot':
      return { ...before, isDone: true };
  }
}

/** Right, or off by what: the causes are those that people confess. */
export function tableTold(task: TableTask, s: TableState): { right: boolean; says: Phrase } {
  const off = s.atMm - task.targetMm;
  const near = (by: number): boolean => Math.abs(off - by) <= TABLE_WITHIN_MM;
  const reach = reachOf(task.finder);
  const { travelMm } = task.dial;
  const values = {
    off: mm(Math.round(Math.abs(off) * 100) / 100),
    way: off > 0 ? 'right' : 'left',
    asked: mm(task.targetMm),
    reach: mm(reach),
    shim: mm(task.finder.kind === 'shim' ? task.finder.shimMm : 0),
    turn: mm(travelMm),
    backlash: mm(Math.round(task.backlashMm * 100) / 100),
  };
  if (s.ran)
    return {
      right: false,
      says: phrase('The tool was run into the edge: stop as it touches, lift clear, then go on.'),
    };
  if (near(0)) return { right: true, says: phrase('{off} off {asked} from the edge.', values) };
  const says = ((): Phrase => {
    if (!s.found)
      return phrase('The edge was never found: {off} too far {way}. Touch it first, and zero the dial there.', values);
    if (near(-reach))
      return phrase('Half the tool was left out: from the touch it is {reach} to over the edge.', values);
    if (near(-2 * reach)) return phrase('To the wrong side: {reach} is added, onward in the same direction.', values);
    if (task.finder.kind === 'shim' && near(-task.finder.shimMm))
      return phrase('The shim of {shim} lies between tool and edge: it counts too.', values);
    const turns = Math.round(off / travelMm);
    if (turns !== 0 && near(turns * travelMm))
      return phrase('Whole turns were miscounted: {off} too far {way}, at {turn} a turn.', values);
    if (Math.abs(off) <= task.backlashMm + TABLE_WITHIN_MM && s.slackMm > 0)
      return phrase(
        'The last move came from the right: {backlash} of lost motion. Go past, and come from the left.',
        values,
      );
    return phrase('{off} too far {way}: {reach} from the touch to the edge, then {asked}, from the same side.', values);
  })();
  return { right: false, says };
}
