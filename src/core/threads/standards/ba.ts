import { BA as ROWS } from '../threads.table';
import { mediumFit, ONE_FIT } from './medium-fit';
import { makerOf, type ThreadStandard } from './thread-standard';

const IS = { form: 'ba-47.5', system: 'metric', names: { BA: 'BS 93' } } as const;
const make = makerOf(IS);

/** BS 93. */
export const BA: ThreadStandard = {
  ...IS,
  threads: ROWS.split(' ').map((row) => {
    const [number, size] = row.split(':');
    const [d, p] = size.split('x').map(Number);
    return make('BA', `${number} BA`, d, p);
  }),
  isSize: ({ designation }, size) => designation === `${size} BA`,
  ...ONE_FIT,
  limits: mediumFit(({ pitchMm }) => 0.375 * pitchMm),
};
