import { isHard, type Material } from './material';

/** How much longer a tool lasts in a metal than in mild steel. Our judgement. */
export function lifeFactor(m: Material): number {
  if (m.group === 'nickel') return 0.15;
  if (m.group === 'titanium') return 0.2;
  if (m.group === 'stainless') return m.chips === 'stringy' ? 0.4 : 0.7;
  if (isHard(m)) return 0.4;
  if (m.group === 'steel' || m.group === 'iron') return m.hardnessHb > 200 ? 0.7 : 1;
  return 3;
}

/**
 * What one hole takes of a tool’s life: 1 for a hole two diameters deep in mild steel.
 * @param depthMm, diameterMm above 0
 * @example toolUse(mildSteel, 16, 8) // 1
 */
export const toolUse = (material: Material, depthMm: number, diameterMm: number): number =>
  depthMm / diameterMm / 2 / lifeFactor(material);
