import {
  caution,
  depth,
  mm,
  phrase,
  quantity,
  type Answer,
  type Caution,
  type Phrase,
  type RemedyKind,
} from '../answer/answer';
import { rpmFor, sfmToMPerMin } from '../cutting/cutting-speed';
import { isRigid } from '../cutting/machine';
import { handTappingSeconds, machineTappingSeconds, TURN_BACK_S } from './rhythm';
import { clutchSetting } from './clutch-setting';
import { expectedLean, expectedTapTime } from './expected-tapping';
import { expectedCoast, highestTappingRpm, turnsToStop } from './stopping-room';
import type { LoadFigures, TapLoad } from './tap-load';
import { causeOf, type LoadCause } from './tap-risk';
import { HAND_LIMIT_NM } from './tap-strength';
import type { TapSequence } from './tap-sequence';
import type { TappingQuestion } from './tapping-question';
import type { Turning, WeighedTurning } from './turning';
import { holderCaution, type Holder } from './tap-holder';
import { headFor, RUN_IN_TURNS, slipsTooLate, wayLabel, WAY_FACTS, type WayId } from './ways';

/** One way of driving the taps of a hole, with what it would mean. */
export interface WayOfTapping extends Turning {
  id: WayId;
  label: string;
  /** Keys of its taps. */
  sequenceKey: string;
  /** Why shop, hole, taps or stopping room rule it out; undefined where it can be done. */
  ruledOut?: Phrase;
  wrench: Phrase;
  leanDeg: number;
  stopping?: Stopping & { highest: Answer };
  /** What to set the clutch of the tapping head to. */
  clutch?: Answer;
  secondsAll: number;
  /** What holds a shank that the chuck does not take. */
  holder?: Holder;
  /** No tap wrench of the crib takes its square. */
  lacksWrench: boolean;
  cautions: Caution[];
}

/** A two-handed wrench for the hand limit, and the longest that two arms turn evenly, mm. Our judgement. */
const WRENCH_MM = 250;
const LONGEST_WRENCH_MM = 700;

function wrenchFor(torqueNm: number | undefined): Phrase {
  if (torqueNm === undefined) return phrase('Two-handed wrench; stop at the gauge.');
  if (torqueNm <= HAND_LIMIT_NM.tHandle) return phrase('T-handle or small wrench.');
  if (torqueNm <= HAND_LIMIT_NM.wrench)
    return phrase('Two-handed wrench, about 250 mm (10 in) long, evenly with both hands.');
  const longMm = Math.ceil((WRENCH_MM * torqueNm) / HAND_LIMIT_NM.wrench / 50) * 50;
  return longMm <= LONGEST_WRENCH_MM
    ? phrase('Two-handed wrench, about {long} long, and a guide: a shorter one takes more than two hands have.', {
        long: { value: longMm, unit: 'mm', places: 0 },
      })
    : phrase('Too much torque for a hand wrench: cut it single-point, thread-mill it, or tap it in a machine.');
}

const lastTurns = (each: WeighedTurning['each']): number => each[each.length - 1].turns;

/** Seconds for all holes: by hand tap after tap, or in and out under power. */
function secondsFor(id: WayId, q: TappingQuestion, { each, rpm }: WeighedTurning): number {
  const { setUpS, byHand, inChuck } = WAY_FACTS[id];
  const extraS = WAY_FACTS[id].extraS * (inChuck && byHand ? each.length : 1);
  if (!byHand && rpm !== undefined) {
    const back = each.reduce((n, use) => n + (use.biteTurns > 0 ? Math.floor(use.turns / use.biteTurns) : 0), 0);
    const oneS = machineTappingSeconds(lastTurns(each), rpm) + back * TURN_BACK_S + HANDLING_S * (each.length - 1);
    return setUpS + q.holes * (oneS + extraS);
  }
  const byTaps = each.reduce((sum, use) => sum + handTappingSeconds(q.thread, use.turns, use.biteTurns > 0), 0);
  return setUpS + q.holes * (byTaps + extraS);
}
/** To put in the next tap of a sequence, s. */
const HANDLING_S = 30;

const REMEDY: Record<LoadCause, { text: string; kind?: RemedyKind }> = {
  dry: { text: 'It runs dry: use the fluid for this metal.', kind: 'use-fluid' },
  worn: { text: 'The tap is worn: use a sharp one, or drill the next size up.', kind: 'sharp-tap' },
  'small-hole': { text: 'The hole is small: drill the next size up.', kind: 'next-drill' },
  deep: { text: 'The thread is deep: clear the chips often, or make it shorter.' },
  lean: { text: 'Nothing guides the tap: a small one breaks when it leans.', kind: 'other-way' },
  metal: { text: 'A larger hole or a looser class eases it.', kind: 'next-drill' },
};
const HOLDS = 'The tap holds at least about {breaking}; this takes {torque}.';
const RISK = {
  careful: 'Sharp tap, right fluid, short bites.',
  warn: 'Practise one in scrap; new tap, guided; know how you would get it out.',
  stop: 'By this estimate the tap goes first.',
};

/** What the load of the tap closest to breaking asks of whoever turns it: quietly where care is enough. */
function loadCautions({ each, worst }: Turning): Caution[] {
  const teeth = each.flatMap(({ load }) => load?.cautions ?? []).slice(0, 1);
  const { load } = worst;
  if (!load || load.level === 'calm') return teeth;
  const { text, kind } = REMEDY[causeOf(worst.conditions)];
  const values = { breaking: quantity(load.breaking.value, 'Nm'), torque: quantity(load.torque.value, 'Nm') };
  if (load.level === 'careful') return [...teeth, caution('note', 'tap-safety', `${RISK.careful} ${HOLDS}`, values)];
  const said = caution(load.level, 'tap-safety', `${RISK[load.level]} ${HOLDS} ${text}`, values);
  return [...teeth, { ...said, remedy: kind }];
}

/** A spindle that has to stop above the bottom: turns left when it is switched off, and turns that it needs. */
function stoppingOf(id: WayId, q: TappingQuestion, { depth: at, rpm, each }: WeighedTurning): Stopping | undefined {
  // A head stops by itself, a loose chuck slips.
  if (!q.machine || !at || rpm === undefined || id === 'reversing-head' || id === 'loose-chuck') return undefined;
  const coast = expectedCoast(q.machine, q.learned);
  const roomTurns = at.chipRoomMm / q.thread.pitchMm;
  const turnsLeft = WAY_FACTS[id].runIn ? lastTurns(each) + roomTurns - RUN_IN_TURNS : roomTurns;
  return { turnsLeft, turnsNeeded: turnsToStop(rpm, coast) };
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
    ? phrase('The hole would break through by {over}.', { over: depth(-wallMm) })
    : undefined;

/** Seven tenths of the turns left may be used up: the rest is for a slow hand. Our judgement. */
export const USED_OF_TURNS_LEFT = 0.7;

function cannotStop(stopping: Stopping | undefined, rpm: number | undefined): Phrase | undefined {
  if (!stopping || rpm === undefined || stopping.turnsNeeded <= USED_OF_TURNS_LEFT * stopping.turnsLeft)
    return undefined;
  return phrase(
    'At {rpm} the spindle needs {needed} to stop and only {left} are left above the bottom: it would run in and break the tap.',
    {
      rpm: quantity(rpm, 'rpm'),
      needed: quantity(stopping.turnsNeeded, 'turns'),
      left: quantity(stopping.turnsLeft, 'turns'),
    },
  );
}

/** The square, mm, that no tap wrench of the crib takes; undefined where one does, or none is needed or known. */
function squareTooOdd(id: WayId, { aids }: TappingQuestion, { taps }: WeighedTurning): number | undefined {
  if (!WAY_FACTS[id].byHand || !aids || aids.wrenches.length === 0) return undefined;
  return taps
    .map((t) => t.squareMm)
    .find((square) => !aids.wrenches.some((w) => w.fromMm <= square + 0.05 && square <= w.toMm + 0.05));
}

const lateChuck = caution(
  'warn',
  'chuck-slips-late',
  'Under M5 a loose chuck slips too late: the tap goes first. Close it only until it drives, hand off the moment it has bitten.',
);

/** What a tap cannot be held by, or where it does not fit. */
function cannotHold(
  id: WayId,
  q: TappingQuestion,
  { taps }: WeighedTurning,
  holder: Holder | undefined,
): Phrase | undefined {
  const { machine, hole, thread } = q;
  const facts = WAY_FACTS[id];
  if (id === 'loose-chuck' && holder) return phrase('Its shank is over what the chuck takes, and nothing else slips.');
  if (facts.turnsBack && taps.some((t) => t.geometry !== 'straight'))
    return phrase('Only straight flutes are turned back to break their chips.');
  if (taps.some((t) => t.steel === 'carbide') && (facts.byHand || !isRigid(machine)))
    return phrase('A carbide tap snaps by hand or in a press: it needs a rigid machine.');
  const last = taps[taps.length - 1];
  const outMm = last.chamferThreads * thread.pitchMm;
  if (hole.through && hole.behindMm !== undefined && outMm > hole.behindMm)
    return phrase('Its chamfer needs {out} behind the hole and there are {behind}.', {
      out: depth(outMm),
      behind: depth(hole.behindMm),
    });
  if (!hole.through && hole.mostChamfer !== undefined && last.chamferThreads > hole.mostChamfer + 1e-9)
    return phrase('Its chamfer of {threads} threads leaves no room at the bottom.', { threads: last.chamferThreads });
  return undefined;
}

/** Forming by hand takes too much torque in a sheet, and a sheet has nothing to flow from. Our judgement. */
const SHEET_D = 0.8;
const inSheet = ({ forming, hole, thread }: TappingQuestion): Phrase | undefined =>
  forming && hole.through && hole.depthMm < SHEET_D * thread.majorMm
    ? phrase('Too thin to form: a sheet tears before it flows.')
    : undefined;

/** The clutch of a tapping head for this load; none where no head drives it. */
const clutchOf = (id: WayId, q: TappingQuestion, load: LoadFigures | undefined): Answer | undefined =>
  id === 'reversing-head' && load ? clutchSetting(load, headFor(q)) : undefined;

function clutchProblem(id: WayId, q: TappingQuestion, load: LoadFigures | undefined): Phrase | undefined {
  const clutch = clutchOf(id, q, load);
  if (!clutch || !load) return undefined;
  const own = headFor(q);
  if (clutch.value < load.torqueNm)
    return phrase('No clutch setting is safe: the tap takes {torque} and 0.6 of what it holds is {most}.', {
      torque: quantity(load.torqueNm, 'Nm'),
      most: quantity(clutch.value, 'Nm'),
    });
  return own && (clutch.value < own.fromNm - 0.01 || load.torqueNm > own.toNm)
    ? phrase('The clutch of the head in the crib goes from {from} to {to}; this tap needs {clutch}.', {
        from: quantity(own.fromNm, 'Nm'),
        to: quantity(own.toNm, 'Nm'),
        clutch: quantity(clutch.value, 'Nm'),
      })
    : undefined;
}

/** Why a spindle that turns the tap would break it. */
function spindleProblem(
  id: WayId,
  q: TappingQuestion,
  { rpm, worst: { load } }: WeighedTurning,
  stopping: Stopping | undefined,
): Phrase | undefined {
  return WAY_FACTS[id].spindle
    ? (tooFast(q, rpm) ?? cannotStop(stopping, rpm) ?? clutchProblem(id, q, load))
    : undefined;
}

function holdBy(id: WayId, { load, clutch }: { load?: TapLoad; clutch?: Answer }): Phrase {
  if (id === 'reversing-head' && clutch)
    return phrase('Arm of the head against a solid stop; clutch at {clutch}.', {
      clutch: quantity(clutch.value, 'Nm'),
    });
  if (id === 'loose-chuck') return phrase('Chuck closed only until it drives, then a wrench.');
  if (!WAY_FACTS[id].byHand) return phrase('Keyed chuck, snug, so that it slips before the tap breaks.');
  return wrenchFor(load?.torque.value);
}

/** What a way of driving a sequence comes to, so far as it has to be weighed against others. */
export interface WeighedWay {
  id: WayId;
  label: string;
  sequence: TapSequence;
  turned: WeighedTurning;
  ruledOut?: Phrase;
  leanDeg: number;
  stopping?: Stopping;
  secondsAll: number;
  /** The square, mm, that no tap wrench of the crib takes. */
  oddSquareMm?: number;
  /** What holds a shank that the chuck does not take. */
  holder?: Holder;
}

/** A spindle that stops by itself: turns left when it is switched off, and those that it needs. */
interface Stopping {
  turnsLeft: number;
  turnsNeeded: number;
}

/** A way as it is in this shop, whatever the taps. */
interface WayHere {
  id: WayId;
  label: string;
  leanDeg: number;
  /** Seconds over the usual ones. */
  pace: number;
}

/** A way of driving taps as this shop has it. */
export const wayHere = (id: WayId, q: TappingQuestion): WayHere => ({
  id,
  label: wayLabel(id, q),
  leanDeg: expectedLean(id, q.learned).mean,
  pace: expectedTapTime(id, q.learned).mean,
});

/**
 * One way of driving one sequence of taps, weighed.
 * @param holder what holds a shank that the chuck does not take
 * @param out why the way is not to be had, whatever the taps
 */
export function weighWay(
  { id, label, leanDeg, pace }: WayHere,
  holder: Holder | undefined,
  q: TappingQuestion,
  sequence: TapSequence,
  turned: WeighedTurning,
  out: Phrase | undefined,
): WeighedWay {
  const stopping = stoppingOf(id, q, turned);
  return {
    id,
    label,
    sequence,
    turned,
    ruledOut:
      out ??
      inSheet(q) ??
      cannotHold(id, q, turned, holder) ??
      noRoom(turned.wallMm) ??
      spindleProblem(id, q, turned, stopping),
    leanDeg,
    stopping,
    oddSquareMm: squareTooOdd(id, q, turned),
    holder,
    secondsAll: secondsFor(id, q, turned) * pace,
  };
}

/** A weighed way with everything that is said of it. @param turned the figures of what was weighed */
export function wayOfTapping(way: WeighedWay, q: TappingQuestion, turned: Turning): WayOfTapping {
  const { id, label, sequence, oddSquareMm, stopping, holder } = way;
  const { load } = turned;
  const clutch = clutchOf(id, q, way.turned.worst.load);
  const { taps, each, depth: at, wallMm, worst, breaking, turns, biteTurns, rpm } = turned;
  return {
    taps,
    each,
    depth: at,
    wallMm,
    worst,
    load,
    breaking,
    turns,
    biteTurns,
    rpm,
    id,
    label,
    sequenceKey: sequence.key,
    ruledOut: way.ruledOut,
    wrench: holdBy(id, { load, clutch }),
    leanDeg: way.leanDeg,
    stopping:
      stopping && q.machine
        ? { ...stopping, highest: highestTappingRpm(stopping.turnsLeft, expectedCoast(q.machine, q.learned)) }
        : undefined,
    clutch,
    secondsAll: way.secondsAll,
    holder,
    lacksWrench: oddSquareMm !== undefined,
    cautions: [
      ...loadCautions(turned),
      ...(holder ? [holderCaution(holder)] : []),
      ...(slipsTooLate(id, q) ? [lateChuck] : []),
      ...(oddSquareMm === undefined
        ? []
        : [
            caution('note', 'wrench-to-buy', 'No tap wrench in the crib takes its square of {square}: to buy.', {
              square: mm(oddSquareMm),
            }),
          ]),
    ],
  };
}
