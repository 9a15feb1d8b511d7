import { isHard, isWorkHardening, type Material } from '../materials/material';
import { needsCobalt } from '../cutting/suited-drills';
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

/** Steel and point of a drill for a metal. Trade rule. */
function drillForMetal(m: Material): string {
  if (needsCobalt(m)) return 'cobalt, 135° split point';
  const soft = m.group === 'aluminium' || m.group === 'copper-alloy' || m.group === 'plastic' || m.group === 'zinc';
  return soft || m.group === 'magnesium' || isWorkHardening(m) ? 'HSS, 118° point' : 'HSS, 118° or 135° split point';
}

const STEEL = { hss: 'HSS', cobalt: 'cobalt', carbide: 'solid carbide' } as const;

/** The drill that is used: one of the crib as it hangs there, one to buy as it should be. */
export function drillUsed(drill: Drill, owned: boolean, m: Material): string {
  if (!owned) return drillForMetal(m);
  const steel = drill.material ?? 'hss';
  const own = `${STEEL[steel]}, ${pointAngleOf(drill)}° point`;
  return steel === 'hss' && needsCobalt(m) ? `${own}; ${drillForMetal(m)} lasts longer in this metal` : own;
}
