import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { coneDepth } from '../drills/drill-point';
import type { DepthStopKind, Machine } from './machine';

/** What the machine has to tell the depth by, where nobody says otherwise. */
export const usualStop = (machine: Machine | undefined): NonNullable<Machine['depthStop']> => {
  if (machine?.depthStop) return machine.depthStop;
  if (machine?.kind === 'hand-drill') return { kind: 'tape', divisionMm: 1 };
  if (machine?.kind === 'lathe') return { kind: 'tailstock', divisionMm: 1 };
  return { kind: 'scale', divisionMm: 1 };
};

const nearest = (value: number, division: number): number => Math.round(value / division) * division;

/**
 * How to set a depth in the reading of the machine.
 * @param travelMm from where the tip touches the face to where it stops
 */
export function stopSetting(kind: DepthStopKind, divisionMm: number, travelMm: number, turnMm?: number): Phrase {
  const values = { travel: depth(travelMm), reading: depth(nearest(travelMm, divisionMm)), division: mm(divisionMm) };
  switch (kind) {
    case 'scale':
      return phrase('Scale: touch, read, add {reading}, which is {lines} lines of {division}, and set the nut there.', {
        ...values,
        lines: Math.round(travelMm / divisionMm),
      });
    case 'collar':
      return phrase('Collar: its lower edge {travel} above the tip, and it stops on the face.', values);
    case 'tape':
      return phrase('Tape: its lower edge {travel} above the tip; stop when it brushes the face.', values);
    case 'readout':
      return phrase('Readout: zero at touch, stop at −{exact}.', { exact: mm(travelMm) });
    case 'tailstock':
      return turnMm === undefined
        ? phrase('Tailstock: touch, read the barrel, add {reading}.', values)
        : phrase('Tailstock: touch, zero the wheel, then {turns} and {rest} ({turn} a turn).', {
            turns: quantity(Math.floor(travelMm / turnMm + 1e-9), 'turns'),
            rest: mm(nearest(travelMm - Math.floor(travelMm / turnMm + 1e-9) * turnMm, divisionMm)),
            turn: mm(turnMm),
          });
  }
}

/**
 * How much less a drill still travels when it touches in an opening instead of on the face, mm: a pilot's rim meets the
 * lips, a wider spot meets the corners.
 * @param openingMm pilot hole, or the mouth of the spot
 * @param spotAngleDeg angle of the spot; undefined for a pilot
 */
export function alreadyDeeper(
  drillMm: number,
  pointAngleDeg: number,
  openingMm: number,
  spotAngleDeg?: number,
): number {
  if (spotAngleDeg === undefined) return coneDepth(Math.min(openingMm, drillMm), pointAngleDeg);
  if (openingMm >= drillMm && spotAngleDeg < pointAngleDeg)
    return coneDepth(openingMm - drillMm, spotAngleDeg) + coneDepth(drillMm, pointAngleDeg);
  return coneDepth(openingMm, spotAngleDeg);
}
