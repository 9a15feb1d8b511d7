import { ok, type Problem, type Result } from '../answer/answer';
import type { Drill } from '../drills/drill';
import type { BoreTool } from './bore';
import type { Context } from './context';
import { changesOf } from './changes';
import { insertedOperation, type InsertedOperation } from './inserted-operation';
import { refigured } from './make-operation';
import type { Operation } from './operation';
import { dropFault, orderFaults, type OrderFault } from './order-rules';
import { overriddenSpec, type OperationOverride } from './override';

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

export interface EditedOperations {
  operations: Operation[];
  dropped: Operation[];
  faults: OrderFault[];
  /** Changes that cannot be: they are left out, and said. */
  problems: Problem[];
}

/** A user's changes with what makes them: a plan without any does not need it. */
export interface EditWork {
  edits: OperationEdits;
  apply: typeof applyEdits;
}
export const withEdits = (edits: OperationEdits): EditWork => ({ edits, apply: applyEdits });

export type FindDrill = (label: string) => Drill | undefined;

function overridden(base: Operation, over: OperationOverride, ctx: Context, find: FindDrill): Result<Operation> {
  if (!base.cut) return ok(base);
  const spec = overriddenSpec(base.key, base.cut, over, ctx.setting.thicknessMm, find);
  if (!spec.ok) return spec;
  const now = refigured(base, spec.value, ctx, over);
  return ok({ ...now, changes: changesOf(base, now) });
}

/** Sorts by the order wanted; what it does not name stays right after what it followed in the plan. */
function sorted(planned: readonly Operation[], order: readonly string[] | undefined): Operation[] {
  if (!order) return [...planned];
  const named = planned
    .filter((op) => order.includes(op.key))
    .sort((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  return planned.reduce((placed, op, i) => {
    if (order.includes(op.key)) return placed;
    const before = planned.slice(0, i).findLast((p) => placed.includes(p) && !p.inserted);
    const at = before ? placed.indexOf(before) + 1 : 0;
    return [...placed.slice(0, at), op, ...placed.slice(at)];
  }, named);
}

/** Drills that open what another has left: their figures follow from the hole that they find in this order. */
function inEachOther(
  operations: readonly Operation[],
  edits: OperationEdits,
  ctx: Context,
  existingMm: number,
): Operation[] {
  return operations.map((op, i) => {
    const spec = op.cut?.spec;
    if (spec?.family !== 'drill' || spec.fromMm > 0) return op;
    const inHoleMm = operations
      .slice(0, i)
      .flatMap((o) => (o.cut && o.cut.spec.family === 'drill' ? [o.cut.spec] : []))
      .filter((s) => s.diameterMm < spec.diameterMm && s.fullMm >= 0.5 * spec.fullMm)
      .reduce((widest, s) => Math.max(widest, s.diameterMm), existingMm);
    if (Math.abs(inHoleMm - spec.inHoleMm) < 1e-9) return op;
    return refigured(op, { ...spec, inHoleMm }, ctx, edits.overrides?.[op.key]);
  });
}

/** Keeps what succeeded and gathers what did not. */
function gathered<T>(results: readonly Result<T>[]): { values: T[]; problems: Problem[] } {
  return {
    values: results.flatMap((r) => (r.ok ? [r.value] : [])),
    problems: results.flatMap((r) => (r.ok ? [] : r.problems)),
  };
}

/**
 * Applies a user's changes to planned operations: drops, additions, figures, order. What cannot be is left out and
 * said; an order that can be and should not is kept and explained.
 * @param existingMm a hole that is there already, mm; 0 in full metal
 */
export function applyEdits(
  planned: readonly Operation[],
  edits: OperationEdits,
  ctx: Context,
  existingMm: number,
  find: FindDrill,
): EditedOperations {
  const isDropped = (op: Operation): boolean => edits.dropped?.includes(op.key) ?? false;
  const dropped = planned.filter(isDropped);
  const left = planned.filter((op) => !isDropped(op));
  const refusals: Problem[] = [];
  const kept = left.map((op) => {
    const over = edits.overrides?.[op.key];
    const now: Result<Operation> = over ? overridden(op, over, ctx, find) : ok(op);
    if (now.ok) return now.value;
    refusals.push(...now.problems);
    return op;
  });
  const added = gathered((edits.inserted ?? []).map((add) => insertedOperation(add, ctx, find)));
  const finish = kept.findIndex((op) => op.code === 'deburr' || op.code === 'check');
  const at = finish < 0 ? kept.length : finish;
  const all = [...kept.slice(0, at), ...added.values, ...kept.slice(at)];
  const operations = inEachOther(sorted(all, edits.order), edits, ctx, existingMm);
  return {
    operations,
    dropped,
    faults: [...orderFaults(operations), ...dropped.flatMap((op) => dropFault(op, left) ?? [])],
    problems: [...refusals, ...added.problems],
  };
}
