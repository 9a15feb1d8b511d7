import { expected, type Expected, type Learned } from '../answer/estimate';
import { WAY_FACTS, type WayId } from './ways';

/** Lean of a tap driven this way, degrees: what people reach, until the shop's own square says otherwise. */
export const expectedLean = (id: WayId, learned?: Learned): Expected =>
  expected('lean', { mean: WAY_FACTS[id].leanDeg, sigma: WAY_FACTS[id].leanSigmaDeg }, [id], learned);

/** One sigma of the seconds of a tapping as a share of the usual ones. Our judgement. */
const TIME_SIGMA = 0.3;

/** Seconds for tapping this way over the usual ones. */
export const expectedTapTime = (id: WayId, learned?: Learned): Expected =>
  expected('seconds', { mean: 1, sigma: TIME_SIGMA }, ['tap', `tap|${id}`], learned);
