import { kindsThat } from '../operation/kinds';
import type { RunStep } from '../route/run-steps';
import type { WorkItem } from '../route/work-item';
import { holeKey, type ToolChanged } from './bench-record';
import { stepHole } from './bench-step';

const AFTER: readonly WorkItem['code'][] = kindsThat((kind) => kind.where === 'after');

/** Whether a step works with the tool that was changed. */
const worksWith = ({ item, visit }: RunStep, { tool, featureId, taps }: ToolChanged): boolean =>
  taps ? item?.code === 'tap' && item.featureId === featureId : visit?.tool === tool;

type SettledAt = (step: RunStep) => number | undefined;

/** The hole that each changed tool made next, or makes next, by its key. */
export const nextHoles = (
  steps: readonly RunStep[],
  changes: readonly ToolChanged[],
  settledAt: SettledAt,
): ReadonlySet<string> =>
  new Set(
    changes.flatMap((change) => {
      const step = steps.find((s) => worksWith(s, change) && (settledAt(s) ?? Infinity) > change.order);
      const hole = step && stepHole(step);
      return hole ? [holeKey(hole)] : [];
    }),
  );

/**
 * After a drill was sharpened or renewed, or a tap changed, the next hole that it makes is gauged before the others go on:
 * its gauging comes right after its last operation at the machine.
 * @param settledAt place in the order of records of what settled a step; undefined while it is open
 */
export function gaugedAgain(
  steps: readonly RunStep[],
  changes: readonly ToolChanged[],
  settledAt: SettledAt,
): readonly RunStep[] {
  if (changes.length === 0) return steps;
  const next = nextHoles(steps, changes, settledAt);
  const checks = new Map<string, RunStep>();
  const last = new Map<string, RunStep>();
  for (const step of steps) {
    const hole = stepHole(step);
    const key = hole && holeKey(hole);
    if (!key || !next.has(key)) continue;
    if (step.item?.code === 'check') checks.set(key, step);
    else if (step.item && !AFTER.includes(step.item.code)) last.set(key, step);
  }
  const moved = new Set(checks.values());
  return steps.flatMap((step) => {
    if (moved.has(step)) return [];
    const hole = stepHole(step);
    const check = hole && last.get(holeKey(hole)) === step ? checks.get(holeKey(hole)) : undefined;
    return check ? [step, check] : [step];
  });
}
