import { isRigid, type Machine } from './machine';
import { DRILLED_TO_HB, isTough, type Material } from '../materials/material';
import { drillName, type Drill, type DrillMaterial } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';

/** Metals in which cobalt keeps its edge and plain high-speed steel soon loses it. Trade rule. */
export const needsCobalt = isTough;

/** Whether a drill of this steel cuts a metal at all; a softer one burns at any speed. */
export const cutsMetal = ({ material = 'hss' }: Pick<Drill, 'material'>, { hardnessHb }: Material): boolean =>
  hardnessHb <= DRILLED_TO_HB[material];

/** From the plainest on. */
const STEELS: readonly DrillMaterial[] = ['hss', 'cobalt', 'carbide'];

/** The steel of a drill to buy for a metal: the plainest that keeps its edge; undefined where high-speed steel does. */
export const steelFor = (metal: Material): DrillMaterial | undefined =>
  needsCobalt(metal) ? STEELS.slice(1).find((material) => cutsMetal({ material }, metal)) : undefined;

/** Point of a drill to buy for a metal that wears edges, degrees: split, so that it neither wanders nor rubs. Trade rule. */
const SPLIT_POINT_DEG = 135;

/** A drill as it is to be bought for a metal: in the steel and with the point that it is then named and figured by. */
export const toBuyFor = <D extends Drill>(drill: D, metal: Material): D => {
  const material = steelFor(metal);
  return material ? { ...drill, material, pointAngleDeg: SPLIT_POINT_DEG } : drill;
};

/** Of plain high-speed steel: a drill of which no more need be said than its size. */
export const isHighSpeed = ({ material = 'hss' }: Drill): boolean => material === 'hss';

/** What to ask for in the shop: 8.0 mm, cobalt. */
export const nameToBuy = (drill: Drill): string =>
  isHighSpeed(drill) ? drillName(drill) : `${drillName(drill)}, ${drill.material}`;

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
  const key = `${needsCobalt(metal)} ${STEELS.find((s) => cutsMetal({ material: s }, metal))} ${isRigid(machine)}`;
  const known = sorted.get(pool) ?? new Map<string, DrillPool>();
  sorted.set(pool, known);
  const before = known.get(key);
  if (before) return before;
  const drills = pool.drills
    .filter((d) => cutsMetal(d, metal))
    .sort(
      (a, b) => a.diameterMm - b.diameterMm || preferenceRank(a, metal, machine) - preferenceRank(b, metal, machine),
    );
  const suited = { ...pool, drills };
  known.set(key, suited);
  return suited;
}
