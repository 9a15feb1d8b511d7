import { isRigid, type Machine } from '../cutting/machine';
import { isHard, isWorkHardening, type Material } from '../materials/material';
import type { Drill } from './drill';
import type { DrillPool } from './drill-sets';

/** Metals in which cobalt keeps its edge and plain high-speed steel soon loses it. Trade rule. */
export const wantsCobalt = (m: Material): boolean => m.group === 'stainless' || isHard(m) || isWorkHardening(m);

/** How far down a drill stands among those of its size: cobalt for tough metal, carbide only where it does not snap. */
export function standing({ material = 'hss', condition }: Drill, metal: Material, machine?: Machine): number {
  const worn = condition === 'worn' ? 0.5 : 0;
  if (material === 'carbide') return worn + (isRigid(machine) ? 2 : 9);
  if (material === 'cobalt') return worn + (wantsCobalt(metal) ? 0 : 3);
  return worn + 1;
}

const sorted = new WeakMap<DrillPool, Map<string, DrillPool>>();

/** A pool in the order in which a machinist takes drills of one size for a metal on a machine; worked out once a pool. */
export function suitedTo(pool: DrillPool, metal: Material, machine: Machine | undefined): DrillPool {
  const key = `${wantsCobalt(metal)} ${isRigid(machine)}`;
  const known = sorted.get(pool) ?? new Map<string, DrillPool>();
  sorted.set(pool, known);
  const before = known.get(key);
  if (before) return before;
  const drills = [...pool.drills].sort(
    (a, b) => a.diameterMm - b.diameterMm || standing(a, metal, machine) - standing(b, metal, machine),
  );
  const suited = { ...pool, drills };
  known.set(key, suited);
  return suited;
}
