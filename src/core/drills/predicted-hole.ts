import { answer, mm, phrase, quantity, type Answer } from '../answer/answer';
import { closesIn, type Material } from '../materials/material';
import { interpolate } from '../units/interpolate';
import type { Drill } from './drill';

/** How a drill is started; it decides how much over its size the hole comes out. */
export type StartMeans = 'hand' | 'punch' | 'centre-drill' | 'spot' | 'bushing';

/** Oversize of a good high-speed drill in a drill press on a punch mark, mm by diameter in mm. Model. */
const OVERSIZE_MM = [
  [0, 0],
  [1.5, 0.04],
  [3, 0.07],
  [5, 0.095],
  [8, 0.11],
  [12, 0.12],
  [20, 0.13],
  [25, 0.15],
] as const;

const START_FACTOR: Record<StartMeans, number> = {
  hand: 1.6,
  punch: 1,
  'centre-drill': 0.7,
  spot: 0.6,
  bushing: 0.5,
};
const CARBIDE_FACTOR = 0.25;

export const START_LABEL: Record<StartMeans, string> = {
  hand: 'held by hand, from a punch mark',
  punch: 'drill press, from a punch mark',
  'centre-drill': 'after a centre drill',
  spot: 'spotted on a mill or lathe',
  bushing: 'through a bushing',
};

/**
 * Diameter of the hole that a drill really leaves, mm. Model for a sharp high-speed drill, until the shop's
 * own measurements replace it: oversize by diameter and start, then the metal closing in.
 */
export function predictedHole(drill: Drill, start: StartMeans, material: Material): Answer {
  const d = drill.diameterMm;
  const typical = interpolate(OVERSIZE_MM, d);
  const factor = drill.material === 'carbide' ? CARBIDE_FACTOR : START_FACTOR[start];
  const closing = material.group === 'plastic' ? 0.008 * d : closesIn(material) ? 0.002 * d : 0;
  return answer(d + typical * factor - closing, 'mm', {
    rule: 'Hole that the drill leaves',
    formula: 'drill + oversize × factor of the start − closing in',
    inputs: [
      ['drill', mm(d)],
      ['typical oversize', mm(typical)],
      [
        drill.material === 'carbide' ? 'factor, solid carbide' : `factor, ${START_LABEL[start]}`,
        quantity(factor, 'ratio'),
      ],
      ['closing in', mm(closing)],
    ],
    source: { kind: 'model', name: 'our estimate for a sharp drill' },
    assumptions: [phrase('An evenly ground drill. Measure one hole of your own and trust that instead.')],
  });
}
