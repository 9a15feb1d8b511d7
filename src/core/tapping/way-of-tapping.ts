import { caution, depth, phrase, quantity, type Answer, type Caution, type Phrase } from '../answer/answer';
import { rpmFor, sfmToMPerMin } from '../cutting/cutting-speed';
import { lowestRpm } from '../cutting/machine';
import { isTapered } from '../threads/thread';
import type { BlindDepth } from './blind-depth';
import { biteTurns, handTappingSeconds, machineTappingSeconds, taperTurns, totalTurns } from './rhythm';
import { highestTappingRpm, turnsToStop } from './stopping-room';
import type { Tap } from './tap';
import { tapLoad, type TapLoad } from './tap-load';
import { tapSequence } from './tap-sequence';
import { causeOf, type LoadCause } from './tap-risk';
import { breakingTorque, HAND_LIMIT_NM } from './tap-strength';
import { depthForTap, tappingConditions, wallUnderTap, type TappingQuestion } from './tapping-question';
import type { TappingConditions } from './tapping-torque';

export const WAYS = [
  'hand-free',
  'hand-guided',
  'chuck-start',
  'reversing-spindle',
  'reversing-head',
  'lathe',
] as const;
export type WayId = (typeof WAYS)[number];

interface WayFacts {
  label: string;
  byHand: boolean;
  /** Lean of the tap that people reach, degrees. Our judgement. */
  leanDeg: number;
  /** To set up once, s, and besides the tapping for each hole, s. Our judgement. */
  setUpS: number;
  extraS: number;
}

const FACTS: Record<WayId, WayFacts> = {
  'hand-free': { label: 'By hand, freehand', byHand: true, leanDeg: 1.5, setUpS: 0, extraS: 20 },
  'hand-guided': { label: 'By hand, guided by a spring centre', byHand: true, leanDeg: 0.3, setUpS: 0, extraS: 15 },
  'chuck-start': {
    label: 'Started in the chuck, finished by hand',
    byHand: true,
    leanDeg: 0.25,
    setUpS: 0,
    extraS: 30,
  },
  'reversing-spindle': {
    label: 'Under power, reversing spindle',
    byHand: false,
    leanDeg: 0.15,
    setUpS: 90,
    extraS: 15,
  },
  'reversing-head': { label: 'Reversing tapping head', byHand: false, leanDeg: 0.2, setUpS: 180, extraS: 15 },
  lathe: { label: 'In the lathe, tailstock free to follow', byHand: false, leanDeg: 0.1, setUpS: 40, extraS: 15 },
};

/** One way of driving the taps of a hole, with what it would mean. */
export interface WayOfTapping extends Turning {
  id: WayId;
  label: string;
  /** Why shop, hole or stopping room rule it out; undefined where it can be done. */
  ruledOut?: Phrase;
  wrench: Phrase;
  leanDeg: number;
  stopping?: { turnsLeft: number; turnsNeeded: number; highest: Answer };
  secondsAll: number;
  cautions: Caution[];
}

/** Why a way is not to be had with this machine, metal and hole, before any figure is worked out. */
function unavailable(id: WayId, q: TappingQuestion): Phrase | undefined {
  const { machine, hole, habits } = q;
  const name = machine?.name ?? 'machine';
  if (id === 'chuck-start' && (!machine || machine.kind === 'hand-drill' || machine.kind === 'lathe'))
    return phrase('Needs a drill press or mill whose spindle can be turned by hand over the hole.');
  if (id === 'lathe' && machine?.kind !== 'lathe')
    return phrase('Needs a lathe, with the hole on the axis of the part.');
  if (id === 'reversing-spindle') {
    if (!machine || machine.kind === 'lathe') return phrase('Needs a drill press or mill that reverses.');
    if (machine.kind === 'hand-drill') return phrase('A hand-held drill cannot hold the tap square and stop in time.');
    if (!machine.reversible)
      return phrase('The {machine} does not reverse: the tap could not be backed out.', { machine: name });
  }
  if (habits.neverBlind && !hole.through && (id === 'reversing-spindle' || id === 'reversing-head'))
    return phrase('This shop never taps blind holes under power.');
  if (id === 'reversing-head') {
    if (!machine?.tappingHead) return phrase('No reversing tapping head belongs to the machine chosen.');
    if (!hole.through) return phrase('A reversing head is for through holes: it runs on until it is pulled back.');
  }
  if (isTapered(q.thread) && !FACTS[id].byHand && id !== 'lathe')
    return phrase('A tapered thread loads the tap more with every turn and is stopped by gauge: tap it by hand.');
  return undefined;
}

function labelOf(id: WayId, { machine, habits }: TappingQuestion): string {
  if (id === 'hand-guided' && (!machine || machine.kind === 'hand-drill')) return 'By hand, guided by a tapping block';
  if (id === 'lathe' && habits.tailstock !== 'free')
    return `In the lathe, tailstock ${habits.tailstock === 'cranked' ? 'cranked after the tap' : 'locked and the barrel cranked'}`;
  return FACTS[id].label;
}

function wrenchFor(torqueNm: number | undefined): Phrase {
  if (torqueNm === undefined) return phrase('Two-handed wrench; stop when the gauge says so.');
  if (torqueNm <= HAND_LIMIT_NM.tHandle) return phrase('T-handle or small wrench.');
  if (torqueNm <= HAND_LIMIT_NM.wrench) return phrase('Two-handed wrench of 250 mm, evenly with both hands.');
  return phrase('More than two hands can turn evenly: it wants a machine or a longer wrench and a guide.');
}

const turnsOf = ({ thread, hole }: TappingQuestion, tap: Tap): Answer =>
  isTapered(thread) ? taperTurns(thread, tap) : totalTurns(thread, tap, hole.depthMm);

/** Seconds for all holes: by hand tap after tap, or in and out under power at `rpm`. */
function secondsFor(
  id: WayId,
  q: TappingQuestion,
  taps: readonly Tap[],
  reversed: boolean,
  rpm: number | undefined,
): number {
  const { setUpS, extraS, byHand } = FACTS[id];
  const last = taps[taps.length - 1];
  if (rpm !== undefined) return setUpS + q.holes * (machineTappingSeconds(turnsOf(q, last).value, rpm) + extraS);
  const byTaps = taps.reduce((sum, tap) => sum + handTappingSeconds(q.thread, turnsOf(q, tap).value, reversed), 0);
  return q.holes * (byTaps + (byHand ? extraS : 0));
}

const REMEDY: Record<LoadCause, string> = {
  dry: 'It runs dry: use the fluid for this metal.',
  worn: 'The tap is worn: take a new one.',
  'small-hole': 'The hole is small: drill the next size up.',
  deep: 'The thread is deep: clear the chips often, or make it shorter.',
  metal: 'A larger hole or a looser class eases it.',
};
const HOLDS = 'The tap holds at least about {breaking}; this takes {torque}.';
const RISK = {
  careful: 'Sharp tap, right fluid, short bites.',
  warn: 'Practise one in scrap; new tap, guided; know how you would get it out.',
  stop: 'By this estimate the tap goes first.',
};

/** What the load of the first tap asks of whoever turns it: quietly where care is enough. */
function loadCautions(load: TapLoad | undefined, conditions: TappingConditions): Caution[] {
  if (!load || load.level === 'calm') return load?.cautions ?? [];
  const remedy = load.level === 'careful' ? '' : ` ${REMEDY[causeOf(conditions)]}`;
  return [
    ...load.cautions,
    caution(load.level === 'careful' ? 'note' : load.level, 'tap-safety', `${RISK[load.level]} ${HOLDS}${remedy}`, {
      breaking: quantity(load.breaking.value, 'Nm'),
      torque: quantity(load.torque.value, 'Nm'),
    }),
  ];
}

/** A spindle that has to stop above the bottom: turns left when it is switched off, and turns that it needs. */
function stoppingOf(
  q: TappingQuestion,
  depth: BlindDepth | undefined,
  rpm: number | undefined,
): WayOfTapping['stopping'] {
  if (!q.machine || !depth || rpm === undefined) return undefined;
  const coast = { revolutions: q.machine.coastRevolutions, atRpm: q.machine.coastAtRpm };
  const turnsLeft = depth.chipRoomMm / q.thread.pitchMm;
  return { turnsLeft, turnsNeeded: turnsToStop(rpm, coast), highest: highestTappingRpm(turnsLeft, coast) };
}

function tooFast({ material, thread }: TappingQuestion, rpm: number | undefined): Phrase | undefined {
  if (rpm === undefined) return undefined;
  const fastest = rpmFor(sfmToMPerMin(material.tapSfmCut.high), thread.majorMm);
  return rpm > 1.3 * fastest
    ? phrase('The slowest speed, {lowest}, is above the tapping speed of this metal, {fastest}.', {
        lowest: quantity(rpm, 'rpm'),
        fastest: quantity(fastest, 'rpm'),
      })
    : undefined;
}

const noRoom = (wallMm: number | undefined): Phrase | undefined =>
  wallMm !== undefined && wallMm <= 0
    ? phrase('Its tap needs a hole that comes out at the back ({over} too deep).', { over: depth(-wallMm) })
    : undefined;

/** Seven tenths of the turns left may be used up: the rest is for a slow hand. Our judgement. */
const USED_OF_TURNS_LEFT = 0.7;

function cannotStop(stopping: WayOfTapping['stopping'], rpm: number | undefined): Phrase | undefined {
  if (!stopping || rpm === undefined || stopping.turnsNeeded <= USED_OF_TURNS_LEFT * stopping.turnsLeft)
    return undefined;
  return phrase(
    'At {rpm} the spindle needs {needed} to stand still and only {left} are left above the bottom: it would run in and break the tap.',
    {
      rpm: quantity(rpm, 'rpm'),
      needed: quantity(stopping.turnsNeeded, 'turns'),
      left: quantity(stopping.turnsLeft, 'turns'),
    },
  );
}

/** What follows from the taps and what turns them: alike for all ways by hand, and for all under power. */
export interface Turning {
  /** In the order used. */
  taps: Tap[];
  depth?: BlindDepth;
  wallMm?: number;
  /** Conditions of the first tap, which cuts most. */
  conditions: TappingConditions;
  /** Of the first tap; undefined for tapered threads, to which the model does not apply. */
  load?: TapLoad;
  breaking: Answer;
  turns: Answer;
  biteTurns: number;
  /** Speed of the spindle, rev/min, where it turns under power. */
  rpm?: number;
}

/** How a way turns its taps: under power or by hand, with machine taps where a spindle reverses. */
export interface Drive {
  power: boolean;
  machineTaps: boolean;
  /** Nothing guides the tap. */
  freehand: boolean;
}

export const driveOf = (id: WayId, { hole }: TappingQuestion): Drive => ({
  power: !FACTS[id].byHand && !(id === 'lathe' && !hole.through),
  machineTaps: !FACTS[id].byHand && id !== 'lathe',
  freehand: id === 'hand-free',
});

/** The taps of a hole and their figures under one kind of drive. */
export function turning(q: TappingQuestion, { power, machineTaps, freehand }: Drive): Turning {
  const { thread, material, hole, machine } = q;
  const taps = tapSequence(q, machineTaps);
  const [first] = taps;
  const last = taps[taps.length - 1];
  const conditions = { ...tappingConditions(q, first, !power), byHand: !power, freehand };
  const load = isTapered(thread) ? undefined : tapLoad(conditions);
  return {
    taps,
    depth: hole.through ? undefined : depthForTap(q, last),
    wallMm: hole.through ? undefined : wallUnderTap(q, last),
    conditions,
    load,
    breaking: load?.breaking ?? breakingTorque(thread, first.geometry),
    turns: turnsOf(q, last),
    biteTurns: biteTurns(thread, first, material, power, q.habits.bite),
    rpm: power && machine ? lowestRpm(machine) : undefined,
  };
}

/** One way of driving worked out for a hole, whether it can be done or not. */
export function wayOfTapping(id: WayId, q: TappingQuestion, turned: Turning): WayOfTapping {
  const { taps, wallMm, load, biteTurns: bite, rpm } = turned;
  const { power } = driveOf(id, q);
  const stopping = stoppingOf(q, turned.depth, rpm);
  return {
    ...turned,
    id,
    label: labelOf(id, q),
    ruledOut:
      unavailable(id, q) ?? noRoom(wallMm) ?? (power ? (tooFast(q, rpm) ?? cannotStop(stopping, rpm)) : undefined),
    wrench: power
      ? phrase('Keyed chuck, snug, so that it slips before the tap breaks.')
      : wrenchFor(load?.torque.value),
    leanDeg: FACTS[id].leanDeg,
    stopping,
    secondsAll: secondsFor(id, q, taps, bite > 0, rpm),
    cautions: loadCautions(load, turned.conditions),
  };
}
