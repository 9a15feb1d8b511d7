import { answer, mm, phrase, type Answer } from '../answer/answer';
import { boltThrough, CLEARANCE_HOLES, rowFor } from './heads.table';
import { positionZone, type Joint } from './means-of-layout';

/** Zone where no clearance of this size is listed and none is typed, mm. Our judgement. */
const USUAL_ZONE_MM = 0.4;
/** Largest zone that can be set, mm. */
export const MOST_ZONE_MM = 50;

/** How close the clearance hole of the mate is, in the order of the printed tables. */
export const FITS = ['close', 'normal', 'loose'] as const;
export type Fit = (typeof FITS)[number];

/** A hole that has a position. */
export interface Positioned {
  /** Major diameter of a tapped hole, bore of a plain one, mm. */
  diameterMm: number;
  tapped: boolean;
  /** Zone that was entered for it, a diameter, mm: the drawing’s, or that of another joint. */
  zoneMm?: number;
}

/**
 * Position zone that the joint leaves a hole, a diameter in mm: a tapped one under the clearance hole of its mate, a clearance
 * hole over its bolt. ISO 273 and ASME B18.2.8, listed from M1.6 to M30 and #2 to 1 in.
 * @returns undefined where no clearance of this size is listed
 */
export function jointZone({
  diameterMm,
  tapped,
  joint = 'fixed',
  fit = 'normal',
}: Omit<Positioned, 'zoneMm'> & { joint?: Joint; fit?: Fit }): Answer | undefined {
  const bolt = tapped ? diameterMm : boltThrough(diameterMm);
  const row = bolt === undefined ? undefined : rowFor(CLEARANCE_HOLES, bolt);
  return row && positionZone(joint, row[1 + FITS.indexOf(fit)], row[0]);
}

/** The position zone that a hole is held against, a diameter in mm: the one entered, else what the joint leaves, else assumed. */
export function zoneOf({ diameterMm, tapped, zoneMm }: Positioned): Answer {
  if (zoneMm !== undefined)
    return answer(zoneMm, 'mm', {
      rule: 'Position zone, set by you',
      formula: 'as entered',
      inputs: [['position zone', mm(zoneMm)]],
      source: { kind: 'standard', name: 'Position zone, ISO 1101 and ASME Y14.5' },
    });
  return (
    jointZone({ diameterMm, tapped }) ??
    answer(USUAL_ZONE_MM, 'mm', {
      rule: 'Usual position zone',
      formula: 'assumed',
      inputs: [],
      source: { kind: 'model', name: 'our judgement' },
      assumptions: [phrase('No clearance hole of this size is listed, and the drawing’s zone is not entered.')],
    })
  );
}
