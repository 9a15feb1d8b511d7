import { answer, percent, type Answer } from '../answer/answer';
import { cutsMetal, madeFor as inSteelFor, preferenceRank } from '../cutting/suited-drills';
import { ALL_DRILLS, isUsable, type Drill } from '../drills/drill';
import { drillsBetween } from '../drills/near-size';
import { isMetric } from '../threads/thread';
import { formingTarget } from './forming';
import { judgeDrill, sameSize, type TapDrillCandidate, type TapDrillQuestion } from './tap-drill-candidate';
import { inRange } from './tap-drill-cautions';
import { madeFor, tapDrillMethods, type TapDrillMethod } from './tap-drill-methods';
import { taperTapDrill } from './taper-tap-drill';
import { percentRange, targetPercent, type PercentRange } from './target-percent';

export interface TapDrillChoice {
  target: Answer;
  range: PercentRange;
  /** Best drill of the pool inside the class or on its border; undefined when the pool has none. */
  choice?: TapDrillCandidate;
  /** Best drill of those made, when the pool misses it and has nothing as good. */
  missing?: TapDrillCandidate;
  /** Closest drill of the pool, when none is inside the class. */
  closestOutside?: TapDrillCandidate;
  nextSmaller?: TapDrillCandidate;
  nextLarger?: TapDrillCandidate;
  /** Every drill of the pool near the size, by diameter. */
  candidates: TapDrillCandidate[];
  methods: TapDrillMethod[];
}

/** Between drills as good as each other within this, in percent of thread, the one of the thread's own system is used. */
const AS_GOOD = 0.8;
/** A missing drill is named where it is nearer by more than this, in percent of thread. */
const NEARER = 0.5;

/** Distance from the wish, in percent of thread; mm × 100 for tapered threads, which have no percent. */
function missBy(c: TapDrillCandidate, target: number): number {
  return c.percentOnDrill === undefined ? Math.abs(c.beyondMm) * 100 : Math.abs(c.percentOnDrill - target);
}

/** What comes first: inside the class and in the metal's range, then a toss-up in the range, then inside and out of it. */
function rankOf(c: TapDrillCandidate, range: PercentRange): number {
  const off = inRange(c, range) ? 0 : 2;
  return off + (c.verdict === 'inside' ? 0 : c.verdict === 'borderline' ? 1 : 4);
}

function best(
  q: TapDrillQuestion,
  candidates: readonly TapDrillCandidate[],
  target: number,
  range: PercentRange,
): TapDrillCandidate | undefined {
  const usable = candidates.filter((c) => c.verdict !== 'outside');
  const first = Math.min(...usable.map((c) => rankOf(c, range)));
  const fits = (c: TapDrillCandidate): number => Number((c.drill.series === 'metric') === isMetric(q.thread));
  return usable.reduce<TapDrillCandidate | undefined>((a, b) => {
    if (rankOf(b, range) > first) return a;
    if (!a) return b;
    const gain = missBy(a, target) - missBy(b, target) + AS_GOOD * (fits(b) - fits(a));
    return gain > 1e-9 || (Math.abs(gain) <= 1e-9 && b.owned && !a.owned) ? b : a;
  }, undefined);
}

function targetOf(q: TapDrillQuestion): Answer {
  if (q.wantedPercent !== undefined)
    return answer(q.wantedPercent, 'percent', {
      rule: 'Target percent of thread',
      formula: 'set by you',
      inputs: [['set by you', percent(q.wantedPercent)]],
      source: { kind: 'trade rule', name: 'set by you' },
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

/** Only drills about the size are judged, mm. */
function sizesNear({ thread, limits }: TapDrillQuestion): { from: number; to: number } {
  if (limits) return { from: limits.minorMinMm - 0.35 * thread.pitchMm - 0.15, to: thread.majorMm };
  const { diameterMm } = taperTapDrill(thread);
  return { from: diameterMm - 1, to: diameterMm + 1 };
}

/** The pool's drills about the size, the most suited of each size, by diameter. */
function candidatesOf(q: TapDrillQuestion, near: { from: number; to: number }): TapDrillCandidate[] {
  const sorted = q.pool.drills
    .filter((d) => d.diameterMm > near.from && d.diameterMm < near.to && isUsable(d) && cutsMetal(d, q.material))
    .sort((a, b) =>
      sameSize(a, b) ? preferenceRank(a, q.material) - preferenceRank(b, q.material) : a.diameterMm - b.diameterMm,
    );
  return sorted.filter((d, i) => i === 0 || !sameSize(sorted[i - 1], d)).map((d) => judgeDrill(q, d, true));
}

/** The best of all drills made: of the thread's own system, else of any. */
function idealOf(
  q: TapDrillQuestion,
  near: { from: number; to: number },
  target: number,
  range: PercentRange,
): TapDrillCandidate | undefined {
  const among = (drills: readonly Drill[]): TapDrillCandidate | undefined =>
    best(
      q,
      drillsBetween(drills, near.from, near.to).map((d) => judgeDrill(q, inSteelFor(d, q.material))),
      target,
      range,
    );
  return among(madeFor(q.thread)) ?? among(ALL_DRILLS);
}

const closestOf = (candidates: readonly TapDrillCandidate[]): TapDrillCandidate | undefined =>
  candidates.reduce<TapDrillCandidate | undefined>(
    (a, b) => (a && Math.abs(a.beyondMm) <= Math.abs(b.beyondMm) ? a : b),
    undefined,
  );

/**
 * Chooses the tap drill from a pool: gated on the predicted hole, ranked by the drill's own size against the
 * target percentage, never outside the material's range while a drill within it can be had.
 */
export function chooseTapDrill(q: TapDrillQuestion): TapDrillChoice {
  const target = targetOf(q);
  const range = rangeOf(q, target.value);
  const near = sizesNear(q);
  const candidates = candidatesOf(q, near);
  const choice = best(q, candidates, target.value, range);
  const ideal = idealOf(q, near, target.value, range);
  const nearer = (c: TapDrillCandidate): boolean =>
    !choice ||
    rankOf(c, range) < rankOf(choice, range) ||
    (rankOf(c, range) === rankOf(choice, range) && missBy(c, target.value) + NEARER < missBy(choice, target.value));
  const at = choice ? candidates.indexOf(choice) : -1;
  return {
    target,
    range,
    choice,
    missing: ideal && !ideal.owned && nearer(ideal) ? ideal : undefined,
    closestOutside: choice ? undefined : closestOf(candidates),
    nextSmaller: at > 0 ? candidates[at - 1] : undefined,
    nextLarger: at >= 0 ? candidates[at + 1] : undefined,
    candidates,
    methods: tapDrillMethods(q.thread, q.limits, target.value),
  };
}
