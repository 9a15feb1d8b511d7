import { answer, depth, phrase, quantity, type Answer, type Caution, type Phrase } from '../answer/answer';
import { drillName, type Drill } from '../drills/drill';
import { cutFigures, cuttingTime, isSet, type CutContext } from './cut';
import type { CutSpec, Operation, OperationCode } from './operation';

/** Time of work that is not cutting, s for one hole. Our judgement. */
export const HANDS_S = { 'lay-out': 45, 'lay-out-dials': 12, deburr: 8, check: 25 } as const;

/** A time that is not worked out from a cut, s. */
export function handTime(seconds: number, what: string): Answer {
  return answer(seconds, 's', {
    rule: `Time to ${what}`,
    formula: 'usual time for one hole',
    inputs: [['usual', quantity(seconds, 's')]],
    source: { kind: 'model', name: 'our judgement, until the shop’s own times are logged' },
  });
}

/** Work without a spindle, or that only sets up. */
export const byHandwork = (
  key: string,
  code: OperationCode,
  order: Phrase,
  details: Phrase[],
  seconds: number,
  what: string,
  cautions: Caution[] = [],
): Operation => ({ key, code, order, details, time: handTime(seconds, what), cautions });

/** The details that every cut has: speed, withdrawals, breakthrough, holding, fluid. */
function cutDetails(op: Operation, ctx: CutContext): Phrase[] {
  const { cut } = op;
  if (!cut) return [];
  const details: Phrase[] = [];
  if (isSet(cut.speed))
    details.push(
      phrase('{rpm}, {label}: {percent} of the ideal {ideal}.', {
        rpm: quantity(cut.speed.rpm, 'rpm'),
        label: cut.speed.label,
        percent: quantity(cut.speed.percentOfIdeal, 'percent'),
        ideal: quantity(cut.ideal.value, 'rpm'),
      }),
    );
  if (cut.pecks.length > 0)
    details.push(
      phrase(
        cut.pecks.length === 1
          ? 'Withdraw fully once, at {first}, and clear the chips.'
          : 'Withdraw fully and clear the chips at {first}, then every {every}: {count} times in all.',
        { first: depth(cut.pecks[0]), every: depth(cut.peckEveryMm), count: cut.pecks.length },
      ),
    );
  if (cut.breaksThroughMm !== undefined && cut.spec.family === 'drill')
    details.push(
      phrase('From {from} on the stop the point comes through: hold back until {to}.', {
        from: depth(cut.breaksThroughMm),
        to: depth(cut.breaksThroughMm + cut.tipMm),
      }),
    );
  if (cut.grab && op.code !== 'start')
    details.push(
      phrase('If it grabs it pulls with {force} at the edge: {holding}.', {
        force: quantity(cut.grab.force.value, 'N'),
        holding: cut.grab.holding.label,
      }),
    );
  if (op.code !== 'start' && op.code !== 'chamfer')
    details.push(phrase('Fluid: {fluid}.', { fluid: ctx.dry ? 'dry, as asked' : ctx.material.lubricant }));
  return details;
}

/** A cutting operation with its figures, from what it is to do. */
export function cutting(
  key: string,
  code: OperationCode,
  order: (op: Operation) => Phrase,
  spec: CutSpec,
  ctx: CutContext,
  more: Caution[] = [],
  over?: Parameters<typeof cutFigures>[2],
): Operation {
  const { cut, cautions } = cutFigures(spec, ctx, over);
  const op: Operation = {
    key,
    code,
    order: phrase(''),
    details: [],
    cut,
    time: cuttingTime(cut),
    cautions: [...more, ...cautions],
  };
  op.order = order(op);
  op.details = cutDetails(op, ctx);
  return op;
}

/** Cautions of an operation that do not follow from its figures, and so outlast a change of them. */
function lasting(op: Operation, ctx: CutContext, over: Parameters<typeof cutFigures>[2]): Caution[] {
  const { cut } = op;
  const made = cut ? [undefined, over].flatMap((o) => cutFigures(cut.spec, ctx, o).cautions) : [];
  const own = new Set(made.map((c) => c.code));
  return op.cautions.filter((c) => !own.has(c.code));
}

/** A cutting operation with other figures: what follows from them is made anew, what was said besides stays. */
export function refigured(
  op: Operation,
  spec: CutSpec,
  ctx: CutContext,
  over?: Parameters<typeof cutFigures>[2],
): Operation {
  const { cut, cautions } = cutFigures(spec, ctx, over);
  const besides = op.details.slice(cutDetails(op, ctx).length);
  const next = { ...op, cut, time: cuttingTime(cut), cautions: [...lasting(op, ctx, over), ...cautions] };
  return { ...next, details: [...cutDetails(next, ctx), ...besides] };
}

/** What a drill is to do. */
export const drillSpec = (
  drill: Drill,
  owned: boolean,
  at: Omit<CutSpec, 'family' | 'tool' | 'drill' | 'diameterMm'>,
): CutSpec => ({
  family: 'drill',
  tool: { name: drillName(drill), owned },
  drill,
  diameterMm: drill.diameterMm,
  ...at,
  pointAngleDeg: drill.pointAngleDeg ?? 118,
});

/** The imperative of a drilling operation: what, how deep, where the stop holds. */
export function drillOrder(code: OperationCode, op: Operation): Phrase {
  const { cut } = op;
  if (!cut) return op.order;
  const { spec, travel } = cut;
  const values = {
    drill: spec.drill ? drillName(spec.drill) : spec.tool.name,
    full: depth(spec.fullMm),
    total: depth(travel.value),
    tip: depth(cut.tipMm),
  };
  if (code === 'pilot')
    return phrase(
      spec.through ? 'Pilot with {drill}, through.' : 'Pilot with {drill} to {full}; stop at {total} from touch.',
      values,
    );
  if (code === 'open') return phrase('Open to {drill}, {full} deep first; set the stop at {total} from touch.', values);
  return spec.through
    ? phrase('Drill {drill} through; the tip passes {tip} beyond the back.', values)
    : phrase('Drill {drill} to {full}; set the stop at {total} from touch.', values);
}
