import { isHard, type Material } from '../materials/material';
import { isHighSpeed, toBuyFor } from '../cutting/suited-drills';
import { pointAngleOf, type Drill } from '../drills/drill';

const wearsTaps = (m: Material): boolean => m.group === 'aluminium' && m.formTapping === 'no';

/** Surface of a tap that neither wears nor sticks in a metal. Trade rule; never an aluminium-bearing nitride on aluminium. */
export function tapSurface(m: Material): string {
  if (m.group === 'iron' || m.group === 'plastic' || wearsTaps(m)) return 'nitrided';
  if (isHard(m) || m.group === 'titanium' || m.group === 'nickel') return 'coated against wear';
  return m.group === 'steel' || m.group === 'stainless' ? 'steam-oxide' : 'bright';
}

/** Hook of a cutting tap: none where chips crumble, most where the metal is soft and drags. Trade rule. */
export function tapHook(m: Material): 'no hook' | 'some hook' | 'high hook' {
  if (m.chips === 'powder' || (m.chips === 'short' && m.group !== 'steel' && m.group !== 'stainless')) return 'no hook';
  return !isHard(m) && (m.group === 'aluminium' || m.group === 'copper-alloy' || m.group === 'plastic')
    ? 'high hook'
    : 'some hook';
}

const STEEL = { hss: 'HSS', cobalt: 'cobalt', carbide: 'solid carbide' } as const;

const steelAndPoint = (drill: Drill): string => `${STEEL[drill.material ?? 'hss']}, ${pointAngleOf(drill)}° point`;

/** The drill that is used, as it is figured: steel and point; which would last longer, where that is another. */
export function drillUsed(drill: Drill, m: Material): string {
  const better = toBuyFor(drill, m);
  return isHighSpeed(drill) && better !== drill
    ? `${steelAndPoint(drill)}; ${steelAndPoint(better)} lasts longer in this metal`
    : steelAndPoint(drill);
}
