import { depth, phrase, quantity, type Phrase, type Problem } from '../answer/answer';
import { drillName, type Drill } from '../drills/drill';
import { isSet, type CutContext, type CutOverride } from './cut';
import { cutting, drillOrder, drillSpec, handTime, refigured } from './make-operation';
import type { CutSpec, Operation } from './operation';
import { dropFault, orderFaults, type OrderFault } from './order-rules';

/** What a user sets on one operation instead of the plan's figures. */
export interface OperationOverride extends CutOverride {
  /** Label of another drill. */
  drill?: string;
}

/** An operation that the user adds: a drill in this hole, or anything in words. */
export type InsertedOperation =
  | { key: string; kind: 'drill'; drill: string; fullMm: number }
  | { key: string; kind: 'note'; text: string; seconds: number };

/** A user's changes to a plan. What the plan gains or loses later still finds its place. */
export interface RouteEdits {
  /** Keys in the order wanted; operations not named keep their place after what they followed. */
  order?: string[];
  dropped?: string[];
  /** Tool wanted for a large or thin plain hole. */
  tool?: 'drill' | 'annular' | 'saw' | 'step-drill';
  inserted?: InsertedOperation[];
  overrides?: Record<string, OperationOverride>;
}

export interface EditedRoute {
  operations: Operation[];
  dropped: Operation[];
  faults: OrderFault[];
  /** Changes that cannot be: they are left out, and said. */
  problems: Problem[];
}

const refuse = (key: string, code: string, text: string, remedy: string, values?: Phrase['values']): Problem => ({
  code,
  field: key,
  ...phrase(text, values),
  remedy: phrase(remedy, values),
});

/** Figure by figure what an override makes different. */
function changesOf(base: Operation, now: Operation): Phrase[] {
  const [a, b] = [base.cut, now.cut];
  if (!a || !b) return [];
  const changes: Phrase[] = [];
  if (a.spec.diameterMm !== b.spec.diameterMm)
    changes.push(phrase('{now} instead of {before}.', { now: b.spec.tool.name, before: a.spec.tool.name }));
  if (isSet(a.speed) && isSet(b.speed) && a.speed.rpm !== b.speed.rpm)
    changes.push(
      phrase('{now} instead of {before}: {percent} of the ideal.', {
        now: quantity(b.speed.rpm, 'rpm'),
        before: quantity(a.speed.rpm, 'rpm'),
        percent: quantity(b.speed.percentOfIdeal, 'percent'),
      }),
    );
  if (Math.abs(a.feed.value - b.feed.value) > 1e-9)
    changes.push(
      phrase('Feed {now} instead of {before}.', {
        now: quantity(b.feed.value, 'mm/rev'),
        before: quantity(a.feed.value, 'mm/rev'),
      }),
    );
  if (Math.abs(a.travel.value - b.travel.value) > 1e-6)
    changes.push(
      phrase('Stop at {now} instead of {before}.', { now: depth(b.travel.value), before: depth(a.travel.value) }),
    );
  if (a.torque && b.torque && Math.abs(b.torque.value / a.torque.value - 1) > 0.02)
    changes.push(
      phrase('Torque {now} instead of {before}.', {
        now: quantity(b.torque.value, 'Nm'),
        before: quantity(a.torque.value, 'Nm'),
      }),
    );
  if (Math.abs(base.time.value - now.time.value) > 0.5)
    changes.push(
      phrase('{now} in the cut instead of {before}.', {
        now: quantity(now.time.value, 's'),
        before: quantity(base.time.value, 's'),
      }),
    );
  return changes;
}

function overridden(
  base: Operation,
  over: OperationOverride,
  ctx: CutContext,
  findDrill: (label: string) => Drill | undefined,
): Operation | Problem {
  if (!base.cut) return base;
  let spec: CutSpec = base.cut.spec;
  if (over.drill !== undefined) {
    const drill = findDrill(over.drill);
    if (!drill || spec.family !== 'drill')
      return refuse(
        base.key,
        'override-drill',
        '“{typed}” is not a drill that is made.',
        'Write its size as stamped: 6.8, 17/64, #7 or F.',
        { typed: over.drill },
      );
    if (drill.diameterMm <= spec.inHoleMm + 1e-6)
      return refuse(
        base.key,
        'override-drill',
        '{drill} is not larger than the hole before it, {hole}: nothing is left to cut.',
        'Take a larger drill.',
        {
          drill: drillName(drill),
          hole: quantity(spec.inHoleMm, 'mm'),
        },
      );
    spec = {
      ...spec,
      drill,
      diameterMm: drill.diameterMm,
      pointAngleDeg: drill.pointAngleDeg ?? 118,
      tool: { name: drillName(drill), owned: true },
    };
  }
  if (over.fullMm !== undefined) {
    if (!(over.fullMm > spec.fromMm))
      return refuse(
        base.key,
        'override-depth',
        'A depth of {deep} is above where it meets metal, {from}.',
        'Type a greater depth.',
        {
          deep: depth(over.fullMm),
          from: depth(spec.fromMm),
        },
      );
    const tip = base.cut.tipMm;
    if (!spec.through && ctx.thicknessMm !== undefined && over.fullMm + tip >= ctx.thicknessMm)
      return refuse(
        base.key,
        'override-depth',
        'At {deep} of full diameter the tip stands at {tip} and the plate is {plate}: it would come out at the back.',
        'Type at most {most}, or ask for a through hole.',
        {
          deep: depth(over.fullMm),
          tip: depth(over.fullMm + tip),
          plate: depth(ctx.thicknessMm),
          most: depth(Math.max(0, ctx.thicknessMm - tip - 0.5)),
        },
      );
    if (spec.through && ctx.thicknessMm !== undefined && over.fullMm < ctx.thicknessMm)
      return refuse(
        base.key,
        'override-depth',
        '{deep} does not go through {plate}.',
        'Type at least {plate}, or ask for a blind hole.',
        {
          deep: depth(over.fullMm),
          plate: depth(ctx.thicknessMm),
        },
      );
    spec = { ...spec, fullMm: over.fullMm };
  }
  if (over.feed !== undefined && !(over.feed > 0 && over.feed <= 2))
    return refuse(base.key, 'override-feed', 'A feed of {feed} mm/rev is outside reason.', 'Type between 0.01 and 2.', {
      feed: String(over.feed),
    });
  const now = refigured(base, spec, ctx, over);
  if (spec.family === 'drill') now.order = drillOrder(base.code, now);
  now.changes = changesOf(base, now);
  return now;
}

function insertedOperation(
  add: InsertedOperation,
  ctx: CutContext,
  findDrill: (label: string) => Drill | undefined,
): Operation | Problem {
  if (add.kind === 'note')
    return {
      key: add.key,
      code: 'note',
      order: phrase('{text}', { text: add.text }),
      details: [],
      time: handTime(add.seconds, 'do what you added'),
      cautions: [],
      inserted: true,
    };
  const drill = findDrill(add.drill);
  if (!drill)
    return refuse(
      add.key,
      'insert-drill',
      '“{typed}” is not a drill that is made.',
      'Write its size as stamped: 6.8, 17/64, #7 or F.',
      { typed: add.drill },
    );
  if (!(add.fullMm > 0))
    return refuse(add.key, 'insert-depth', 'The depth must be above zero.', 'Type how deep it goes at full diameter.');
  const through = ctx.thicknessMm !== undefined && add.fullMm >= ctx.thicknessMm - 1e-9;
  const spec = drillSpec(drill, true, { inHoleMm: 0, fromMm: 0, fullMm: add.fullMm, through });
  return { ...cutting(add.key, 'pilot', (op) => drillOrder('drill', op), spec, ctx), inserted: true };
}

/** Sorts by the order wanted; what it does not name stays right after what it followed in the plan. */
function sorted(planned: readonly Operation[], order: readonly string[] | undefined): Operation[] {
  if (!order) return [...planned];
  const known = planned
    .filter((op) => order.includes(op.key))
    .sort((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  planned.forEach((op, i) => {
    if (order.includes(op.key)) return;
    const before = planned.slice(0, i).findLast((p) => known.includes(p) && !p.inserted);
    known.splice(before ? known.indexOf(before) + 1 : 0, 0, op);
  });
  return known;
}

/** Drills that open what another has left: their figures follow from the hole that they find in this order. */
function inEachOther(operations: Operation[], edits: RouteEdits, ctx: CutContext): Operation[] {
  return operations.map((op, i) => {
    const spec = op.cut?.spec;
    if (spec?.family !== 'drill' || spec.fromMm > 0) return op;
    const inHoleMm = operations
      .slice(0, i)
      .flatMap((o) => (o.cut && o.cut.spec.family === 'drill' ? [o.cut.spec] : []))
      .filter((s) => s.diameterMm < spec.diameterMm && s.fullMm >= 0.5 * spec.fullMm)
      .reduce((widest, s) => Math.max(widest, s.diameterMm), ctx.existingMm ?? 0);
    if (Math.abs(inHoleMm - spec.inHoleMm) < 1e-9) return op;
    return refigured(op, { ...spec, inHoleMm }, ctx, edits.overrides?.[op.key]);
  });
}

/**
 * Applies a user's changes to a plan: drops, additions, figures, order. What cannot be is left out and said; an order
 * that can be and should not is kept and explained.
 */
export function applyEdits(
  planned: readonly Operation[],
  edits: RouteEdits,
  ctx: CutContext,
  findDrill: (label: string) => Drill | undefined,
): EditedRoute {
  const problems: Problem[] = [];
  const kept: Operation[] = [];
  const dropped: Operation[] = [];
  const dropFaults: OrderFault[] = [];
  for (const op of planned) {
    if (edits.dropped?.includes(op.key)) {
      dropped.push(op);
      const fault = dropFault(
        op,
        planned.filter((o) => o !== op && !edits.dropped?.includes(o.key)),
      );
      if (fault) dropFaults.push(fault);
      continue;
    }
    const over = edits.overrides?.[op.key];
    const now = over ? overridden(op, over, ctx, findDrill) : op;
    if ('field' in now) {
      problems.push(now);
      kept.push(op);
    } else kept.push(now);
  }
  const finish = kept.findIndex((op) => op.code === 'deburr' || op.code === 'check');
  const added = (edits.inserted ?? []).flatMap((add) => {
    const op = insertedOperation(add, ctx, findDrill);
    if (!('field' in op)) return [op];
    problems.push(op);
    return [];
  });
  kept.splice(finish < 0 ? kept.length : finish, 0, ...added);
  const operations = inEachOther(sorted(kept, edits.order), edits, ctx);
  return { operations, dropped, faults: [...orderFaults(operations), ...dropFaults], problems };
}
