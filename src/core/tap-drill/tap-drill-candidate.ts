import type { Learned } from '../answer/estimate';
import { isUsable, type Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';
import { expectedHoleMm, type StartMeans } from '../drills/expected-hole';
import type { Material } from '../materials/material';
import type { ClassLimits } from '../threads/class-limits';
import { percentOfThread } from '../threads/percent-of-thread';
import type { Thread } from '../threads/thread';
import { shareWithin } from '../units/normal-share';
import { expectedMinor, formingPercent } from './forming';
import type { TaperRow } from './taper-tap-drill';

export type Verdict = 'inside' | 'borderline' | 'outside';

/** A drill judged for a tapped hole. */
export interface TapDrillCandidate {
  drill: Drill;
  /** Percent of thread on the drill's own size. Undefined for tapered threads. */
  percentOnDrill?: number;
  percentOnHole?: number;
  /** Hole as drilled, predicted, mm. */
  holeMm: number;
  /** Minor diameter of the finished thread, mm: the hole itself, or what forming leaves of it. */
  finishedMinorMm: number;
  verdict: Verdict;
  /** One standard deviation of the hole, mm. */
  sigmaMm: number;
  /** Share of such holes that come out inside the class, 0 to 1; undefined for tapered and formed threads. */
  insideShare?: number;
  /** How far the minor diameter lies outside the class, mm: above zero too large, below zero too small. */
  beyondMm: number;
  owned: boolean;
  /** Weighed for a forming tap. */
  formed?: boolean;
}

/** What a tap drill is chosen for. Lengths in mm. */
export interface TapDrillQuestion {
  thread: Thread;
  /** Undefined for tapered threads. */
  limits?: ClassLimits;
  /** What the standard lists for a tapered thread; undefined for others. */
  taper?: TaperRow;
  material: Material;
  pool: DrillPool;
  start: StartMeans;
  /** What the shop measured of its own holes. */
  learned?: Learned;
  forming: boolean;
  /** A percentage that the user wants, instead of the computed one. */
  wantedPercent?: number;
  depthMm: number;
  thicknessMm?: number;
}

/** Shares of the predicted holes from which a drill is inside the class, and from which it may be. Our judgement. */
const INSIDE_SHARE = 0.7;
const BORDERLINE_SHARE = 0.15;

/** A formed thread beyond a limit by at most this is borderline: 0.03 mm, or 15 % of the tolerance if that is more. */
export const borderlineMm = (limits: ClassLimits): number =>
  Math.max(0.03, 0.15 * (limits.minorMaxMm - limits.minorMinMm));

/** A tapered thread's listed drill may be missed by this much, mm. */
const TAPER_NEAR_MM = 0.1;

export const sameSize = (a: Drill, b: Drill): boolean => Math.abs(a.diameterMm - b.diameterMm) < 0.004;

export const isOwned = (pool: DrillPool, drill: Drill): boolean =>
  isUsable(drill) && pool.drills.some((d) => sameSize(d, drill) && isUsable(d));

function judgeTaper(
  { diameterMm }: TaperRow,
  drill: Drill,
  { holeMm, sigmaMm, owned }: Pick<TapDrillCandidate, 'holeMm' | 'sigmaMm' | 'owned'>,
): TapDrillCandidate {
  const beyondMm = drill.diameterMm - diameterMm;
  const off = Math.abs(beyondMm);
  const verdict = off <= TAPER_NEAR_MM ? 'inside' : off <= 2 * TAPER_NEAR_MM ? 'borderline' : 'outside';
  return { drill, holeMm, sigmaMm, finishedMinorMm: holeMm, verdict, beyondMm, owned };
}

function verdictOf(share: number | undefined, beyondMm: number, limits: ClassLimits): Verdict {
  if (share !== undefined)
    return share >= INSIDE_SHARE ? 'inside' : share >= BORDERLINE_SHARE ? 'borderline' : 'outside';
  return beyondMm === 0 ? 'inside' : Math.abs(beyondMm) <= borderlineMm(limits) ? 'borderline' : 'outside';
}

/**
 * One drill judged for a tapped hole: hole predicted, percent, inside the class or not.
 * A formed hole is drilled close and pinned, so its own drill size is judged; of a cut hole the share of its spread that
 * comes out inside.
 */
export function judgeDrill(q: TapDrillQuestion, drill: Drill, owned = isOwned(q.pool, drill)): TapDrillCandidate {
  const { thread, limits, taper, forming, start, material, learned } = q;
  const { mean: holeMm, sigma: sigmaMm } = expectedHoleMm({ drill, start, material }, learned);
  if (taper) return judgeTaper(taper, drill, { holeMm, sigmaMm, owned });
  if (!limits) throw new RangeError(`Nothing is given that ${thread.designation} is held to.`);
  const percent = forming ? formingPercent : percentOfThread;
  const finishedMinorMm = forming ? expectedMinor(q, drill.diameterMm, learned).mean : holeMm;
  const beyondMm = Math.max(finishedMinorMm - limits.minorMaxMm, 0) + Math.min(finishedMinorMm - limits.minorMinMm, 0);
  const insideShare = forming ? undefined : shareWithin(holeMm, sigmaMm, limits.minorMinMm, limits.minorMaxMm);
  return {
    drill,
    percentOnDrill: percent(thread, drill.diameterMm),
    percentOnHole: percent(thread, holeMm),
    holeMm,
    finishedMinorMm,
    sigmaMm,
    insideShare,
    verdict: verdictOf(insideShare, beyondMm, limits),
    beyondMm,
    owned,
    formed: forming,
  };
}

/** Drills judged one by one, as if all of them were in the pool. */
export const judgeDrills = (q: TapDrillQuestion, drills: readonly Drill[]): TapDrillCandidate[] =>
  drills.map((drill) => judgeDrill(q, drill, true));
