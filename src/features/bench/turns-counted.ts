import { useCallback, useSyncExternalStore } from 'react';
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

/** Turns of the step that was counted last: they outlast a look at what is wrong. */
let counted = { step: '', turns: 0 };
const listeners = new Set<() => void>();

function listen(onChange: () => void): () => void {
  listeners.add(onChange);
  return () => listeners.delete(onChange);
}

/** Turns counted at a step, from 0. */
export const turnsCounted = (step: string): number => (counted.step === step ? counted.turns : 0);

let peak = { step: '', Nm: 0 };
/** Holds the most that a torque wrench told at a step. */
export function holdPeak(step: string, Nm: number): void {
  peak = { step, Nm: Math.max(Nm, peakHeld(step) ?? 0) };
}
/** The most that a torque wrench told at a step, Nm; undefined where there was none. */
export const peakHeld = (step: string): number | undefined => (peak.step === step ? peak.Nm : undefined);

/** Turns counted at a step, and how to change them. */
export function useTurns(step: string): [number, (to: (turns: number) => number) => void] {
  const turns = useSyncExternalStore(
    listen,
    () => turnsCounted(step),
    () => 0,
  );
  const change = useCallback(
    (to: (turns: number) => number): void => {
      counted = { step, turns: to(turnsCounted(step)) };
      for (const tell of listeners) tell();
    },
    [step],
  );
  return [turns, change];
}
