import type { Answer } from '../answer/answer';
import { cutsMetal, preferenceRank, toBuyFor } from '../cutting/suited-drills';
import { ALL_DRILLS, isUsable, type Drill } from '../drills/drill';
import { drillsBetween } from '../drills/near-size';
import { isHard, isTough, type Material } from '../materials/material';
import { isMetric } from '../threads/thread';
import { isOwned, judgeDrills, sameSize, type TapDrillCandidate, type TapDrillQuestion } from './tap-drill-candidate';
import { madeFor, tapDrillMethods, type TapDrillMethod } from './tap-drill-methods';
import { targetOf, type PercentRange } from './target-percent';

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

/** Cost of what the class makes of a drill, of a percent beyond the metal's range and from the target, and of buying it. Our judgement. */
const COST = {
  verdict: { inside: 0, borderline: 1, outside: 4 },
  beyondRange: 1 / 5,
  aboveInTough: 2,
  offTarget: 1 / 10,
  toBuy: 0.5,
  otherSystem: 0.08,
} as const;

/** A missing drill is named where it is better by more than this. */
const BETTER = 0.05;

/** Tapered threads have no percentage: their distance from the listed drill counts so much a millimetre. */
const TAPER_PERCENT_MM = 100;

/** What speaks against a drill, in one figure: no steps, so that a little worse in all is not better than much in one. */
function costOf(q: TapDrillQuestion, c: TapDrillCandidate, target: number, range: PercentRange): number {
  const { percentOnDrill: p } = c;
  const above = p === undefined ? 0 : Math.max(0, p - range.high) * (tightens(q.material) ? COST.aboveInTough : 1);
  const below = p === undefined ? 0 : Math.max(0, range.low - p);
  const off = p === undefined ? TAPER_PERCENT_MM * Math.abs(c.beyondMm) : Math.abs(p - target);
  return (
    COST.verdict[c.verdict] +
    (above + below) * COST.beyondRange +
    off * COST.offTarget +
    (c.owned ? 0 : COST.toBuy) +
    ((c.drill.series === 'metric') === isMetric(q.thread) ? 0 : COST.otherSystem)
  );
}

/** Stringy or hard: more thread than is needed seizes the tap. */
const tightens = (m: Material): boolean => m.chips === 'stringy' || isHard(m);

/** In tough metal never under the printed chart's drill, mm: the tap seizes there. Sizes of two systems meet within this. */
const CHART_REACH_MM = 0.03;
function leastMm(q: TapDrillQuestion): number {
  const { material, forming, limits, wantedPercent } = q;
  if (forming || !limits || wantedPercent !== undefined || !isTough(material)) return 0;
  const chart = tapDrillMethods(q, 0).find((m) => m.id === 'chart');
  return (chart?.drill.diameterMm ?? 0) - CHART_REACH_MM;
}

function best(
  q: TapDrillQuestion,
  candidates: readonly TapDrillCandidate[],
  target: number,
  range: PercentRange,
): TapDrillCandidate | undefined {
  const least = leastMm(q);
  return candidates
    .filter((c) => c.verdict !== 'outside' && c.drill.diameterMm >= least)
    .map((c) => ({ c, cost: costOf(q, c, target, range) }))
    .reduce<{ c: TapDrillCandidate; cost: number } | undefined>(
      (a, b) => (a && a.cost <= b.cost + 1e-9 ? a : b),
      undefined,
    )?.c;
}

/** Only drills about the size are judged, mm. */
function sizesNear({ thread, limits, taper }: TapDrillQuestion): { from: number; to: number } {
  if (limits) return { from: limits.minorMinMm - 0.35 * thread.pitchMm - 0.15, to: thread.majorMm };
  const listedMm = taper?.diameterMm ?? 0;
  return { from: listedMm - 1, to: listedMm + 1 };
}

/** The pool's drills about the size, the most suited of each size, by diameter. */
function poolNear({ pool, material }: TapDrillQuestion, near: { from: number; to: number }): Drill[] {
  const sorted = pool.drills
    .filter((d) => d.diameterMm > near.from && d.diameterMm < near.to && isUsable(d) && cutsMetal(d, material))
    .sort((a, b) =>
      sameSize(a, b) ? preferenceRank(a, material) - preferenceRank(b, material) : a.diameterMm - b.diameterMm,
    );
  return sorted.filter((d, i) => i === 0 || !sameSize(sorted[i - 1], d));
}

const closestOf = (candidates: readonly TapDrillCandidate[]): TapDrillCandidate | undefined =>
  candidates.reduce<TapDrillCandidate | undefined>(
    (a, b) => (a && Math.abs(a.beyondMm) <= Math.abs(b.beyondMm) ? a : b),
    undefined,
  );

/** Chooses the tap drill from a pool: gated on the predicted hole, ranked by one cost. */
export function chooseTapDrill(q: TapDrillQuestion): TapDrillChoice {
  const near = sizesNear(q);
  const inPool = poolNear(q, near);
  const made = (drills: readonly Drill[]): Drill[] => drillsBetween(drills, near.from, near.to);
  const { target, range } = targetOf(q);
  const candidates = judgeDrills(q, inPool);
  const choice = best(q, candidates, target.value, range);
  /** The best of the drills that are made. */
  const ideal = (drills: readonly Drill[]): TapDrillCandidate | undefined => {
    const suited = made(drills).map((d) => toBuyFor(d, q.material));
    return best(q, judgeDrills(q, suited), target.value, range);
  };
  const wished = ideal(madeFor(q.thread)) ?? ideal(ALL_DRILLS);
  const missing = wished && { ...wished, owned: isOwned(q.pool, wished.drill) };
  const bare = (c: TapDrillCandidate): number => costOf(q, { ...c, owned: true }, target.value, range);
  const nearer = (c: TapDrillCandidate): boolean => !choice || bare(c) + BETTER < bare(choice);
  const at = choice ? candidates.indexOf(choice) : -1;
  return {
    target,
    range,
    choice,
    missing: missing && !missing.owned && nearer(missing) ? missing : undefined,
    closestOutside: choice ? undefined : closestOf(candidates),
    nextSmaller: at > 0 ? candidates[at - 1] : undefined,
    nextLarger: at >= 0 ? candidates[at + 1] : undefined,
    candidates,
    methods: tapDrillMethods(q, target.value),
  };
}
