import { answer, mm, phrase, quantity, type Answer } from '../answer/answer';
import type { Material } from '../materials/material';
import { interpolate } from '../units/interpolate';

/** Feed of a high-speed drill in mild steel, mm/rev by diameter in mm. Trade rule. */
const FEED_MM_PER_REV = [
  [0, 0],
  [1.5, 0.03],
  [3, 0.06],
  [6, 0.11],
  [10, 0.16],
  [13, 0.2],
  [20, 0.28],
  [25, 0.32],
] as const;

/**
 * Feed per revolution for a drill, mm/rev.
 * @example drillFeed(8, mildSteel, false).value // between 0.11 at 6 and 0.16 at 10 = 0.135
 */
export function drillFeed(diameterMm: number, material: Material, byHand: boolean): Answer {
  const base = interpolate(FEED_MM_PER_REV, diameterMm);
  const hand = byHand ? 0.5 : 1;
  return answer(base * material.feedFactor * hand, 'mm/rev', {
    rule: 'Feed',
    formula: 'feed by diameter × factor of the material × factor by hand',
    inputs: [
      ['drill', mm(diameterMm)],
      ['feed in mild steel', quantity(base, 'mm/rev')],
      [`factor, ${material.label}`, quantity(material.feedFactor, 'ratio')],
      ['factor, held by hand', quantity(hand, 'ratio')],
    ],
    source: { kind: 'trade rule', name: 'feed by drill diameter' },
    assumptions: [phrase('By feel: feed until you get a real chip.')],
  });
}

/** Nothing is gained by clearing the chips this short of the end, in diameters. Trade rule. */
const LAST_D = 0.5;

/**
 * Depths in mm at which to withdraw fully and clear the chips; empty when none is needed.
 * First at 3 D (1.5 D in stringy metal or by hand), then every 1 D (0.5 D stringy, at least 2 mm), none within half a
 * diameter of the end. Trade rule.
 * @example peckDepths(5, 20, mildSteel, false) // [15]
 */
export function peckDepths(diameterMm: number, depthMm: number, material: Material, byHand: boolean): number[] {
  const stringy = material.chips === 'stringy';
  const step = peckEvery(diameterMm, material);
  const pecks: number[] = [];
  for (let at = (stringy || byHand ? 1.5 : 3) * diameterMm; at <= depthMm - LAST_D * diameterMm; at += step)
    pecks.push(at);
  return pecks;
}

/** Between two withdrawals, mm. */
export const peckEvery = (diameterMm: number, { chips }: Material): number =>
  chips === 'stringy' ? Math.max(LEAST_PECK_MM, 0.5 * diameterMm) : diameterMm;
const LEAST_PECK_MM = 2;
