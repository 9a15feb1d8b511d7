import { usualFluteMm } from './flute-length';
import type { Material } from '../materials/material';
import { chiselEdge } from './drill-point';
import { isUsable, type Drill } from './drill';

/** Diameter in mm up to which a drill wants no pilot: 6 by hand, 10 in steel and the like, more in soft metal. */
export function pilotFreeUpTo(byHand: boolean, material: Material): number {
  if (byHand) return 6;
  return material.group === 'aluminium' || material.group === 'plastic' || material.group === 'magnesium' ? 13 : 10;
}

/**
 * Pilots before a drill, smallest first. Each is the pool's drill nearest to the chisel edge of the next one,
 * never under it, and at least 3 mm (2 mm by hand). Model and trade rule.
 * One that reaches the depth goes before one that does not, as long as it stays under half of the next.
 * @param depthMm how deep the hole is at full diameter, mm
 * @param habit none of them, or generous ones of two fifths of the drill from 6 mm
 */
export function pilotChain(
  last: Drill,
  pool: readonly Drill[],
  byHand: boolean,
  material: Material,
  habit: 'web' | 'none' | 'generous' = 'web',
  depthMm = 0,
): Drill[] {
  if (habit === 'none') return [];
  const limit = habit === 'generous' ? Math.min(6, pilotFreeUpTo(byHand, material)) : pilotFreeUpTo(byHand, material);
  const whole = pool.filter(isUsable);
  const reaching = whole.filter((d) => (d.fluteMm ?? usualFluteMm(d.diameterMm)) >= depthMm);
  const chain: Drill[] = [];
  let next = last;
  while (next.diameterMm > limit) {
    const least = Math.max(habit === 'generous' ? 0.4 * next.diameterMm : chiselEdge(next.diameterMm), byHand ? 2 : 3);
    const smallest = (list: readonly Drill[], most: number): Drill | undefined =>
      list
        .filter((d) => d.diameterMm >= least - 1e-9 && d.diameterMm < next.diameterMm * most)
        .reduce<Drill | undefined>((a, b) => (a && a.diameterMm <= b.diameterMm ? a : b), undefined);
    const pilot: Drill | undefined = smallest(reaching, 0.5) ?? smallest(whole, 0.75);
    if (!pilot) break;
    chain.unshift(pilot);
    next = pilot;
  }
  return chain;
}
