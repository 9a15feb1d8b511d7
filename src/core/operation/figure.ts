import {
  about,
  answer,
  depth,
  mm,
  phrase,
  quantity,
  secondsIn,
  type Answer,
  type Caution,
  type Phrase,
} from '../answer/answer';
import { expectedTime } from '../answer/estimate';
import { expectedHoleMm } from '../drills/expected-hole';
import type { Context } from './context';
import { cutFigures, cuttingTime } from './cut';
import { handledTime } from './handling-time';
import type { Cut, Operation } from './operation';
import { orderOf, type CutStep, type Step } from './step';

/** The time of a step as this shop takes it, where it knows; tapping knows its own. */
function timeHere({ kind }: Step, usual: Answer, { asked, shop }: Context): Answer {
  const share = expectedTime(() => [kind, `${kind}|${asked.machine?.id ?? ''}`], shop.learned);
  if (share.n === 0 || kind === 'tap') return usual;
  return answer(usual.value * share.mean, 's', {
    rule: usual.working.rule,
    formula: 'usual × what this shop takes of it',
    inputs: [
      ['usual', secondsIn(usual.value)],
      ['taken here', quantity(share.mean, 'ratio')],
      ['times measured', quantity(share.n, 'count')],
    ],
    source: { kind: 'model', name: 'measured in this shop' },
  });
}

/** A time that is not worked out from a cut, s. */
export function handTime(seconds: number, purpose: string): Answer {
  return answer(seconds, 's', {
    rule: `Time to ${purpose}`,
    formula: 'usual time for one hole',
    inputs: [['usual', secondsIn(seconds)]],
    source: { kind: 'model', name: 'our judgement, until the shop’s own times are logged' },
  });
}

function speedDetail({ speed, ideal }: Cut): Phrase[] {
  if (!speed.ok) return [];
  return [
    phrase('{rpm}, {label}: {percent} of the ideal {ideal}.', {
      rpm: quantity(speed.value.rpm, 'rpm'),
      label: speed.value.label,
      percent: quantity(Math.round(speed.value.percentOfIdeal), 'percent'),
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

/** A pull under this is nothing to clamp against, N. Our judgement. */
const WORTH_SAYING_N = 5;

/** The hole that a drill is known to leave here, where its holes were measured. */
function measuredHole({ kind, spec }: CutStep, { asked, shop }: Context): Phrase[] {
  if (kind !== 'drill' || !spec.drill || !shop.learned?.oversize) return [];
  const { start, material } = asked;
  const { mean, n } = expectedHoleMm({ drill: spec.drill, start, material }, shop.learned);
  return n === 0 ? [] : [phrase('Predicted hole {hole}, from {n} of your own holes.', { hole: mm(mean), n })];
}

/** The details that every cut has: speed, withdrawals, breakthrough, holding, fluid. */
function cutDetails(step: CutStep, cut: Cut, ctx: Context): Phrase[] {
  const { kind } = step;
  const { asked } = ctx;
  const { breaksThroughMm: through, grab } = cut;
  return [
    ...speedDetail(cut),
    ...measuredHole(step, ctx),
    ...peckDetail(cut),
    ...(through !== undefined && cut.spec.family === 'drill'
      ? [
          phrase('From {from} on the stop the point comes through: hold back until {to}.', {
            from: depth(through),
            to: depth(through + cut.tipMm),
          }),
        ]
      : []),
    ...(grab && kind !== 'start' && grab.force.value >= WORTH_SAYING_N
      ? [
          phrase('If it grabs, it pulls with {force} at the edge: {holding}.', {
            force: quantity(grab.force.value, 'N'),
            holding: grab.holding.label,
          }),
        ]
      : []),
    ...(kind !== 'start' && kind !== 'chamfer'
      ? [phrase('Fluid: {fluid}.', { fluid: asked.dry ? 'dry, as asked' : asked.material.lubricant })]
      : []),
  ];
}

/** That a drill is missing is said once: where it was chosen. */
const isSaid = ({ code }: Caution, { cautions }: Step): boolean =>
  code === 'tool-missing' && cautions.some((c) => c.code === 'drill-to-buy');

function figureCut(step: CutStep, ctx: Context): Operation {
  const { key, kind: code, inserted, choices, spec, changed } = step;
  const cut = cutFigures(spec, ctx, changed?.over);
  return {
    key,
    code,
    order: orderOf(step, cut.stopMm),
    details: [...cutDetails(step, cut, ctx), ...step.details],
    cut,
    time: timeHere(step, handledTime(cuttingTime(cut).value, cut, ctx.asked.machine), ctx),
    cautions: [
      ...about(key, step.cautions),
      ...about(
        key,
        cut.cautions.filter((c) => !isSaid(c, step)),
      ),
    ],
    inserted,
    choices,
  };
}

/** A step with its figures. */
export function figure(step: Step, ctx: Context): Operation {
  if (step.by === 'cut') return figureCut(step, ctx);
  const { key, kind: code, order, details, tap, inserted } = step;
  return {
    key,
    code,
    order,
    details,
    time: timeHere(step, handTime(step.seconds, step.purpose), ctx),
    cautions: about(key, step.cautions),
    tap,
    inserted,
    ...(code === 'note' && !inserted ? { purpose: step.purpose } : {}),
    ...(step.tool ? { tool: step.tool } : {}),
  };
}
