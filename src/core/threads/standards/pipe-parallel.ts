import { inchToMm } from '../../units/length';
import type { Thread } from '../thread';
import { G } from '../threads.table';
import { mediumFit, ONE_FIT } from './medium-fit';
import { makerOf, type ThreadStandard } from './thread-standard';
import { whitworthToleranceMm } from './whitworth';

const IS = { form: 'whitworth-55', system: 'inch', names: { G: 'ISO 228-1', Rp: 'ISO 7-1' } } as const;
const make = makerOf(IS);
const listed = (series: 'G' | 'Rp'): Thread[] =>
  G.map(([size, major, tpi]) => make(series, `${series} ${size}`, major, inchToMm(1 / tpi)));

/** Parallel pipe thread: ISO 228-1, and the parallel inside thread of ISO 7-1 that takes a tapered outside one. */
export const PIPE_PARALLEL: ThreadStandard = {
  ...IS,
  threads: [...listed('G'), ...listed('Rp')],
  isSize: ({ designation }, size) => designation.endsWith(` ${size}`),
  ...ONE_FIT,
  limits: mediumFit(whitworthToleranceMm),
};
