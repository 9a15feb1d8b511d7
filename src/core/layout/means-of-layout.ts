import { answer, mm, phrase, type Answer, type Phrase } from '../answer/answer';

export type LayoutMeans =
  'marker' | 'scriber' | 'transfer-punch' | 'caliper' | 'height-gauge' | 'edge-finder' | 'readout' | 'bushing';

interface MeansRow {
  id: LayoutMeans;
  label: string;
  /** Spread of the line or position, plus or minus about two sigma, mm. */
  spreadMm: number;
  /** Whether a punch mark and a start on it add their own spread. */
  punched: boolean;
  /** Order of effort: the cheapest first. */
  effort: number;
}

/** Our judgement of what each means holds, plus or minus, mm. */
export const MEANS: readonly MeansRow[] = [
  { id: 'marker', label: 'Marker and rule', spreadMm: 0.8, punched: true, effort: 1 },
  { id: 'scriber', label: 'Scriber and square', spreadMm: 0.35, punched: true, effort: 2 },
  { id: 'transfer-punch', label: 'Transfer punch through the mate', spreadMm: 0.1, punched: true, effort: 3 },
  { id: 'height-gauge', label: 'Height gauge on a surface plate', spreadMm: 0.06, punched: true, effort: 4 },
  { id: 'caliper', label: 'Caliper as a scribe', spreadMm: 0.2, punched: true, effort: 5 },
  { id: 'edge-finder', label: 'Edge finder and dials, on a mill', spreadMm: 0.03, punched: false, effort: 6 },
  { id: 'readout', label: 'Edge finder and readout, on a mill', spreadMm: 0.02, punched: false, effort: 7 },
  { id: 'bushing', label: 'Jig with bushings', spreadMm: 0.05, punched: false, effort: 8 },
];
export const PUNCH_SPREAD_MM = { eye: 0.12, glass: 0.06, automatic: 0.25 } as const;
export const START_SPREAD_MM = { hand: 0.5, punch: 0.15, 'centre-drill': 0.08, spot: 0.03, bushing: 0 } as const;
export type Punching = keyof typeof PUNCH_SPREAD_MM;
export type Starting = keyof typeof START_SPREAD_MM;

export type Joint = 'fixed' | 'floating';

/**
 * Position zone (a diameter, mm) that a joint leaves to each hole: all of the play when both parts have
 * clearance, half of it when one is tapped.
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

/** Root of the sum of squares, for independent errors. */
export const combined = (...spreads: number[]): number => Math.hypot(...spreads);

/** Share of holes outside a round zone when each axis scatters alike; `spread` is two sigma. */
export const shareOutside = (zoneMm: number, spreadMm: number): number =>
  zoneMm <= 0 ? 1 : Math.exp(-((zoneMm / 2) ** 2) / (2 * (spreadMm / 2) ** 2));

/** Every means for a zone: those that hold first, the least effort first among them. */
export function rankMeans(zoneMm: number, punching: Punching, starting: Starting): RankedMeans[] {
  return [...MEANS]
    .sort((a, b) => a.effort - b.effort)
    .map(({ id, label, spreadMm, punched }): RankedMeans => {
      const start =
        id === 'bushing'
          ? 0
          : punched
            ? START_SPREAD_MM[starting]
            : Math.min(START_SPREAD_MM[starting], START_SPREAD_MM.spot);
      const punch = punched ? PUNCH_SPREAD_MM[punching] : 0;
      const value = combined(spreadMm, punch, start);
      const holds = 2 * value <= zoneMm + 1e-9;
      const spread = answer(value, 'mm', {
        rule: 'Spread of a hole’s place',
        formula: '√(layout² + punch² + start²), plus or minus',
        inputs: [
          ['layout', mm(spreadMm)],
          ['punch', mm(punch)],
          ['start and drill', mm(start)],
        ],
        source: { kind: 'model', name: 'our judgement, about two sigma' },
      });
      return {
        id,
        label,
        spread,
        holds,
        badShare: shareOutside(zoneMm, value),
        reason: holds
          ? phrase('Twice {spread} is inside the zone of {zone}.', { spread: mm(value), zone: mm(zoneMm) })
          : phrase('Twice {spread} is more than the zone of {zone}: about {bad} of a hundred holes would miss.', {
              spread: mm(value),
              zone: mm(zoneMm),
              bad: (100 * shareOutside(zoneMm, value)).toFixed(1),
            }),
      };
    })
    .sort((a, b) => Number(b.holds) - Number(a.holds));
}
