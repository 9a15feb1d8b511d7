import { answer, percent, phrase, type Answer, type Phrase } from '../answer/answer';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';

export interface PercentRange {
  low: number;
  high: number;
}

/** Percent of thread below and above which a wish is refused as unreasonable, by form. */
export const reasonablePercent = (thread: Thread): PercentRange =>
  thread.form === 'iso-60' ? { low: 40, high: 90 } : { low: 40, high: 100 };

/** The material's range; 55-degree threads are counted on their full depth and lie 5 higher. */
export function percentRange(thread: Thread, material: Material): PercentRange {
  const shift = thread.form === 'whitworth-55' ? 5 : 0;
  return { low: material.threadPercent.low + shift, high: material.threadPercent.high + shift };
}

/**
 * Percent of thread to aim at: by material, then size, then depth, each reason stated.
 * @param depthMm length of thread
 * @param thicknessMm thickness of the part where known
 */
export function targetPercent(thread: Thread, material: Material, depthMm: number, thicknessMm?: number): Answer {
  const { low, high } = percentRange(thread, material);
  const steps: [reason: string, change: number][] = [[material.label, material.threadPercent.target]];
  if (thread.form === 'whitworth-55') steps.push(['55-degree thread, counted on full depth', 5]);
  if (thread.majorMm < 3.5) steps.push(['small tap', -5]);
  if (depthMm > 2 * thread.majorMm) steps.push(['deeper than two diameters', -5]);
  if (thicknessMm !== undefined && thicknessMm < thread.majorMm) steps.push(['plate thinner than one diameter', 5]);
  const sum = steps.reduce((total, [, change]) => total + change, 0);
  const value = Math.min(Math.max(sum, low), high);
  const assumptions: Phrase[] =
    value === sum
      ? []
      : [phrase('Kept within {low} to {high} for this material.', { low: percent(low), high: percent(high) })];
  return answer(value, 'percent', {
    rule: 'Percent of thread to aim at',
    formula: 'material, then size, then depth',
    inputs: steps.map(([label, change]) => [label, percent(change)]),
    source: { kind: 'trade rule', name: 'percentage by material' },
    assumptions,
  });
}
