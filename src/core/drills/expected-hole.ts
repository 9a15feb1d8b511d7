import { answer, mm, phrase, quantity, type Quantity } from '../answer/answer';
import {
  bandOf,
  expected,
  toolLevels,
  type Estimate,
  type Expected,
  type Learned,
  type Spread,
} from '../answer/estimate';
import { closesIn, isElastic, type Material } from '../materials/material';
import { interpolate } from '../units/interpolate';
import { drillName, sizedDrill, type Drill } from './drill';

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

/** A hole as it is drilled. */
export interface DrilledHole {
  drill: Drill;
  start: StartMeans;
  material: Material;
}

interface Parts {
  typicalMm: number;
  factor: number;
  closingMm: number;
}

function partsOf({ drill: { diameterMm: d, material: steel }, start, material }: DrilledHole): Parts {
  return {
    typicalMm: interpolate(OVERSIZE_MM, d),
    factor: steel === 'carbide' ? CARBIDE_FACTOR : START_FACTOR[start],
    closingMm: isElastic(material) ? 0.008 * d : closesIn(material) ? 0.002 * d : 0,
  };
}

/** One sigma of a hole as a share of the oversize that is predicted, and at least so much, mm. Model. */
const SIGMA_SHARE = 0.35;
const LEAST_SIGMA_MM = 0.008;

/** This very drill: one of the crib, else its size. */
export const drillLevel = ({ id, ...drill }: Drill): string => `drill ${id ?? drillName(drill)}`;

/** Levels at which holes pool: kind, size and metal; then the start; then this very drill. */
export function holeLevels({ drill, start, material }: DrilledHole): string[] {
  const kind = [drill.material ?? 'hss', bandOf(drill.diameterMm), material.id].join('|');
  const started = `${kind}|${start}`;
  return [kind, started, ...toolLevels(drillLevel(drill), started)];
}

/** The hole that is typical for a drill, whatever was measured, mm. */
export function typicalHoleMm(hole: DrilledHole): Spread {
  const { typicalMm, factor, closingMm } = partsOf(hole);
  const over = typicalMm * factor;
  return {
    mean: hole.drill.diameterMm + over - closingMm,
    sigma: Math.max(LEAST_SIGMA_MM, SIGMA_SHARE * over),
  };
}

/**
 * Hole that a drill leaves and how it scatters, mm, without the working. Model for a sharp high-speed drill, until the
 * shop's own measurements replace it: oversize by diameter and start, then the metal closing in.
 * @example expectedHoleMm({ drill: drill68, start: 'centre-drill', material: mildSteel }).mean // 6.8 + 0.104 × 0.7 = 6.873
 */
export const expectedHoleMm = (hole: DrilledHole, learned?: Learned): Expected =>
  expected('oversize', typicalHoleMm(hole), () => holeLevels(hole), learned);

/**
 * The drill that would have left a hole of this size, mm, called by the size of the hole.
 * @param made how it was drilled
 */
export function drillThatLeft(holeMm: number, made: Omit<DrilledHole, 'drill'>, learned?: Learned): Drill {
  const { start, material } = made;
  const over = expectedHoleMm({ drill: sizedDrill(holeMm), start, material }, learned).mean - holeMm;
  return sizedDrill(holeMm - over, `${+holeMm.toFixed(2)}`);
}

/** The hole that a drill leaves as people see it, mm, with its spread and its working. Model, or as this shop measured. */
export function expectedHole(hole: DrilledHole, learned?: Learned): Estimate {
  const { drill, start } = hole;
  const { mean, sigma, n, own = 0, range } = expectedHoleMm(hole, learned);
  const { typicalMm, factor, closingMm } = partsOf(hole);
  const made = (inputs: [string, Quantity][], formula: string, name: string, assumption: string): Estimate => ({
    ...answer(mean, 'mm', {
      rule: 'Hole that the drill leaves',
      formula,
      inputs: [['drill', mm(drill.diameterMm)], ...inputs],
      source: { kind: 'model', name },
      assumptions: [phrase(assumption)],
    }),
    sigma,
    n,
    ...(range ? { range } : {}),
  });
  if (n > 0)
    return made(
      [
        ['typical hole', mm(typicalHoleMm(hole).mean)],
        ['holes measured here', quantity(n, 'count')],
        ['their mean', mm(own)],
        ['nine of ten holes from', mm(range?.[0] ?? mean)],
        ['to', mm(range?.[1] ?? mean)],
      ],
      'typical hole, worth 3 readings, and the holes measured here, each worth 1; first of its kind, then with this start, then of this drill',
      'measured in this shop',
      'This drill as it is now: sharpened, it begins anew.',
    );
  return made(
    [
      ['typical oversize', mm(typicalMm)],
      [
        drill.material === 'carbide' ? 'factor, solid carbide' : `factor, ${START_LABEL[start]}`,
        quantity(factor, 'ratio'),
      ],
      ['closing in', mm(closingMm)],
    ],
    'drill + oversize × factor of the start − closing in',
    'our estimate for a sharp drill',
    'An evenly ground drill. Measure one of your own holes and trust that instead.',
  );
}
