import { inchToMm } from '../../units/length';
import { G, NPT as NPT_ROWS, RC as RC_ROWS } from '../threads.table';
import { byGauge } from './by-gauge';
import { makerOf, type ThreadStandard } from './thread-standard';

const NPT_IS = { form: 'npt-60-taper', system: 'inch', names: { NPT: 'ASME B1.20.1' } } as const;
const RC_IS = { form: 'whitworth-55-taper', system: 'inch', names: { Rc: 'ISO 7-1' } } as const;
const makeNpt = makerOf(NPT_IS);
const makeRc = makerOf(RC_IS);

/** ASME B1.20.1. */
export const NPT: ThreadStandard = {
  ...NPT_IS,
  threads: NPT_ROWS.map(({ size, tpi, outsideIn }) =>
    makeNpt('NPT', `${size}-${tpi} NPT`, inchToMm(outsideIn), inchToMm(1 / tpi)),
  ),
  isSize: ({ designation }, size) => designation.startsWith(`${size}-`),
  ...byGauge('NPT'),
};

/** ISO 7-1, tapered. */
export const RC: ThreadStandard = {
  ...RC_IS,
  threads: G.filter(([size]) => RC_ROWS.some((row) => row.size === size)).map(([size, major, tpi]) =>
    makeRc('Rc', `Rc ${size}`, major, inchToMm(1 / tpi)),
  ),
  isSize: ({ designation }, size) => designation === `Rc ${size}`,
  ...byGauge('Rc'),
};
