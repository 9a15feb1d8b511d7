import { answer, mm, phrase, quantity, type Answer, type Phrase } from '../answer/answer';
import type { MachineKind } from '../cutting/machine';
import { expected, type Expected, type Learned, type Spread } from '../answer/estimate';

export type LayoutMeans =
  'marker' | 'scriber' | 'transfer-punch' | 'caliper' | 'height-gauge' | 'edge-finder' | 'readout' | 'bushing';

interface MeansRow {
  id: LayoutMeans;
  label: string;
  /** One sigma of the line or position, mm. */
  sigmaMm: number;
  /** Whether a punch mark and a start on it add their own spread. */
  punched: boolean;
  /** Order of effort: the cheapest first. */
  effort: number;
}

/** How each means scatters. Our judgement. */
export const MEANS: readonly MeansRow[] = [
  { id: 'marker', label: 'Marker and rule', sigmaMm: 0.4, punched: true, effort: 1 },
  { id: 'scriber', label: 'Scriber and square', sigmaMm: 0.175, punched: true, effort: 2 },
  { id: 'transfer-punch', label: 'Transfer punch through the mate', sigmaMm: 0.05, punched: true, effort: 3 },
  { id: 'height-gauge', label: 'Height gauge on a surface plate', sigmaMm: 0.03, punched: true, effort: 4 },
  { id: 'caliper', label: 'Caliper as a scribe', sigmaMm: 0.1, punched: true, effort: 5 },
  { id: 'edge-finder', label: 'Edge finder and dials, on a mill', sigmaMm: 0.015, punched: false, effort: 6 },
  { id: 'readout', label: 'Edge finder and readout, on a mill', sigmaMm: 0.01, punched: false, effort: 7 },
  { id: 'bushing', label: 'Jig with bushings', sigmaMm: 0.025, punched: false, effort: 8 },
];
/** One sigma of a punch mark and of a drill's start, mm. Our judgement. */
export const PUNCH_SIGMA_MM = { eye: 0.06, glass: 0.03, automatic: 0.125 } as const;
export const START_SIGMA_MM = { hand: 0.25, punch: 0.075, 'centre-drill': 0.04, spot: 0.015, bushing: 0 } as const;
export type Punching = keyof typeof PUNCH_SIGMA_MM;
export type Starting = keyof typeof START_SIGMA_MM;

export type Joint = 'fixed' | 'floating';

/**
 * Position zone (a diameter, mm) that a joint leaves to each hole: all of the play when both parts have
 * clearance, half of it when one is tapped.
 * @example positionZone('fixed', 9, 8).value // (9 − 8) ÷ 2 = 0.5
 */
export function positionZone(joint: Joint, clearanceHoleMm: number, boltMm: number): Answer {
  const play = clearanceHoleMm - boltMm;
  return answer(joint === 'floating' ? play : play / 2, 'mm', {
    rule: 'Position zone of the joint',
    formula: joint === 'floating' ? 'clearance hole − bolt' : '(clearance hole − bolt) ÷ 2',
    inputs: [
      ['clearance hole', mm(clearanceHoleMm)],
      ['bolt', mm(boltMm)],
    ],
    source: { kind: 'standard', name: 'fixed and floating fasteners' },
    assumptions: [phrase('The play is shared equally by the two parts.')],
  });
}

export interface RankedMeans {
  id: LayoutMeans;
  label: string;
  spread: Answer;
  holds: boolean;
  /** Share of holes that would fall outside the zone, 0 to 1. Model. */
  badShare: number;
  reason: Phrase;
}

/**
 * Root of the sum of squares, for independent errors: 0 and up, in their unit.
 * @example combined(0.06, 0.15) // √(0.06² + 0.15²) = 0.162
 */
export const combined = (...spreads: number[]): number => Math.hypot(...spreads);

/**
 * Share of holes outside a round zone (a diameter, mm) when each axis scatters alike by this sigma, mm.
 * @example shareOutside(0.5, 0.1) // exp(−0.25² ÷ (2 × 0.1²)) = 0.044
 */
export const shareOutside = (zoneMm: number, sigmaMm: number): number =>
  zoneMm <= 0 ? 1 : Math.exp(-((zoneMm / 2) ** 2) / (2 * sigmaMm ** 2));

/** How the place of a hole is found and begun. */
export interface Placing {
  means: LayoutMeans;
  punching: Punching;
  starting: Starting;
}

/** What each step of placing adds, one sigma in mm: a means that needs no mark has no punch, and starts as a spot does. */
function shares({ means, punching, starting }: Placing): { layout: number; punch: number; start: number } {
  const { sigmaMm: layout, punched } = MEANS.find((m) => m.id === means) as MeansRow;
  const start = START_SIGMA_MM[starting];
  if (punched) return { layout, punch: PUNCH_SIGMA_MM[punching], start };
  return { layout, punch: 0, start: means === 'bushing' ? 0 : Math.min(start, START_SIGMA_MM.spot) };
}

/** How a hole is usually placed on a machine: by readout on a mill, on the axis of a lathe, else by a height gauge and a punch. */
export function usualPlacing(machine: MachineKind | undefined, start: Starting): Placing {
  if (machine === 'mill' || machine === 'lathe') return { means: 'readout', punching: 'eye', starting: 'spot' };
  return { means: 'height-gauge', punching: 'eye', starting: machine === 'hand-drill' ? 'hand' : start };
}

/** Levels at which places pool: the means, then how it is punched and begun. */
export const placeLevels = ({ means, punching, starting }: Placing): string[] => [
  means,
  `${means}|${punching}|${starting}`,
];

/** Place along one axis that is typical for a way of placing, mm. */
export function typicalPlace(placing: Placing): Spread {
  const { layout, punch, start } = shares(placing);
  return { mean: 0, sigma: combined(layout, punch, start) };
}

/** How far a hole lies from where it is drawn along one axis, mm: none on the whole, scattered by every step of placing it. */
export function expectedPlace(placing: Placing, learned?: Learned): Expected {
  return expected('place', typicalPlace(placing), () => placeLevels(placing), learned);
}

/** Every means for a zone: those that hold first, the least effort first among them. */
export function rankMeans(zoneMm: number, punching: Punching, starting: Starting, learned?: Learned): RankedMeans[] {
  return [...MEANS]
    .sort((a, b) => a.effort - b.effort)
    .map(({ id, label }): RankedMeans => {
      const placing = { means: id, punching, starting };
      const { layout, punch, start } = shares(placing);
      const { sigma, n } = expectedPlace(placing, learned);
      const value = 2 * sigma;
      const holds = 2 * value <= zoneMm + 1e-9;
      const spread = answer(value, 'mm', {
        rule: 'Spread of a hole’s place',
        formula: n > 0 ? 'two sigma of the marks measured here' : '√(layout² + punch² + start²), plus or minus',
        inputs:
          n > 0
            ? [['marks measured', quantity(n, 'count')]]
            : [
                ['layout', mm(2 * layout)],
                ['punch', mm(2 * punch)],
                ['start and drill', mm(2 * start)],
              ],
        source: { kind: 'model', name: n > 0 ? 'measured in this shop' : 'our judgement, about two sigma' },
      });
      const badShare = shareOutside(zoneMm, sigma);
      return {
        id,
        label,
        spread,
        holds,
        badShare,
        reason: holds
          ? phrase('Twice {spread} is inside the zone of {zone}.', { spread: mm(value), zone: mm(zoneMm) })
          : phrase('Twice {spread} is more than the zone of {zone}: about {bad} of a hundred holes would miss.', {
              spread: mm(value),
              zone: mm(zoneMm),
              bad: (100 * badShare).toFixed(1),
            }),
      };
    })
    .sort((a, b) => Number(b.holds) - Number(a.holds));
}
