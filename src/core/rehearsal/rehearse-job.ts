import type { Point } from '../layout/part';
import { boltsFit } from './bolts-fit';
import type { HoleModel, TapModel } from './hole-model';
import { EVEN_OF_HOLE, luckPlan, numberOf, OF_HOLE, type Lots, type Luck, type LuckPlan } from './luck';

const { abs, exp, hypot, max, min, sqrt, PI } = Math;

/** What can be wrong with a part. */
export const FAULTS = ['large', 'small', 'loose', 'place', 'bolts', 'tap-broken', 'bottomed', 'missed'] as const;
export type Fault = (typeof FAULTS)[number];

/** What led to a trouble most. */
export type Reason = 'drill' | 'hole' | 'slip' | 'line' | 'start' | 'life' | 'lean' | 'small-hole' | 'load' | 'count';

/** One thing that went wrong, and what led to it. */
export interface Trouble {
  fault: Fault;
  letter: string;
  /** From 1. */
  hole: number;
  part: number;
  reason: Reason;
  /** As it came out, and what it is held to, mm; of a tap its torque and what it held, Nm. */
  is: number;
  limit: number;
  /** Holes that its tap had done in this job, this one among them. */
  nth?: number;
}

/** One job as it went. */
export interface Outcome {
  /** How often each fault happened on the parts that were asked for. */
  faults: number[];
  /** How many of them at each kind of hole. */
  kinds: number[];
  /** Parts that are scrap, of those asked for. */
  badParts: number;
  /** Blanks used until there were enough good parts; those missing at the end count one each. */
  blanks: number;
  /** At the holes, scrapped parts made again. */
  seconds: number;
}

/** Scatter of torque, of what a tap holds over the least, and of a time. Our judgement. */
export const TORQUE_SIGMA = 0.15;
export const HOLDING_SIGMA = 0.35;
const PACE_SIGMA = 0.22;
/** From this lean on a tap binds, degrees, and so much harder. Our judgement. */
const BINDS_DEG = 1;
const BINDING = 1.3;
/** A tap turns this much harder at the end of its life. */
const WEAR_AT_END = 0.6;
/** Turns are miscounted by one in a blind hole by hand once in so many. Our judgement. */
const MISCOUNTED_ONE_IN = 200;
/** One sigma of what a pin or a thread gauge tells, mm. Our judgement. */
const GAUGE_SIGMA_MM = 0.004;
/** Pitch diameters come out in so much of the middle of their class. */
const MIDDLE = 0.6;
/** To get a broken tap out, or to give up on it, s. Our judgement. */
const BROKEN_S = 1800;
/** Blanks cut beyond the parts asked for, at most. */
export const mostSpare = (quantity: number): number => min(20, 4 + quantity);

const [, , HOLE, GAUGE, TORQUE, HOLDING, LEAN, PACE] = OF_HOLE.keys();
const [PITCH, COUNT] = EVEN_OF_HOLE.keys();
const [LARGE, SMALL, LOOSE, PLACE, BOLTS, TAP_BROKEN, BOTTOMED, MISSED] = FAULTS.keys();

/** A kind of hole with what is the same in every job. */
interface Kind {
  /** Its number. */
  index: number;
  model: HoleModel;
  luck: LuckPlan;
  /** Which of its lines each hole lies on. */
  across: readonly number[];
  up: readonly number[];
  /** Numbers of its drill and tap; −1 for none. */
  drill: number;
  tap: number;
  offs: Point[];
}

/** How a tap fares in a job. */
interface TapState {
  /** The first, the second that is used. */
  nth: number;
  /** Holes done in this job, and what it had done before. */
  used: number;
  before: number;
  /** Where it ends of itself. */
  end: number;
}

/** Kinds of hole made ready to be drawn many times, with room for what is drawn. */
export interface ReadyJob {
  kinds: readonly Kind[];
  lots: Lots;
  quantity: number;
  lines: Float64Array;
  /** How each drill cuts in this job, in sigmas. */
  cuts: Float64Array;
  taps: readonly TapState[];
  /** Of kinds: how far the next drill lies that a first hole asked for. */
  remedies: Float64Array;
}

/** Numbers of some names, in the order in which they come. */
function numbered(names: readonly (string | undefined)[]): { of: number[]; names: string[] } {
  const known = new Map<string, number>();
  const of = names.map((name) => {
    if (name === undefined) return -1;
    const number = known.get(name) ?? known.size;
    known.set(name, number);
    return number;
  });
  return { of, names: [...known.keys()] };
}

/** Makes kinds of hole ready to be drawn. @param quantity parts, from 1 */
export function readied(models: readonly HoleModel[], quantity: number): ReadyJob {
  const drills = numbered(models.map((m) => m.size?.tool));
  const taps = numbered(models.map((m) => m.tap?.key));
  const kinds = models.map((model, i): Kind => {
    const lines = numbered(model.points.flatMap(({ x, y }) => [`x ${x.toFixed(3)}`, `y ${y.toFixed(3)}`]));
    return {
      index: i,
      model,
      luck: luckPlan(model, lines.names.length),
      across: lines.of.filter((_, k) => k % 2 === 0),
      up: lines.of.filter((_, k) => k % 2 === 1),
      drill: drills.of[i],
      tap: taps.of[i],
      offs: model.points.map(() => ({ x: 0, y: 0 })),
    };
  });
  return {
    kinds,
    lots: { plans: kinds.map((k) => k.luck), drills: drills.names.map(numberOf), taps: taps.names.map(numberOf) },
    quantity,
    lines: new Float64Array(max(1, ...kinds.map((k) => k.luck.lines))),
    cuts: new Float64Array(drills.names.length),
    taps: taps.names.map(() => ({ nth: 0, used: 0, before: 0, end: 0 })),
    remedies: new Float64Array(models.length),
  };
}

export const freshOutcome = (kinds: number): Outcome => ({
  faults: FAULTS.map(() => 0),
  kinds: new Array<number>(kinds).fill(0),
  badParts: 0,
  blanks: 0,
  seconds: 0,
});

/** Who wants to hear of each hole and each trouble. */
export interface Listening {
  trouble?: (trouble: Trouble) => void;
  /** Where a hole came to lie, and its size before it was tapped, mm. */
  hole?: (kind: number, hole: number, part: number, off: Point, mm: number | undefined) => void;
}

/** What is being made: one part, kind of hole by kind of hole. */
interface Making {
  job: ReadyJob;
  luck: Luck;
  into: Outcome;
  listening: Listening;
  part: number;
  isBad: boolean;
}

function fault(
  making: Making,
  kind: Kind,
  index: number,
  spoils: boolean,
  told: Omit<Trouble, 'fault' | 'letter' | 'part'>,
) {
  const { job, into, listening, part } = making;
  if (spoils) making.isBad = true;
  if (part > job.quantity) return;
  into.faults[index] += 1;
  into.kinds[kind.index] += 1;
  listening.trouble?.({ fault: FAULTS[index], letter: kind.model.letter, part, ...told });
}

/**
 * One job, in the order of the work and through its causes: lines, starts, drills and holes, the gauge, the tap that ages.
 * What is drawn does not depend on what came of the draws before, so that changes are told on the same luck.
 * @param into is filled with what came of it
 */
export function rehearseJob(job: ReadyJob, luck: Luck, into: Outcome, listening: Listening = {}): void {
  const { kinds, quantity, remedies, cuts, taps } = job;
  into.faults.fill(0);
  into.kinds.fill(0);
  into.badParts = 0;
  into.seconds = 0;
  remedies.fill(0);
  for (let i = 0; i < cuts.length; i++) cuts[i] = luck.drill(i);
  for (const tap of taps) tap.nth = 0;
  const making: Making = { job, luck, into, listening, part: 0, isBad: false };
  const most = quantity + mostSpare(quantity);
  let good = 0;
  while (good < quantity && making.part < most) {
    making.part += 1;
    making.isBad = false;
    for (let k = 0; k < kinds.length; k++) makeKind(making, k, luck.of(k, making.part));
    if (!making.isBad) good += 1;
    else if (making.part <= quantity) into.badParts += 1;
  }
  into.blanks = making.part + quantity - good;
}

/** Makes all holes of a kind on one part. */
function makeKind(making: Making, k: number, drawn: Float64Array): void {
  const { job, into, listening, part } = making;
  const kind = job.kinds[k];
  const { model, offs, luck } = kind;
  const { size, tap, zoneMm } = model;
  const isOut = layOut(making, kind, drawn);
  for (let hole = 0; hole < luck.holes; hole++) {
    const normals = luck.lines + hole * OF_HOLE.length;
    const mm = size ? bore(making, k, hole, drawn[normals + HOLE], drawn[normals + GAUGE]) : 0;
    if (tap) turnTap(making, k, hole, drawn, size ? size.mean - mm : 0);
    into.seconds += model.seconds * exp(PACE_SIGMA * drawn[normals + PACE]);
    listening.hole?.(k, hole, part, offs[hole], size ? mm : undefined);
  }
  if (isOut && model.isJoint && !boltsFit(model.points, offs, zoneMm / 2))
    fault(making, kind, BOLTS, true, { hole: 1, reason: 'start', is: 0, limit: zoneMm / 2 });
}

/** Scribes the lines of a kind and starts its holes on them. @returns whether one lies out of its zone */
function layOut(making: Making, kind: Kind, drawn: Float64Array): boolean {
  const { lines } = making.job;
  const { model, across, up, offs, luck } = kind;
  const { zoneMm, lineSigma, ownSigma, slip, isJoint } = model;
  const slips = 1 / slip.oneIn;
  for (let i = 0; i < luck.lines; i++)
    lines[i] = lineSigma * drawn[i] + (drawn[luck.normals + i] < slips ? slip.mm : 0);
  const radius = zoneMm / 2;
  let isOut = false;
  for (let hole = 0; hole < luck.holes; hole++) {
    const base = luck.lines + hole * OF_HOLE.length;
    const off = offs[hole];
    const [onX, onY] = [lines[across[hole]], lines[up[hole]]];
    off.x = onX + ownSigma * drawn[base];
    off.y = onY + ownSigma * drawn[base + 1];
    const square = off.x * off.x + off.y * off.y;
    if (radius === 0 || square <= radius * radius) continue;
    isOut = true;
    // Nobody measures what the bolts tell.
    if (isJoint) continue;
    const line = hypot(onX, onY);
    const is = sqrt(square);
    const reason = Number.isFinite(slip.oneIn) && line > slip.mm / 2 ? 'slip' : line > is / 2 ? 'line' : 'start';
    fault(making, kind, PLACE, true, { hole: hole + 1, reason, is, limit: radius });
  }
  return isOut;
}

/** Drills a hole and gauges it; a small one is drilled again. @returns its size, mm */
function bore(making: Making, k: number, hole: number, own: number, gauge: number): number {
  const { job, into, part } = making;
  const kind = job.kinds[k];
  const { size, isFirstThrough } = kind.model;
  if (!size) return 0;
  const byDrill = size.drillSigma * job.cuts[kind.drill];
  const byHole = size.holeSigma * own;
  const mm = size.mean + job.remedies[k] + byDrill + byHole;
  const read = mm + GAUGE_SIGMA_MM * gauge;
  const isLarge = read > size.max;
  const isSmall = read < size.min;
  const isMissed = !isLarge && !isSmall && (mm > size.max || mm < size.min);
  if (!isLarge && !isSmall && !isMissed) return mm;
  const reason = abs(byDrill) > abs(byHole) ? 'drill' : 'hole';
  const told = { hole: hole + 1, reason, is: mm, limit: mm > size.max || isLarge ? size.max : size.min } as const;
  fault(making, kind, isLarge ? LARGE : isSmall ? SMALL : MISSED, isLarge, told);
  // The first one is pinned: the next drill is used for all that wait.
  if (isFirstThrough && part === 1 && hole === 0 && !isMissed) job.remedies[k] = isLarge ? -size.stepMm : size.stepMm;
  if (!isSmall) return mm;
  into.seconds += size.againS;
  return mm + size.stepMm;
}

/** Where a tap ends of itself. @param holds share of its kind that ends sooner */
function endOf({ life: { typical, squares, failures } }: TapModel, done: number, holds: number): number {
  const rate = ((2 * typical) / PI) ** 2 + squares + done ** 2;
  return sqrt(done ** 2 + rate * (holds ** (-1 / (1 + failures)) - 1));
}

/** Hangs up the first tap, or the next one after a break. */
function hangUp(state: TapState, tap: TapModel, number: number, luck: Luck): void {
  state.before = state.nth === 0 ? tap.life.done : 0;
  state.nth += 1;
  state.used = 0;
  state.end = endOf(tap, state.before, luck.tapHolds(number, state.nth));
}

/** Taps a hole. @param smallerMm by how much it is smaller than expected */
function turnTap(making: Making, k: number, hole: number, drawn: Float64Array, smallerMm: number): void {
  const { job, into, luck } = making;
  const kind = job.kinds[k];
  const { tap } = kind.model;
  if (!tap) return;
  const state = job.taps[kind.tap];
  if (state.nth === 0) hangUp(state, tap, kind.tap, luck);
  const { lines, normals } = kind.luck;
  const base = lines + hole * OF_HOLE.length;
  const evens = normals + lines + hole * EVEN_OF_HOLE.length;
  const lean = abs(tap.leanMean + tap.leanSigma * drawn[base + LEAN]);
  const { typical, done } = tap.life;
  const worn =
    (1 + WEAR_AT_END * min(1, (state.before + state.used * tap.use) / typical)) /
    (1 + WEAR_AT_END * min(1, done / typical));
  const bySize = tap.perMm * smallerMm;
  const binds = lean > BINDS_DEG;
  const torque = tap.torqueNm * worn * exp(TORQUE_SIGMA * drawn[base + TORQUE] + bySize) * (binds ? BINDING : 1);
  const holds = tap.breakingNm * (1 + HOLDING_SIGMA * abs(drawn[base + HOLDING]));
  state.used += 1;
  const isAtEnd = state.before + state.used * tap.use > state.end;
  if (torque > holds || isAtEnd) {
    const reason = torque <= holds ? 'life' : binds ? 'lean' : bySize > 0.1 ? 'small-hole' : 'load';
    fault(making, kind, TAP_BROKEN, true, { hole: hole + 1, reason, is: torque, limit: holds, nth: state.used });
    into.seconds += BROKEN_S;
    hangUp(state, tap, kind.tap, luck);
    return;
  }
  if (tap.countsTurns && drawn[evens + COUNT] < 1 / MISCOUNTED_ONE_IN)
    fault(making, kind, BOTTOMED, true, { hole: hole + 1, reason: 'count', is: 1, limit: 0 });
  if (tap.pitchTolMm === undefined) return;
  const pitch = (1 - MIDDLE) / 2 + MIDDLE * drawn[evens + PITCH];
  const over = (pitch - 1) * tap.pitchTolMm + GAUGE_SIGMA_MM * drawn[base + GAUGE];
  if (over > 0) fault(making, kind, LOOSE, false, { hole: hole + 1, reason: 'hole', is: over, limit: 0 });
}
