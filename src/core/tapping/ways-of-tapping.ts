import { caution, depth, phrase, quantity, type Answer, type Caution, type Phrase } from '../answer/answer';
import { rpmFor, sfmToMPerMin } from '../cutting/cutting-speed';
import { lowestRpm, type Machine } from '../cutting/machine';
import type { Material } from '../materials/material';
import { isTapered, type Thread } from '../threads/thread';
import { blindDepth, thinWallMm, type BlindDepth } from './blind-depth';
import { biteTurns, handTappingSeconds, machineTappingSeconds, totalTurns } from './rhythm';
import { highestTappingRpm, turnsToStop } from './stopping-room';
import { handTap, machineTap, type Tap, type TapGeometry, type TapNames } from './tap';
import { breakingTorque, HAND_LIMIT_NM, safetyLevel, type SafetyLevel } from './tap-strength';
import { tappingTorque, toothLoad, toothLoadLimit, type TappingConditions } from './tapping-torque';

export type WayId = 'hand-free' | 'hand-guided' | 'chuck-start' | 'reversing-spindle' | 'reversing-head' | 'lathe';

export const WAY_LABEL: Record<WayId, string> = {
  'hand-free': 'By hand, freehand',
  'hand-guided': 'By hand, guided by a spring centre',
  'chuck-start': 'Started in the chuck, finished by hand',
  'reversing-spindle': 'Under power, reversing spindle',
  'reversing-head': 'Reversing tapping head',
  lathe: 'In the lathe, tailstock free to follow',
};

/** Lean of the tap that people reach each way, degrees. Our judgement. */
const TYPICAL_LEAN_DEG: Record<WayId, number> = {
  'hand-free': 1.5,
  'hand-guided': 0.3,
  'chuck-start': 0.25,
  'reversing-spindle': 0.15,
  'reversing-head': 0.2,
  lathe: 0.1,
};
const EXTRA_SECONDS = { 'hand-free': 20, 'hand-guided': 15, 'chuck-start': 30, machine: 15 } as const;
const SET_UP_SECONDS: Record<'reversing-spindle' | 'reversing-head' | 'lathe', number> = {
  'reversing-spindle': 90,
  'reversing-head': 180,
  lathe: 40,
};

export interface TappingQuestion {
  thread: Thread;
  material: Material;
  machine?: Machine;
  through: boolean;
  depthMm: number;
  /** Where the thread begins under the face, mm; 0 without a larger part above it. */
  fromMm?: number;
  thicknessMm?: number;
  drillMm: number;
  pointAngleDeg: number;
  /** Predicted hole; for forming the finished minor diameter. */
  minorMm: number;
  forming: boolean;
  holes: number;
  dry: boolean;
  tapNames: TapNames;
  firstTap?: 'by-hole' | 'taper' | 'plug';
  /** Turns before turning back that the shop always takes. */
  bite?: number;
  /** The shop never taps blind holes under power. */
  neverBlind?: boolean;
  tailstock?: 'free' | 'cranked' | 'locked';
}

export interface TappingWay {
  id: WayId;
  label: string;
  /** False where the shop, the hole or the stopping room rules it out. */
  possible: boolean;
  /** In the order used. */
  taps: Tap[];
  depth?: BlindDepth;
  wallMm?: number;
  /** Undefined for tapered threads, to which the model does not apply. */
  torque?: Answer;
  breaking: Answer;
  safety?: number;
  level?: SafetyLevel;
  turns: Answer;
  biteTurns: number;
  wrench: Phrase;
  leanDeg: number;
  stopping?: { turnsLeft: number; turnsNeeded: number; highest: Answer };
  rpm?: number;
  secondsAll: number;
  /** Points lost: breaking, lean, stopping, time. The way with the least is chosen. */
  cost: { breaking: number; lean: number; stopping: number; time: number; total: number };
  /** Why it is chosen, or why it loses. */
  reason: Phrase;
  cautions: Caution[];
}

const byHand = (id: WayId): boolean => id === 'hand-free' || id === 'hand-guided' || id === 'chuck-start';

function unavailable(id: WayId, q: TappingQuestion): Phrase | undefined {
  const { machine } = q;
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
  if (q.neverBlind && !q.through && (id === 'reversing-spindle' || id === 'reversing-head'))
    return phrase('This shop never taps blind holes under power.');
  if (id === 'reversing-head') {
    if (!machine?.tappingHead) return phrase('No reversing tapping head belongs to the machine chosen.');
    if (!q.through) return phrase('A reversing head is for through holes: it runs on until it is pulled back.');
  }
  if (isTapered(q.thread) && !byHand(id) && id !== 'lathe')
    return phrase('A tapered thread loads the tap more with every turn and is stopped by gauge: tap it by hand.');
  return undefined;
}

function geometryFor(id: WayId, q: TappingQuestion): TapGeometry {
  if (q.forming) return 'form';
  if (byHand(id) || id === 'lathe' || isTapered(q.thread)) return 'straight';
  if (q.material.chips === 'powder' || (q.material.chips === 'short' && q.material.elongationPercent < 5))
    return 'straight';
  return q.through ? 'spiral-point' : 'spiral-flute';
}

const conditions = (q: TappingQuestion, tap: Tap, reversing: boolean): TappingConditions => ({
  thread: q.thread,
  material: q.material,
  tap,
  minorMm: q.minorMm,
  depthMm: q.depthMm,
  through: q.through,
  reversing,
  fluid: q.dry && !/^dry/.test(q.material.lubricant) ? 'dry' : 'right',
  thicknessMm: q.through && q.thicknessMm !== undefined ? q.thicknessMm - (q.fromMm ?? 0) : undefined,
});

/** The hand taps used: the longest chamfer through; as few as the bottom room demands in a blind hole. */
function handSequence(q: TappingQuestion, fits: (last: Tap) => boolean): Tap[] {
  const tap = (kind: 'taper' | 'plug' | 'bottoming'): Tap => handTap(kind, q.thread.majorMm, q.tapNames);
  if (q.through) return [tap(q.firstTap === 'plug' ? 'plug' : 'taper')];
  const plug = tap('plug');
  const loaded = toothLoad(conditions(q, plug, true)) > toothLoadLimit(q.material);
  const first = q.firstTap === 'taper' || (q.firstTap !== 'plug' && loaded) ? [tap('taper')] : [];
  return fits(plug) ? [...first, plug] : [...first, plug, tap('bottoming')];
}

function tapsFor(id: WayId, q: TappingQuestion): Tap[] {
  const geometry = geometryFor(id, q);
  if (isTapered(q.thread)) return [{ geometry: 'straight', chamferThreads: 2.5, flutes: 4, name: 'taper pipe tap' }];
  if (geometry !== 'straight') return [machineTap(geometry, q.thread.majorMm, !q.through)];
  return handSequence(q, (last) => {
    const wall = wallUnder(q, last);
    return wall === undefined || wall >= thinWallMm(q.thread.majorMm);
  });
}

const depthFor = (q: TappingQuestion, last: Tap): BlindDepth =>
  blindDepth(q.thread, q.depthMm, last, q.drillMm, q.pointAngleDeg, q.fromMm);

function wallUnder(q: TappingQuestion, last: Tap): number | undefined {
  return q.thicknessMm === undefined ? undefined : q.thicknessMm - depthFor(q, last).total.value;
}

/** Points for the risk of breaking: none at 3 and above, rising steeply under 2. */
function breakingCost(safety: number | undefined): number {
  if (safety === undefined || safety >= 3) return 0;
  if (safety >= 2) return 10 * (3 - safety);
  return safety >= 1.3 ? 10 + 60 * (2 - safety) : 100 + 50 * (1.3 - safety);
}

function wrenchFor(torqueNm: number | undefined): Phrase {
  if (torqueNm === undefined) return phrase('Two-handed wrench; stop when the gauge says so.');
  if (torqueNm <= HAND_LIMIT_NM.tHandle) return phrase('T-handle or small wrench.');
  if (torqueNm <= HAND_LIMIT_NM.wrench) return phrase('Two-handed wrench of 250 mm, evenly with both hands.');
  return phrase('More than two hands can turn evenly: it wants a machine or a longer wrench and a guide.');
}

function assess(id: WayId, q: TappingQuestion): TappingWay {
  const taps = tapsFor(id, q);
  const [first] = taps;
  const last = taps[taps.length - 1];
  const hand = byHand(id);
  const power = !hand && !(id === 'lathe' && !q.through);
  const depth = q.through ? undefined : depthFor(q, last);
  const torque = isTapered(q.thread) ? undefined : tappingTorque(conditions(q, first, !power));
  const breaking = breakingTorque(q.thread, first.geometry);
  const safety = torque && breaking.value / torque.value;
  const turns = totalTurns(q.thread, last, q.depthMm);
  const lowest = power && q.machine ? lowestRpm(q.machine) : undefined;
  const bite = biteTurns(q.thread, first, q.material, power, q.bite);
  const wallMm = depth && q.thicknessMm !== undefined ? q.thicknessMm - depth.total.value : undefined;
  const seconds = taps.reduce(
    (sum, tap) => sum + handTappingSeconds(q.thread, q.depthMm / q.thread.pitchMm + tap.chamferThreads, bite > 0),
    0,
  );
  const secondsAll =
    lowest === undefined
      ? q.holes * (seconds + (hand ? EXTRA_SECONDS[id as 'hand-free'] : 0))
      : SET_UP_SECONDS[id as keyof typeof SET_UP_SECONDS] +
        q.holes * (machineTappingSeconds(turns.value, lowest) + EXTRA_SECONDS.machine);
  const deep = Math.min(3, Math.max(0.5, q.depthMm / q.thread.majorMm));
  const way: TappingWay = {
    id,
    label:
      id === 'hand-guided' && (!q.machine || q.machine.kind === 'hand-drill')
        ? 'By hand, guided by a tapping block'
        : id === 'lathe' && q.tailstock && q.tailstock !== 'free'
          ? `In the lathe, tailstock ${q.tailstock === 'cranked' ? 'cranked after the tap' : 'locked and the barrel cranked'}`
          : WAY_LABEL[id],
    possible: true,
    taps,
    depth,
    wallMm,
    torque,
    breaking,
    safety,
    level: safety === undefined ? undefined : safetyLevel(safety),
    turns,
    biteTurns: bite,
    wrench: power ? phrase('Keyed chuck, snug, so that it slips before the tap breaks.') : wrenchFor(torque?.value),
    leanDeg: TYPICAL_LEAN_DEG[id],
    rpm: lowest,
    secondsAll,
    cost: { breaking: breakingCost(safety), lean: 8 * TYPICAL_LEAN_DEG[id] * deep, stopping: 0, time: 0, total: 0 },
    reason: phrase(''),
    cautions: [...(torque?.cautions ?? [])],
  };
  const ruledOut = unavailable(id, q) ?? roomRefusal(way) ?? (power ? powerRefusal(way, q) : undefined);
  if (ruledOut) return { ...way, possible: false, reason: ruledOut };
  if (way.level === 'warn' || way.level === 'stop')
    way.cautions.push(
      caution(
        way.level === 'stop' ? 'stop' : 'warn',
        'tap-safety',
        way.level === 'stop'
          ? 'The tap is estimated to break at {breaking} and needs {torque}: do not tap this as planned. A larger hole, a looser class or less depth eases it.'
          : 'The tap is estimated to break at {breaking} and needs {torque}: short bites, plenty of fluid, a new tap.',
        { breaking: quantity(breaking.value, 'Nm'), torque: quantity(torque?.value ?? 0, 'Nm') },
      ),
    );
  return way;
}

const roomRefusal = ({ wallMm }: TappingWay): Phrase | undefined =>
  wallMm !== undefined && wallMm <= 0
    ? phrase('Its tap needs a hole that comes out at the back ({over} too deep).', { over: depth(-wallMm) })
    : undefined;

function powerRefusal(way: TappingWay, q: TappingQuestion): Phrase | undefined {
  const { machine, thread, material } = q;
  if (!machine || way.rpm === undefined) return undefined;
  const fastest = rpmFor(sfmToMPerMin(material.tapSfmCut.high), thread.majorMm);
  if (way.rpm > 1.3 * fastest)
    return phrase('The slowest speed, {lowest}, is above the tapping speed of this metal, {fastest}.', {
      lowest: quantity(way.rpm, 'rpm'),
      fastest: quantity(fastest, 'rpm'),
    });
  if (q.through) return undefined;
  const coast = { revolutions: machine.coastRevolutions, atRpm: machine.coastAtRpm };
  const turnsLeft = (way.depth?.chipRoomMm ?? 0) / thread.pitchMm;
  const turnsNeeded = turnsToStop(way.rpm, coast);
  way.stopping = { turnsLeft, turnsNeeded, highest: highestTappingRpm(turnsLeft, coast) };
  if (turnsNeeded > 0.7 * turnsLeft)
    return phrase(
      'At {rpm} the spindle needs {needed} to stand still and only {left} are left above the bottom: it would run in and break the tap.',
      { rpm: quantity(way.rpm, 'rpm'), needed: quantity(turnsNeeded, 'turns'), left: quantity(turnsLeft, 'turns') },
    );
  return undefined;
}

const IDS: readonly WayId[] = [
  'hand-free',
  'hand-guided',
  'chuck-start',
  'reversing-spindle',
  'reversing-head',
  'lathe',
];

/** Why a possible way loses to the best one: the cost in which it is furthest behind. */
function losesBecause(way: TappingWay, winner: TappingWay): Phrase {
  const behind = (['breaking', 'lean', 'time'] as const)
    .map((kind) => ({ kind, by: way.cost[kind] - winner.cost[kind] }))
    .sort((a, b) => b.by - a.by)[0];
  if (behind.by < 1) return phrase('As good within our judgement: take whichever you like better.');
  if (behind.kind === 'breaking')
    return phrase('Safety against breaking is {safety}, against {best}.', {
      safety: quantity(way.safety ?? 0, 'ratio'),
      best: quantity(winner.safety ?? 0, 'ratio'),
    });
  if (behind.kind === 'lean')
    return phrase('Leans about {lean}, against {best}: the tap binds and the screw sits crooked.', {
      lean: quantity(way.leanDeg, 'deg'),
      best: quantity(winner.leanDeg, 'deg'),
    });
  return phrase('Takes about {time} min, against {best} min.', {
    time: (way.secondsAll / 60).toFixed(1),
    best: (winner.secondsAll / 60).toFixed(1),
  });
}

function winsBecause(way: TappingWay, rest: TappingWay[]): Phrase {
  const [second] = rest.filter((w) => w.possible);
  if (!second) return phrase('The only way that the hole and the machine leave.');
  const ahead = losesBecause(second, way);
  return phrase(`Best on breaking, squareness, stopping and time together. Next is “{next}”: ${ahead.text}`, {
    ...ahead.values,
    next: second.label,
  });
}

/**
 * Every way of driving the tap, best first, each with its reason; those ruled out come last.
 * Points for breaking, lean and time are our judgement; the figures behind them are shown.
 */
export function waysOfTapping(q: TappingQuestion): TappingWay[] {
  const ways = IDS.map((id) => assess(id, q));
  const possible = ways.filter((w) => w.possible);
  const quickest = Math.min(...possible.map((w) => w.secondsAll));
  for (const way of possible) {
    way.cost.time = 6 * Math.log2(way.secondsAll / quickest);
    way.cost.total = way.cost.breaking + way.cost.lean + way.cost.stopping + way.cost.time;
  }
  possible.sort((a, b) => a.cost.total - b.cost.total);
  const [winner, ...others] = possible;
  if (winner) {
    winner.reason = winsBecause(winner, others);
    for (const way of others) way.reason = losesBecause(way, winner);
  }
  return [...possible, ...ways.filter((w) => !w.possible)];
}
