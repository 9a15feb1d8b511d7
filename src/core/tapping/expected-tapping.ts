import { expected, expectedTime, type Expected, type Learned, type Spread } from '../answer/estimate';
import { WAY_FACTS, type WayId } from './ways';

/** Lean that is typical for a way, degrees. */
export const typicalLean = (id: WayId): Spread => ({
  mean: WAY_FACTS[id].leanDeg,
  sigma: WAY_FACTS[id].leanSigmaDeg,
});
/** Levels at which lean pools. */
export const leanLevels = (id: WayId): string[] => [id];

/** Lean of a tap driven this way, degrees: what people reach, until the shop's own square says otherwise. */
export const expectedLean = (id: WayId, learned?: Learned): Expected =>
  expected('lean', typicalLean(id), () => leanLevels(id), learned);

/** Levels at which times of tapping pool: all of it, then the way. */
export const tapTimeLevels = (id: WayId): string[] => ['tap', `tap|${id}`];

/** Seconds for tapping this way over the usual ones. */
export const expectedTapTime = (id: WayId, learned?: Learned): Expected =>
  expectedTime(() => tapTimeLevels(id), learned);
