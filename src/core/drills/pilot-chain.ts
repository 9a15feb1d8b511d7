import { usualFluteMm } from './flute-length';
import type { Material } from '../materials/material';
import { chiselEdge } from './drill-point';
import { isUsable, type Drill } from './drill';

/** Diameter in mm up to which a drill wants no pilot: 6 by hand, 10 in steel and the like, more in soft metal. */
export function pilotFreeUpTo(byHand: boolean, material: Material): number {
  if (byHand) return 6;
  return material.group === 'aluminium' || material.group === 'plastic' || material.group === 'magnesium' ? 13 : 10;
}

/** Thinnest pilot, mm: by hand 1/8 in or 3.2 mm, as a thinner one snaps when the tool sways. Trade rule. */
const THINNEST_MM = { machine: 3, hand: 3.15 } as const;
/** Widest pilot as a share of the next drill; by hand it grabs sooner. Trade rule. */
const WIDEST_SHARE = { machine: 0.5, hand: 0.45 } as const;

export type PilotHabit = 'web' | 'none' | 'generous';

/**
 * Pilots before a drill, smallest first. Each is the pool's drill nearest to the chisel edge of the next one,
 * never under it, and never so thin that it breaks. Model and trade rule.
 * One that reaches the depth goes before one that does not, as long as it stays under half of the next.
 * @param depthMm how deep the hole is at full diameter, mm
 * @param habit none of them, or generous ones of two fifths of the drill from 6 mm
 */
export function pilotChain(
  last: Drill,
  pool: readonly Drill[],
  byHand: boolean,
  material: Material,
  habit: PilotHabit = 'web',
  depthMm = 0,
): Drill[] {
  if (habit === 'none') return [];
  const held = byHand ? 'hand' : 'machine';
  const limit = habit === 'generous' ? Math.min(6, pilotFreeUpTo(byHand, material)) : pilotFreeUpTo(byHand, material);
  const reaches = (d: Drill): boolean => (d.fluteMm ?? usualFluteMm(d.diameterMm)) >= depthMm;
  const chain: Drill[] = [];
  let next = last;
  while (next.diameterMm > limit) {
    const least = Math.max(
      habit === 'generous' ? 0.4 * next.diameterMm : chiselEdge(next.diameterMm),
      THINNEST_MM[held],
    );
    const smallest = (most: number, fits: (d: Drill) => boolean): Drill | undefined =>
      pool.reduce<Drill | undefined>((a, d) => {
        const within = d.diameterMm >= least - 1e-9 && d.diameterMm < next.diameterMm * most;
        return within && (!a || d.diameterMm < a.diameterMm) && isUsable(d) && fits(d) ? d : a;
      }, undefined);
    // A set of few drills still pilots by machine; by hand a wide pilot does more harm than none.
    const pilot: Drill | undefined =
      smallest(WIDEST_SHARE[held], reaches) ?? smallest(byHand ? WIDEST_SHARE.hand : 0.75, () => true);
    if (!pilot) break;
    chain.unshift(pilot);
    next = pilot;
  }
  return chain;
}
