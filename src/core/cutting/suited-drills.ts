import { isRigid, type Machine } from './machine';
import { isHard, isWorkHardening, type Material } from '../materials/material';
import type { Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';

/** Metals in which cobalt keeps its edge and plain high-speed steel soon loses it. Trade rule. */
export const needsCobalt = (m: Material): boolean => m.group === 'stainless' || isHard(m) || isWorkHardening(m);

/** Place of a drill among those of its size, the lowest taken first: cobalt for tough metal, carbide only where it does not snap. */
export function preferenceRank({ material = 'hss', condition }: Drill, metal: Material, machine?: Machine): number {
  const worn = condition === 'worn' ? 0.5 : 0;
  if (material === 'carbide') return worn + (isRigid(machine) ? 2 : 9);
  if (material === 'cobalt') return worn + (needsCobalt(metal) ? 0 : 3);
  return worn + 1;
}

const sorted = new WeakMap<DrillPool, Map<string, DrillPool>>();

/** A pool in the order in which a machinist takes drills of one size for a metal on a machine; worked out once a pool. */
export function suitedTo(pool: DrillPool, metal: Material, machine: Machine | undefined): DrillPool {
  const key = `${needsCobalt(metal)} ${isRigid(machine)}`;
  const known = sorted.get(pool) ?? new Map<string, DrillPool>();
  sorted.set(pool, known);
  const before = known.get(key);
  if (before) return before;
  const drills = [...pool.drills].sort(
    (a, b) => a.diameterMm - b.diameterMm || preferenceRank(a, metal, machine) - preferenceRank(b, metal, machine),
  );
  const suited = { ...pool, drills };
  known.set(key, suited);
  return suited;
}
