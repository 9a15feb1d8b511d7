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

/** Between lines this far apart a half is judged by eye, mm. Our judgement. */
const COARSE_MM = 0.5;
/** A setting this near to what is wanted is as good, mm. Our judgement. */
const HELD_MM = 0.1;

/**
 * What a scale of lines can be set to for a travel, mm: half a division is judged by eye. The nearest half that is as good,
 * else the next one deeper.
 * @param mostMm deepest that it may go: never into the wall left
 * @returns undefined where the lines cannot hold it
 */
export function scaleReading(travelMm: number, divisionMm: number, mostMm: number): number | undefined {
  const half = divisionMm >= COARSE_MM ? divisionMm / 2 : divisionMm;
  const near = nearest(travelMm, half);
  if (near > 0 && Math.abs(near - travelMm) <= HELD_MM + 1e-9 && near <= mostMm + 1e-9) return near;
  const deeper = Math.ceil(travelMm / half - 1e-9) * half;
  return deeper <= mostMm + 1e-9 ? deeper : undefined;
}

/**
 * What a stop of this kind is really set to for a travel, mm: the mark of a scale, the division of a wheel; exactly the
 * travel where nothing is read off, or where lines cannot hold it and a feeler makes up the rest.
 */
export function settingOf(
  { kind, divisionMm, turnMm }: Pick<NonNullable<Machine['depthStop']>, 'kind' | 'divisionMm' | 'turnMm'>,
  { travelMm, mostMm = Infinity, watchMm }: DepthToSet,
): number {
  if (watchMm !== undefined) return travelMm;
  if (kind === 'tailstock' && turnMm !== undefined) return nearest(travelMm, divisionMm);
  return kind === 'scale' || kind === 'tailstock' ? (scaleReading(travelMm, divisionMm, mostMm) ?? travelMm) : travelMm;
}

function byLines(name: string, divisionMm: number, travelMm: number, mostMm: number): Phrase {
  const reading = scaleReading(travelMm, divisionMm, mostMm);
  if (reading !== undefined)
    return phrase(`${name}: touch, read, add {reading}: {lines} lines of {division}.`, {
      reading: depth(reading),
      lines: +(reading / divisionMm).toFixed(1),
      division: mm(divisionMm),
    });
  const over = Math.ceil(travelMm / divisionMm) * divisionMm;
  return phrase(
    `${name}: {travel} falls between its lines. Set {over}, then close the stop onto a feeler of {rest}; or use a collar or a readout.`,
    { travel: depth(travelMm), over: depth(over), rest: mm(over - travelMm) },
  );
}

/** How a depth is to be set. Lengths in mm. */
export interface DepthToSet {
  /** From where the tip touches the face to where it stops. */
  travelMm: number;
  /** Deepest that it may go; no limit where nothing is behind. */
  mostMm?: number;
  /** Diameter that a countersink or spot leaves at the face: that is what is watched. */
  watchMm?: number;
}

/** How to set a depth in the reading of the machine. */
export function stopSetting(
  kind: DepthStopKind,
  divisionMm: number,
  { travelMm, mostMm = Infinity, watchMm }: DepthToSet,
  turnMm?: number,
): Phrase {
  const travel = depth(travelMm);
  switch (kind) {
    case 'scale':
      return watchMm === undefined
        ? byLines('Scale', divisionMm, travelMm, mostMm)
        : phrase('Scale: its lines are too coarse for {travel}: watch the diameter, {mouth} across at the face.', {
            travel,
            mouth: depth(watchMm),
          });
    case 'collar':
      return phrase('Collar: its lower edge {travel} above the tip, and it stops on the face.', { travel });
    case 'tape':
      return phrase('Tape: its lower edge {travel} above the tip; stop when it brushes the face.', { travel });
    case 'readout':
      return phrase('Readout: zero at touch, stop at −{exact}.', { exact: mm(travelMm) });
    case 'tailstock':
      return turnMm === undefined
        ? byLines('Tailstock', divisionMm, travelMm, mostMm)
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
  // A point blunter than the spot meets its rim, or its flank where the spot is the wider; a sharper one goes to its bottom.
  if (spotAngleDeg >= pointAngleDeg) return coneDepth(openingMm, spotAngleDeg);
  return openingMm >= drillMm
    ? coneDepth(openingMm - drillMm, spotAngleDeg) + coneDepth(drillMm, pointAngleDeg)
    : coneDepth(openingMm, pointAngleDeg);
}
