import type { Answer } from '../answer/answer';
import { boltThrough, CLEARANCE_HOLES, rowFor } from './heads.table';
import { positionZone } from './means-of-layout';

/** Zone where no clearance of this size is listed and none is typed, mm. Our judgement. */
export const USUAL_ZONE_MM = 0.4;

/**
 * Position zone that the joint leaves a hole, a diameter: a tapped one under its usual clearance hole, a clearance hole over
 * its bolt.
 * @param diameterMm major diameter of a tapped hole, bore of a plain one
 * @returns undefined where no clearance of this size is listed
 */
export function jointZone(diameterMm: number, tapped: boolean): Answer | undefined {
  const bolt = tapped ? diameterMm : boltThrough(diameterMm);
  const row = bolt === undefined ? undefined : rowFor(CLEARANCE_HOLES, bolt);
  return row && positionZone('fixed', row[2], row[0]);
}
