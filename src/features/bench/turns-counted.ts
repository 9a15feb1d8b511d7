import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import { WAY_FACTS } from '@/core/tapping/ways';

/** Said on the window when a key counts one turn of the tap. */
export const TURN_EVENT = 'bench-turn';

/** Whether an operation is a tap that a wrench turns and whose turns are known. */
export function countsTurns(plan: HolePlan | undefined, op: Operation | undefined): boolean {
  const best = op?.tap && plan?.thread?.tapping.best;
  return best !== undefined && WAY_FACTS[best.id].byHand && plan?.thread?.limits !== undefined;
}
