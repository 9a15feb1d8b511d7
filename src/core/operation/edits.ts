import { ok, type Phrase, type Problem, type Result } from '../answer/answer';
import type { Drill } from '../drills/drill';
import { inWantedOrder } from '../units/in-wanted-order';
import type { BoreTool } from './bore';
import { changesOf } from './changes';
import type { Context } from './context';
import { figure } from './figure';
import { insertedStep, type InsertedOperation } from './inserted-step';
import { KINDS } from './kinds';
import type { Operation, OperationCode } from './operation';
import { dropFault, orderFaults, type OrderFault } from './order-rules';
import { overriddenSpec, type OperationOverride } from './override';
import { orderOf, type Step } from './step';

/** A user's changes to the operations of one hole. What the plan gains or loses later still finds its place. */
export interface OperationEdits {
  /** Keys in the order wanted; operations not named keep their place after what they followed. */
  order?: string[];
  dropped?: string[];
  /** Tool wanted for a large or thin plain hole. */
  tool?: BoreTool;
  inserted?: InsertedOperation[];
  overrides?: Record<string, OperationOverride>;
}

/** What is left out of the plan. */
export interface DroppedStep {
  key: string;
  code: OperationCode;
  order: Phrase;
}

/** What a user's changes make of planned steps. */
export interface EditedSteps {
  steps: Step[];
  dropped: DroppedStep[];
  faults: OrderFault[];
  /** Changes that cannot be: they are left out, and said. */
  problems: Problem[];
}
/** The same with each step figured. */
export interface EditedOperations extends EditedSteps {
  operations: Operation[];
}

/** A user's changes with what makes and says them: a plan without any does not need it. */
export interface EditWork {
  edits: OperationEdits;
  apply: typeof applyEdits;
  /** Figures of a step, which says what the user changed of it. */
  figure: typeof figure;
}
export const withEdits = (edits: OperationEdits): EditWork => ({ edits, apply: applyEdits, figure: figureChanged });

/** One that the user set otherwise is figured as the plan would do it too, to say what changed. */
function figureChanged(step: Step, ctx: Context): Operation {
  const now = figure(step, ctx);
  if (step.by !== 'cut' || !step.changed) return now;
  const planned = figure({ ...step, spec: step.changed.planned, changed: undefined }, ctx);
  return { ...now, changes: changesOf(planned, now) };
}

export type FindDrill = (label: string) => Drill | undefined;

/** What is around the steps of one hole. Lengths in mm. */
interface Around {
  thicknessMm?: number;
  /** A hole that is there already; 0 in full metal. */
  existingMm: number;
  find: FindDrill;
}

function overridden(step: Step, over: OperationOverride | undefined, { thicknessMm, find }: Around): Result<Step> {
  if (!over || step.by !== 'cut') return ok(step);
  const spec = overriddenSpec(step.key, step.spec, over, thicknessMm, find);
  return spec.ok ? ok({ ...step, spec: spec.value, changed: { planned: step.spec, over } }) : spec;
}

/** Drills that open what another has left find the hole that it makes in this order. */
function inEachOther(steps: readonly Step[], existingMm: number): Step[] {
  return steps.map((step, i) => {
    if (step.by !== 'cut' || step.spec.family !== 'drill' || step.spec.fromMm > 0) return step;
    const { spec, changed } = step;
    const inHoleMm = steps
      .slice(0, i)
      .flatMap((s) => (s.by === 'cut' && s.spec.family === 'drill' ? [s.spec] : []))
      .filter((s) => s.diameterMm < spec.diameterMm && s.fullMm >= 0.5 * spec.fullMm)
      .reduce((widest, s) => Math.max(widest, s.diameterMm), existingMm);
    if (Math.abs(inHoleMm - spec.inHoleMm) < 1e-9) return step;
    const also = changed && { changed: { ...changed, planned: { ...changed.planned, inHoleMm } } };
    return { ...step, spec: { ...spec, inHoleMm }, ...also };
  });
}

/** Where a step that the user adds stands: before what is done at the bench afterwards. */
function withAdded(steps: readonly Step[], added: readonly Step[]): Step[] {
  const finish = steps.findIndex(({ kind }) => KINDS[kind].where === 'after');
  const at = finish < 0 ? steps.length : finish;
  return [...steps.slice(0, at), ...added, ...steps.slice(at)];
}

/**
 * Applies a user's changes to planned steps: drops, additions, what each is to do, order. What cannot be is left out and
 * said; an order that can be and should not is kept and explained.
 */
export function applyEdits(planned: readonly Step[], edits: OperationEdits, around: Around): EditedSteps {
  const isDropped = ({ key }: Step): boolean => edits.dropped?.includes(key) ?? false;
  const left = planned.filter((step) => !isDropped(step));
  const problems: Problem[] = [];
  /** What succeeded, or the step as it was, with what stands against it noted. */
  const noted = (step: Result<Step>, otherwise: Step[]): Step[] => {
    if (step.ok) return [step.value];
    problems.push(...step.problems);
    return otherwise;
  };
  const kept = left.flatMap((step) => noted(overridden(step, edits.overrides?.[step.key], around), [step]));
  const added = (edits.inserted ?? []).flatMap((add) => noted(insertedStep(add, around.thicknessMm, around.find), []));
  const steps = inEachOther(
    inWantedOrder(
      withAdded(kept, added),
      (s) => s.key,
      edits.order,
      (s) => !s.inserted,
    ),
    around.existingMm,
  );
  const dropped = planned.filter(isDropped);
  return {
    steps,
    dropped: dropped.map((step) => ({ key: step.key, code: step.kind, order: orderOf(step) })),
    faults: [...orderFaults(steps), ...dropped.flatMap((step) => dropFault(step, left) ?? [])],
    problems,
  };
}
