import { answer, percent, phrase, type Answer, type Phrase } from '../answer/answer';
import type { Material } from '../materials/material';
import { formOf, type Thread } from '../threads/thread';

export interface PercentRange {
  low: number;
  high: number;
}

/** Percent of thread below and above which a percentage asked for is out of range, by form. */
export const reasonablePercent = (thread: Thread): PercentRange => formOf(thread).reasonable;

/** The material's range; 55-degree threads are counted on their full depth and lie 5 higher. */
export function percentRange(thread: Thread, material: Material): PercentRange {
  const shift = formOf(thread).countsMore;
  return { low: material.threadPercent.low + shift, high: material.threadPercent.high + shift };
}

/** Taken off a deep thread and put on for a thin plate, percent of thread. Trade rule. */
const DEEP_OR_THIN = 5;

const rising = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** Chips that clear by themselves leave a deep thread no harder to tap. */
const clearsItself = ({ chips }: Material): boolean => chips === 'short' || chips === 'powder';

/** Nothing to two diameters, all of it from three: a millimetre more of plate is no reason for another drill. */
const deepBy = (depthMm: number, { majorMm }: Thread, material: Material): number =>
  clearsItself(material) ? 0 : DEEP_OR_THIN * rising(depthMm / majorMm, 2, 3);

/** Nothing from one diameter on, all of it to four fifths. */
const thinBy = (thicknessMm: number | undefined, { majorMm }: Thread): number =>
  thicknessMm === undefined ? 0 : DEEP_OR_THIN * (1 - rising(thicknessMm / majorMm, 0.8, 1));

/**
 * Target percent of thread: by material, then size, then depth, each reason stated.
 * @param depthMm length of thread
 * @param thicknessMm thickness of the part where known
 */
export function targetPercent(thread: Thread, material: Material, depthMm: number, thicknessMm?: number): Answer {
  const { low, high } = percentRange(thread, material);
  const steps: [reason: string, change: number][] = [[material.label, material.threadPercent.target]];
  const { countsMore, angle } = formOf(thread);
  if (countsMore > 0) steps.push([`${angle} thread, counted on full depth`, countsMore]);
  if (thread.majorMm < 3.5) steps.push(['small tap', -5]);
  const deep = deepBy(depthMm, thread, material);
  if (deep > 0) steps.push(['deeper than two diameters, all of it from three', -deep]);
  const thin = thinBy(thicknessMm, thread);
  if (thin > 0) steps.push(['plate thinner than one diameter', thin]);
  const sum = steps.reduce((total, [, change]) => total + change, 0);
  const value = Math.min(Math.max(sum, low), high);
  const assumptions: Phrase[] =
    value === sum
      ? []
      : [phrase('Held within {low} to {high} for this material.', { low: percent(low), high: percent(high) })];
  return answer(value, 'percent', {
    rule: 'Target percent of thread',
    formula: 'material, then size, then depth',
    inputs: steps.map(([label, change]) => [label, percent(change)]),
    source: { kind: 'trade rule', name: 'percentage by material' },
    assumptions,
  });
}
