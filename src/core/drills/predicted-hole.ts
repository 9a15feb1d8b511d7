import { answer, mm, phrase, quantity, type Answer } from '../answer/answer';
import { closesIn, isElastic, type Material } from '../materials/material';
import { interpolate } from '../units/interpolate';
import type { Drill } from './drill';

/** How a drill is started; it decides how much over size the hole ends up. */
export const START_MEANS = ['hand', 'punch', 'centre-drill', 'spot', 'bushing'] as const;
export type StartMeans = (typeof START_MEANS)[number];

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

/** The same in a word or two. */
export const START_SHORT: Record<StartMeans, string> = {
  hand: 'by hand',
  punch: 'punch mark',
  'centre-drill': 'centre drill',
  spot: 'spot drill',
  bushing: 'bushing',
};

interface Parts {
  typicalMm: number;
  factor: number;
  closingMm: number;
}

function partsOf({ diameterMm: d, material }: Drill, start: StartMeans, metal: Material): Parts {
  return {
    typicalMm: interpolate(OVERSIZE_MM, d),
    factor: material === 'carbide' ? CARBIDE_FACTOR : START_FACTOR[start],
    closingMm: isElastic(metal) ? 0.008 * d : closesIn(metal) ? 0.002 * d : 0,
  };
}

/** The value of {@link predictedHole} alone, mm. */
export function predictedHoleMm(drill: Drill, start: StartMeans, material: Material): number {
  const { typicalMm, factor, closingMm } = partsOf(drill, start, material);
  return drill.diameterMm + typicalMm * factor - closingMm;
}

/** One sigma of a hole as a share of the oversize that is predicted, and at least so much, mm. Model. */
const SPREAD_SHARE = 0.35;
const LEAST_SPREAD_MM = 0.008;

/** How far holes of one drill scatter about {@link predictedHole}: one standard deviation, mm. Model. */
export function holeSpreadMm(drill: Drill, start: StartMeans, material: Material): number {
  const { typicalMm, factor } = partsOf(drill, start, material);
  return Math.max(LEAST_SPREAD_MM, SPREAD_SHARE * typicalMm * factor);
}

/**
 * Diameter of the hole that a drill really leaves, mm. Model for a sharp high-speed drill, until the shop's
 * own measurements replace it: oversize by diameter and start, then the metal closing in.
 * @example predictedHole(6.8 mm, 'centre-drill', mild steel).value // 6.8 + 0.104 × 0.7 = 6.873
 */
export function predictedHole(drill: Drill, start: StartMeans, material: Material): Answer {
  const { typicalMm, factor, closingMm } = partsOf(drill, start, material);
  return answer(predictedHoleMm(drill, start, material), 'mm', {
    rule: 'Hole that the drill leaves',
    formula: 'drill + oversize × factor of the start − closing in',
    inputs: [
      ['drill', mm(drill.diameterMm)],
      ['typical oversize', mm(typicalMm)],
      [
        drill.material === 'carbide' ? 'factor, solid carbide' : `factor, ${START_LABEL[start]}`,
        quantity(factor, 'ratio'),
      ],
      ['closing in', mm(closingMm)],
    ],
    source: { kind: 'model', name: 'our estimate for a sharp drill' },
    assumptions: [phrase('An evenly ground drill. Measure one of your own holes and trust that instead.')],
  });
}
