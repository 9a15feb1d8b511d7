import { mm } from '../answer/answer';
import { READ_TURNS } from './thread-gauge';
import { bad, good, slipOf, type Verdict } from './verdict';

/**
 * Depth of full thread, by a marked screw or a depth gauge.
 * @param pitchMm half of it is what a reading can tell, as with a gauge
 */
export function judgeThreadDepth(depthMm: number, neededMm: number, pitchMm: number): Verdict {
  const slip = depthMm > neededMm ? slipOf(depthMm, neededMm) : undefined;
  if (slip) return slip;
  const values = { depth: mm(depthMm), needed: mm(neededMm), short: mm(neededMm - depthMm) };
  return depthMm >= neededMm - READ_TURNS * pitchMm
    ? good('Full thread {depth} deep; {needed} needed.', values)
    : bad(
        ['clean', 'next-tap', 'deepen', 'accept', 'scrap'],
        'Full thread {depth} deep: {short} short of {needed}.',
        values,
      );
}

/** General tolerance, medium, ISO 2768-1: plus or minus, mm, by the largest size in mm. */
const GENERAL_MM = [
  [6, 0.1],
  [30, 0.2],
  [120, 0.3],
  [400, 0.5],
] as const;

/**
 * Plus or minus that a size without a tolerance of its own has, mm. ISO 2768-1 medium; over 400 mm 0.8.
 * @example generalTolerance(10) // 0.2
 */
export const generalTolerance = (sizeMm: number): number => GENERAL_MM.find(([to]) => sizeMm <= to)?.[1] ?? 0.8;

/** Depth of a plain blind hole to its full diameter. */
export function judgeHoleDepth(depthMm: number, drawnMm: number): Verdict {
  const slip = slipOf(depthMm, drawnMm);
  if (slip) return slip;
  const within = generalTolerance(drawnMm);
  const values = { depth: mm(depthMm), drawn: mm(drawnMm), within: mm(within) };
  if (Math.abs(depthMm - drawnMm) <= within + 1e-9)
    return good('{depth} deep; {drawn} on the drawing, ±{within}.', values);
  return depthMm < drawnMm
    ? bad(
        ['clean', 'deepen', 'accept', 'scrap'],
        '{depth} deep; {drawn} on the drawing, ±{within}: too shallow.',
        values,
      )
    : bad(
        ['accept', 'scrap'],
        '{depth} deep; {drawn} on the drawing, ±{within}: too deep. Look at the wall left.',
        values,
      );
}

/**
 * Smallest and largest diameter of a plain or reamed hole, mm.
 * @param upperMm over nominal, of its fit; the general tolerance both ways where left out
 * @param drillMm drill that it was made with, where that is larger than drawn
 * @example sizeLimits(8, 0.015) // [8, 8.015]
 */
export const sizeLimits = (nominalMm: number, upperMm?: number, drillMm = nominalMm): [low: number, high: number] =>
  upperMm === undefined
    ? [nominalMm - generalTolerance(nominalMm), Math.max(nominalMm, drillMm) + generalTolerance(nominalMm)]
    : [nominalMm, nominalMm + upperMm];

/**
 * Diameter of a plain or reamed hole.
 * @param upperMm over nominal, of its fit; the general tolerance both ways where left out
 * @param drillMm drill that it was made with, where that is larger than drawn
 */
export function judgeSize(diameterMm: number, nominalMm: number, upperMm?: number, drillMm = nominalMm): Verdict {
  const slip = slipOf(diameterMm, nominalMm);
  if (slip) return slip;
  const [low, high] = sizeLimits(nominalMm, upperMm, drillMm);
  const values = { size: mm(diameterMm), low: mm(low), high: mm(high) };
  if (diameterMm >= low - 1e-9 && diameterMm <= high + 1e-9) return good('{size}: inside {low} to {high}.', values);
  return diameterMm < low
    ? bad(
        ['clean', upperMm === undefined ? 'drill-again' : 'ream-again', 'accept', 'scrap'],
        '{size}: under {low}.',
        values,
      )
    : bad(
        upperMm === undefined ? ['open', 'accept', 'scrap'] : ['oversize', 'bush', 'accept', 'scrap'],
        '{size}: over {high}.',
        values,
      );
}
