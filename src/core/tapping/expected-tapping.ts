import { expected, expectedTime, type Expected, type Learned } from '../answer/estimate';
import { WAY_FACTS, type WayId } from './ways';

/** Lean of a tap driven this way, degrees: what people reach, until the shop's own square says otherwise. */
export const expectedLean = (id: WayId, learned?: Learned): Expected =>
  expected('lean', { mean: WAY_FACTS[id].leanDeg, sigma: WAY_FACTS[id].leanSigmaDeg }, [id], learned);

/** Seconds for tapping this way over the usual ones. */
export const expectedTapTime = (id: WayId, learned?: Learned): Expected => expectedTime(['tap', `tap|${id}`], learned);
