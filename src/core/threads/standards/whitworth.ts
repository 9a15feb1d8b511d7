import { inchToMm, mmToInch } from '../../units/length';
import type { Thread } from '../thread';
import { BSF, BSW } from '../threads.table';
import { inchRows, isInchSize } from './inch-threads';
import { mediumFit, ONE_FIT } from './medium-fit';
import { makerOf, type ThreadStandard } from './thread-standard';

/** Tolerance of the nut's minor diameter, medium fit, mm: BS 84, by threads per inch. */
export function whitworthToleranceMm({ pitchMm }: Thread): number {
  const p = mmToInch(pitchMm);
  const tpi = 1 / p;
  return inchToMm(0.2 * p + (tpi < 20.5 ? 0.007 : tpi < 25 ? 0.005 : 0.004));
}

const IS = { form: 'whitworth-55', system: 'inch', names: { BSW: 'BS 84', BSF: 'BS 84' } } as const;
const make = makerOf(IS);

/** BS 84. */
export const WHITWORTH: ThreadStandard = {
  ...IS,
  threads: [...inchRows(make, 'BSW', BSW), ...inchRows(make, 'BSF', BSF)],
  isSize: isInchSize,
  ...ONE_FIT,
  limits: mediumFit(whitworthToleranceMm),
};
