import { about, answer, depth, phrase, quantity, type Answer, type Caution, type Phrase } from '../answer/answer';
import { drillName, pointAngleOf, type Drill } from '../drills/drill';
import type { Context } from './context';
import { cutFigures, cuttingTime, type CutOverride } from './cut';
import type { Cut, CutSpec, Operation, OperationCode } from './operation';

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

interface Handwork {
  key: string;
  code: OperationCode;
  order: Phrase;
  details?: Phrase[];
  seconds: number;
  /** What the time is for, in an infinitive. */
  what: string;
  cautions?: Caution[];
}

/** Work without a spindle, or that only sets up. */
export function byHandwork({ key, code, order, details = [], seconds, what, cautions = [] }: Handwork): Operation {
  const besides = { details, cautions: about(key, cautions) };
  return { key, code, order, details, time: handTime(seconds, what), cautions: besides.cautions, besides };
}

function speedDetail({ speed, ideal }: Cut): Phrase[] {
  if (!speed.ok) return [];
  return [
    phrase('{rpm}, {label}: {percent} of the ideal {ideal}.', {
      rpm: quantity(speed.value.rpm, 'rpm'),
      label: speed.value.label,
      percent: quantity(speed.value.percentOfIdeal, 'percent'),
      ideal: quantity(ideal.value, 'rpm'),
    }),
  ];
}

function peckDetail({ pecks, peckEveryMm }: Cut): Phrase[] {
  if (pecks.length === 0) return [];
  return [
    phrase(
      pecks.length === 1
        ? 'Withdraw fully once, at {first}, and clear the chips.'
        : 'Withdraw fully and clear the chips at {first}, then every {every}: {count} times in all.',
      { first: depth(pecks[0]), every: depth(peckEveryMm), count: pecks.length },
    ),
  ];
}

/** The details that every cut has: speed, withdrawals, breakthrough, holding, fluid. */
function cutDetails(code: OperationCode, cut: Cut, { asked }: Context): Phrase[] {
  const { breaksThroughMm: through, grab } = cut;
  return [
    ...speedDetail(cut),
    ...peckDetail(cut),
    ...(through !== undefined && cut.spec.family === 'drill'
      ? [
          phrase('From {from} on the stop the point comes through: hold back until {to}.', {
            from: depth(through),
            to: depth(through + cut.tipMm),
          }),
        ]
      : []),
    ...(grab && code !== 'start'
      ? [
          phrase('If it grabs, it pulls with {force} at the edge: {holding}.', {
            force: quantity(grab.force.value, 'N'),
            holding: grab.holding.label,
          }),
        ]
      : []),
    ...(code !== 'start' && code !== 'chamfer'
      ? [phrase('Fluid: {fluid}.', { fluid: asked.dry ? 'dry, as asked' : asked.material.lubricant })]
      : []),
  ];
}

interface Cutting {
  key: string;
  code: OperationCode;
  spec: CutSpec;
  order: (cut: Cut) => Phrase;
  details?: Phrase[];
  cautions?: Caution[];
}

/** A cutting operation with its figures, from what it is to do. */
export function cutting({ key, code, spec, order, details = [], cautions = [] }: Cutting, ctx: Context): Operation {
  const cut = cutFigures(spec, ctx);
  const besides = { details, cautions: about(key, cautions) };
  return {
    key,
    code,
    order: order(cut),
    details: [...cutDetails(code, cut, ctx), ...details],
    cut,
    time: cuttingTime(cut),
    cautions: [...besides.cautions, ...about(key, cut.cautions)],
    besides,
  };
}

/** A cutting operation with other figures: what follows from them is made anew, other details stay. */
export function refigured(op: Operation, spec: CutSpec, ctx: Context, over?: CutOverride): Operation {
  const cut = cutFigures(spec, ctx, over);
  return {
    ...op,
    cut,
    order: spec.family === 'drill' ? drillOrder(op.inserted ? 'drill' : op.code, cut) : op.order,
    details: [...cutDetails(op.code, cut, ctx), ...op.besides.details],
    time: cuttingTime(cut),
    cautions: [...op.besides.cautions, ...about(op.key, cut.cautions)],
  };
}

/** What a drill is to do. */
export const drillSpec = (
  drill: Drill,
  owned: boolean,
  at: Omit<CutSpec, 'family' | 'tool' | 'drill' | 'diameterMm' | 'pointAngleDeg'>,
): CutSpec => ({
  family: 'drill',
  tool: { name: drillName(drill), owned },
  drill,
  diameterMm: drill.diameterMm,
  pointAngleDeg: pointAngleOf(drill),
  ...at,
});

/** The imperative of a drilling operation: what, how deep, where the stop holds. */
export function drillOrder(code: OperationCode, { spec, travel, tipMm }: Cut): Phrase {
  const values = {
    drill: spec.tool.name,
    full: depth(spec.fullMm),
    total: depth(travel.value),
    tip: depth(tipMm),
  };
  if (code === 'pilot')
    return phrase(
      spec.through ? 'Pilot with {drill}, through.' : 'Pilot with {drill} to {full}; stop at {total} from touch.',
      values,
    );
  if (code === 'open') return phrase('Open to {drill}, {full} deep first; set the stop at {total} from touch.', values);
  if (code === 'deepen')
    return spec.through
      ? phrase('From its floor drill on with {drill}, through; the tip passes {tip} beyond the back.', values)
      : phrase(
          'From its floor drill on with {drill} to {full}; set the stop at {total} from touch of the face.',
          values,
        );
  return spec.through
    ? phrase('Drill {drill} through; the tip passes {tip} beyond the back.', values)
    : phrase('Drill {drill} to {full}; set the stop at {total} from touch.', values);
}
