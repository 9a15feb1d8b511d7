import { answer, caution, mm, percent, phrase, type Answer, type Caution, type Phrase } from '../answer/answer';
import { ALL_DRILLS, drillName, INCH_DRILLS, isUsable, METRIC_DRILLS, type Drill } from '../drills/drill';
import { standing } from '../drills/suited';
import type { DrillPool } from '../drills/drill-sets';
import { predictedHole, type StartMeans } from '../drills/predicted-hole';
import type { Material } from '../materials/material';
import { looserClass, type ClassLimits } from '../threads/class-limits';
import { percentOfThread } from '../threads/percent-of-thread';
import { isMetric, type Thread } from '../threads/thread';
import { NPT } from '../threads/threads.table';
import { inchToMm } from '../units/length';
import { formedMinor, formingPercent, formingTarget } from './forming';
import { percentRange, targetPercent, type PercentRange } from './target-percent';

export type Verdict = 'inside' | 'borderline' | 'outside';

export interface TapDrillCandidate {
  drill: Drill;
  /** Percent of thread on the drill's own size. Undefined for tapered threads. */
  percentOnDrill?: number;
  percentOnHole?: number;
  /** Hole as drilled, predicted. */
  hole: Answer;
  /** Minor diameter of the finished thread: the hole itself, or what forming leaves of it. */
  finishedMinorMm: number;
  verdict: Verdict;
  /** How far the minor diameter lies outside the class: above zero too large, below zero too small. */
  beyondMm: number;
  owned: boolean;
}

export interface TapDrillQuestion {
  thread: Thread;
  /** Undefined for tapered threads. */
  limits?: ClassLimits;
  material: Material;
  pool: DrillPool;
  start: StartMeans;
  forming: boolean;
  /** A percentage that the user wants, instead of the computed one. */
  wantedPercent?: number;
  depthMm: number;
  thicknessMm?: number;
}

export interface School {
  id: 'chart' | 'subtraction' | 'limits';
  label: string;
  drill?: Drill;
  diameterMm: number;
  why: Phrase;
}

export interface TapDrillChoice {
  target: Answer;
  range: PercentRange;
  /** Best drill of the pool inside the class or on its border; undefined when the pool has none. */
  choice?: TapDrillCandidate;
  /** Best drill of those made, when the pool lacks it and has nothing as good. */
  lacking?: TapDrillCandidate;
  /** Closest drill of the pool, when none is inside the class. */
  closestOutside?: TapDrillCandidate;
  nextSmaller?: TapDrillCandidate;
  nextLarger?: TapDrillCandidate;
  /** Every drill of the pool near the size, by diameter. */
  candidates: TapDrillCandidate[];
  schools: School[];
  cautions: Caution[];
}

/** Beyond a limit by at most this is borderline: 0.03 mm, or 15 % of the tolerance if that is more. */
export const borderlineMm = (limits: ClassLimits): number =>
  Math.max(0.03, 0.15 * (limits.minorMaxMm - limits.minorMinMm));

/** A borderline hole counts as this much further from the target, in percent of thread. */
const BORDERLINE_COST = 3;
/** A tapered thread's listed drill may be missed by this much, mm. */
const TAPER_NEAR_MM = 0.1;

/** Tap drill that the standard lists for a tapered thread, mm. */
export function taperTapDrill(thread: Thread): { label: string; diameterMm: number; handTightMm: number } {
  const row = NPT.find((r) => thread.designation.startsWith(`${r.size}-`));
  if (!row) throw new RangeError(`No tap drill is listed for ${thread.designation}.`);
  return { label: row.drill, diameterMm: inchToMm(row.drillIn), handTightMm: inchToMm(row.handTightIn) };
}

const sameSize = (a: Drill, b: Drill): boolean => Math.abs(a.diameterMm - b.diameterMm) < 0.004;
const madeFor = (thread: Thread): readonly Drill[] => (thread.system === 'metric' ? METRIC_DRILLS : INCH_DRILLS);

/** One drill judged for a tapped hole: hole predicted, percent, inside the class or not. */
export function judgeDrill(q: TapDrillQuestion, drill: Drill): TapDrillCandidate {
  const hole = predictedHole(drill, q.start, q.material);
  const owned = isUsable(drill) && q.pool.drills.some((d) => isUsable(d) && sameSize(d, drill));
  if (!q.limits) {
    const beyondMm = drill.diameterMm - taperTapDrill(q.thread).diameterMm;
    const off = Math.abs(beyondMm);
    const verdict = off <= TAPER_NEAR_MM ? 'inside' : off <= 2 * TAPER_NEAR_MM ? 'borderline' : 'outside';
    return { drill, hole, finishedMinorMm: hole.value, verdict, beyondMm, owned };
  }
  const finish = (holeMm: number): number => (q.forming ? formedMinor(q.thread, holeMm) : holeMm);
  const share = (holeMm: number): number =>
    q.forming ? formingPercent(q.thread, holeMm) : percentOfThread(q.thread, holeMm);
  // A formed hole is drilled close and pinned, so its own drill size is judged; a cut hole as it is predicted.
  const finishedMinorMm = finish(q.forming ? drill.diameterMm : hole.value);
  const beyondMm =
    Math.max(finishedMinorMm - q.limits.minorMaxMm, 0) + Math.min(finishedMinorMm - q.limits.minorMinMm, 0);
  return {
    drill,
    percentOnDrill: share(drill.diameterMm),
    percentOnHole: share(hole.value),
    hole,
    finishedMinorMm,
    verdict: beyondMm === 0 ? 'inside' : Math.abs(beyondMm) <= borderlineMm(q.limits) ? 'borderline' : 'outside',
    beyondMm,
    owned,
  };
}

/** Distance from the wish, in percent of thread; mm × 100 for tapered threads, which have no percent. */
function missBy(c: TapDrillCandidate, target: number): number {
  const off = c.percentOnDrill === undefined ? Math.abs(c.beyondMm) * 100 : Math.abs(c.percentOnDrill - target);
  return off + (c.verdict === 'borderline' ? BORDERLINE_COST : 0);
}

/** Between drills as good as each other within this, in percent of thread, the one of the thread's own system is taken. */
const AS_GOOD = 0.8;

function best(
  thread: Thread,
  candidates: TapDrillCandidate[],
  target: number,
  range: PercentRange,
  allowed: (c: TapDrillCandidate) => boolean = (c) => c.verdict !== 'outside',
): TapDrillCandidate | undefined {
  const usable = candidates.filter(allowed);
  const within = usable.filter(
    ({ percentOnDrill: p }) => p !== undefined && p >= range.low - 1e-9 && p <= range.high + 1e-9,
  );
  const among = within.length > 0 ? within : usable;
  return among.reduce<TapDrillCandidate | undefined>((a, b) => {
    if (!a) return b;
    const fits = (c: TapDrillCandidate): number => Number((c.drill.series === 'metric') === isMetric(thread));
    const gain = missBy(a, target) - missBy(b, target) + AS_GOOD * (fits(b) - fits(a));
    return gain > 1e-9 || (Math.abs(gain) <= 1e-9 && b.owned && !a.owned) ? b : a;
  }, undefined);
}

function targetOf(q: TapDrillQuestion): Answer {
  if (q.wantedPercent !== undefined)
    return answer(q.wantedPercent, 'percent', {
      rule: 'Percent of thread to aim at',
      formula: 'as asked for',
      inputs: [['wanted', percent(q.wantedPercent)]],
      source: { kind: 'trade rule', name: 'your own choice' },
    });
  if (q.forming && q.limits) return formingTarget(q.thread, q.limits.minorMaxMm);
  return targetPercent(q.thread, q.material, q.depthMm, q.thicknessMm);
}

function rangeOf(q: TapDrillQuestion, target: number): PercentRange {
  if (q.forming) return { low: Math.min(60, target - 5), high: Math.max(85, target + 5) };
  const usual = percentRange(q.thread, q.material);
  return q.wantedPercent === undefined
    ? usual
    : { low: Math.min(usual.low, target - 5), high: Math.max(usual.high, target + 5) };
}

function near(thread: Thread, limits: ClassLimits | undefined, drill: Drill): boolean {
  const from = limits ? limits.minorMinMm - 0.35 * thread.pitchMm - 0.15 : taperTapDrill(thread).diameterMm - 1;
  const to = limits ? thread.majorMm : taperTapDrill(thread).diameterMm + 1;
  return drill.diameterMm > from && drill.diameterMm < to;
}

/**
 * Chooses the tap drill from a pool: gated on the predicted hole, ranked by the drill's own size against the
 * target percentage, never outside the material's range while a drill within it can be had.
 */
export function chooseTapDrill(q: TapDrillQuestion): TapDrillChoice {
  const target = targetOf(q);
  const range = rangeOf(q, target.value);
  const judge = (drills: readonly Drill[]): TapDrillCandidate[] =>
    drills.filter((d) => near(q.thread, q.limits, d)).map((d) => judgeDrill(q, d));
  const usable = judge(q.pool.drills.filter(isUsable)).sort((a, b) =>
    sameSize(a.drill, b.drill)
      ? standing(a.drill, q.material) - standing(b.drill, q.material)
      : a.drill.diameterMm - b.drill.diameterMm,
  );
  const candidates = usable.filter((c, i) => i === 0 || !sameSize(usable[i - 1].drill, c.drill));
  const choice = best(q.thread, candidates, target.value, range);
  const ideal =
    best(q.thread, judge(madeFor(q.thread)), target.value, range) ??
    best(q.thread, judge(ALL_DRILLS), target.value, range);
  const lacking =
    ideal &&
    !ideal.owned &&
    (!choice || missBy(ideal, target.value) + 0.5 < missBy(choice, target.value) || !inRange(choice, range))
      ? ideal
      : undefined;
  const at = choice ? candidates.indexOf(choice) : -1;
  return {
    target,
    range,
    choice,
    lacking,
    closestOutside: choice
      ? undefined
      : candidates.reduce<TapDrillCandidate | undefined>(
          (a, b) => (a && Math.abs(a.beyondMm) <= Math.abs(b.beyondMm) ? a : b),
          undefined,
        ),
    nextSmaller: at > 0 ? candidates[at - 1] : undefined,
    nextLarger: at >= 0 ? candidates[at + 1] : undefined,
    candidates,
    schools: schoolsOf(q, target.value),
    cautions: choice ? choiceCautions(q, choice, range, target.value) : [],
  };
}

const inRange = (c: TapDrillCandidate, range: PercentRange): boolean =>
  c.percentOnDrill === undefined || (c.percentOnDrill >= range.low && c.percentOnDrill <= range.high);

/** What the gate and the material make of a chosen drill, for the reader. */
export function choiceCautions(
  q: TapDrillQuestion,
  choice: TapDrillCandidate,
  range: PercentRange,
  target: number,
): Caution[] {
  const cautions: Caution[] = [];
  const { limits } = q;
  if (!limits) {
    if (choice.verdict !== 'inside')
      cautions.push(
        caution('warn', 'taper-drill', 'The listed drill for this thread is {listed}; {drill} is {off} away from it.', {
          listed: mm(taperTapDrill(q.thread).diameterMm),
          drill: drillName(choice.drill),
          off: mm(Math.abs(choice.beyondMm)),
        }),
      );
    return cautions;
  }
  const values = {
    drill: drillName(choice.drill),
    hole: mm(choice.finishedMinorMm),
    beyond: mm(Math.abs(choice.beyondMm)),
    limit: mm(choice.beyondMm > 0 ? limits.minorMaxMm : limits.minorMinMm),
    name: limits.className,
    looser: looserClass(q.thread, limits.className) ?? '',
    low: percent(range.low),
    high: percent(range.high),
    percent: percent(choice.percentOnDrill ?? 0),
    target: percent(target),
  };
  if (choice.verdict === 'borderline')
    cautions.push(
      caution(
        'warn',
        'class-borderline',
        'The minor diameter is predicted at {hole}, {beyond} past the {name} limit of {limit}: usable, but check the first hole with a pin.',
        values,
      ),
    );
  if (choice.verdict === 'outside')
    cautions.push(
      caution(
        'warn',
        'class-outside',
        'The minor diameter is predicted at {hole}, {beyond} past the {name} limit of {limit}: the thread would be out of class.',
        values,
      ),
    );
  if (!q.forming && !inRange(choice, range)) {
    const classDecides = (choice.percentOnDrill ?? 0) > range.high;
    cautions.push(
      caution(
        'warn',
        'percent-range',
        classDecides
          ? `This is {percent}; {low} to {high} suits this metal, but a larger drill leaves {name}.${values.looser ? ' Class {looser} would allow it, if the drawing does.' : ''}`
          : 'This is {percent}; {low} to {high} suits this metal, and no drill to hand comes closer.',
        values,
      ),
    );
  }
  if (q.forming) {
    const drilled = formedMinor(q.thread, choice.hole.value);
    if (drilled > limits.minorMaxMm)
      cautions.push(
        caution(
          'warn',
          'form-hole-close',
          'A forming hole is held closely. Drilled as usual it comes to {hole}, and the finished minor to {minor}, over {limit}: pin the first one, and guide the drill, ream or go a size down if it is large.',
          { hole: mm(choice.hole.value), minor: mm(drilled), limit: mm(limits.minorMaxMm) },
        ),
      );
    cautions.push(
      caution('note', 'form-check', 'The hole shrinks as it forms: check the minor diameter afterwards with pins.'),
    );
  }
  return cautions;
}

function closest(drills: readonly Drill[], diameterMm: number): Drill {
  return drills.reduce((a, b) => (Math.abs(b.diameterMm - diameterMm) < Math.abs(a.diameterMm - diameterMm) ? b : a));
}

function schoolsOf(q: TapDrillQuestion, target: number): School[] {
  const { thread, limits } = q;
  if (!limits) {
    const listed = taperTapDrill(thread);
    return [
      {
        id: 'chart',
        label: 'Standard list',
        drill: closest(INCH_DRILLS, listed.diameterMm),
        diameterMm: listed.diameterMm,
        why: phrase('Without reaming. A tapered thread has no single percentage, so the list decides.'),
      },
    ];
  }
  const made = madeFor(thread);
  const flat = thread.form === 'whitworth-55' ? 80 : 75;
  const chart = made.reduce((a, b) =>
    Math.abs(percentOfThread(thread, b.diameterMm) - flat) < Math.abs(percentOfThread(thread, a.diameterMm) - flat)
      ? b
      : a,
  );
  const subtraction = thread.majorMm - thread.pitchMm;
  const middle = (limits.minorMinMm + limits.minorMaxMm) / 2;
  return [
    {
      id: 'chart',
      label: `${flat} % chart`,
      drill: chart,
      diameterMm: chart.diameterMm,
      why: phrase('The drill nearest to {flat} for every metal; {target} is aimed at here.', {
        flat: percent(flat),
        target: percent(target),
      }),
    },
    {
      id: 'subtraction',
      label: 'Major minus pitch',
      drill: closest(made, subtraction),
      diameterMm: subtraction,
      why: phrase('Done in the head; comes to {percent} whatever the metal and depth.', {
        percent: percent(percentOfThread(thread, subtraction)),
      }),
    },
    {
      id: 'limits',
      label: `Middle of ${limits.className}`,
      drill: closest(made, middle),
      diameterMm: middle,
      why: phrase('Only the class: {min} to {max}; says nothing about the load on the tap.', {
        min: mm(limits.minorMinMm),
        max: mm(limits.minorMaxMm),
      }),
    },
  ];
}
