import type { HolePlan } from '../ask/hole-plan';
import { engagement, type BoltClass } from '../threads/engagement';
import { isTapered } from '../threads/thread';
import type { TappingWay } from './ways-of-tapping';
import type { TapDrillCandidate } from './choose-tap-drill';
import { formedMinor } from './forming';
import { breakingTorque } from './tap-strength';
import { tappingTorque } from './tapping-torque';

/** What one drill would mean: how far from breaking the tap, how much of the strength wanted the thread has. */
export interface TradeOff {
  candidate: TapDrillCandidate;
  torqueNm: number;
  /** Length of thread that holds the bolt, with this hole, mm. */
  neededMm: number;
  /** Breaking torque over torque. Model. */
  safety: number;
  /** Thread there is over thread needed for the bolt to break first. */
  strength: number;
}

type Planned = Pick<HolePlan, 'thread' | 'material' | 'hole' | 'kind'> & { best: TappingWay; bolt: BoltClass };

/** A drill weighed: tap against thread; undefined for tapered threads, and drills as large as the thread. */
export function weighDrill(plan: Planned, candidate: TapDrillCandidate): TradeOff | undefined {
  const { thread, material, hole, kind, best: way, bolt } = plan;
  if (isTapered(thread) || candidate.drill.diameterMm >= thread.majorMm) return undefined;
  const torque = tappingTorque({
    thread,
    material,
    tap: way.taps[0],
    minorMm: kind === 'form' ? formedMinor(thread, candidate.drill.diameterMm) : candidate.hole.value,
    depthMm: hole.threadDepthMm,
    through: hole.through,
    reversing: way.biteTurns > 0,
    thicknessMm:
      hole.through && hole.thicknessMm !== undefined ? hole.thicknessMm - (hole.clearance?.depthMm ?? 0) : undefined,
  }).value;
  const { needed } = engagement(thread, material, bolt, candidate.finishedMinorMm);
  return {
    candidate,
    torqueNm: torque,
    neededMm: needed.value,
    safety: breakingTorque(thread, way.taps[0].geometry).value / torque,
    strength: hole.threadDepthMm / needed.value,
  };
}

/** Every drill of the set about the tap drill, by diameter. */
export function tradeOffs(plan: HolePlan): TradeOff[] {
  const bolt = plan.engagement?.bolt;
  if (!bolt) return [];
  const planned = { ...plan, best: plan.tapping.best, bolt };
  const { candidates, lacking, used } = plan.tapDrill;
  const all = [...new Set([...candidates, ...(lacking ? [lacking] : []), used])];
  return all
    .filter((c) => c.percentOnDrill === undefined || (c.percentOnDrill > 35 && c.percentOnDrill < 98))
    .flatMap((c) => weighDrill(planned, c) ?? [])
    .sort((a, b) => a.candidate.drill.diameterMm - b.candidate.drill.diameterMm);
}
