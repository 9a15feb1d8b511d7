import type { AnswerRequest, AnswerResponse } from '@/contracts/answer';
import { tell, type Display } from '@/core/units/show';
import type { Problem } from '@/core/answer/answer';
import { planForm } from '@/core/hole/read-form';
import type { Shop } from '@/core/shop/shop';
import { BLANK_FORM, type AskForm } from '@/core/hole/form';
import { refusals } from '@/core/hole/hole-plan';
import type { Machine } from '@/core/cutting/machine';
import type { FieldError } from '@/contracts/problem';
import { answerDocument } from './answer-document';
import { Refusal } from '../refusal';

const INLINE_MACHINE = 'machine-of-the-request';
const REQUEST_FIELD: Record<string, string> = {
  material: 'materialId',
  threadDepth: 'hole.threadDepth',
  thickness: 'hole.thickness',
  stockWidth: 'hole.stockWidth',
  existing: 'hole.existing',
  behind: 'hole.behind',
};

/** A core problem as a field error of a request, its sentences in the reader's units. */
export function fieldErrorOf(problem: Problem, units: Display, rename: Record<string, string> = {}): FieldError {
  return {
    field: rename[problem.field] ?? problem.field,
    code: problem.code,
    detail: tell(problem, units),
    remedy: tell(problem.remedy, units),
    at: problem.at,
    nearest: problem.nearest,
  };
}

function machineOf(request: AnswerRequest): Machine | undefined {
  if (typeof request.machine !== 'object') return undefined;
  const { stepsRpm, rangeRpm, ...rest } = request.machine;
  if ((stepsRpm === undefined) === (rangeRpm === undefined) || (rangeRpm && rangeRpm.min > rangeRpm.max))
    throw new Refusal(422, 'Machine unclear', 'The machine needs either steps or a range of speeds.', [
      {
        field: stepsRpm ? 'machine.rangeRpm' : 'machine.stepsRpm',
        code: 'machine-speeds',
        detail: 'Give stepsRpm or rangeRpm, one of them, the range with min not above max.',
        remedy: 'For example "stepsRpm": [140, 260, 540, 980, 1600].',
      },
    ]);
  return {
    ...rest,
    id: INLINE_MACHINE,
    speeds: rangeRpm
      ? { kind: 'range', minRpm: rangeRpm.min, maxRpm: rangeRpm.max }
      : {
          kind: 'steps',
          steps: (stepsRpm ?? []).map((s) => (typeof s === 'number' ? { rpm: s, label: `${s} rev/min` } : s)),
        },
  };
}

function formOf(request: AnswerRequest): AskForm {
  const { callout, thread, hole, machine } = request;
  if ((callout === undefined) === (thread === undefined))
    throw new Refusal(422, 'Thread or callout', 'Give a callout or a thread, one of them.', [
      {
        field: 'callout',
        code: 'callout-or-thread',
        detail:
          callout === undefined
            ? 'Neither a callout nor a thread was given.'
            : 'Both a callout and a thread were given.',
        remedy: 'For example "callout": "M8 x 16 DEEP", or "thread": "M8".',
      },
    ]);
  const text = (value: string | number | undefined): string => (value === undefined ? '' : String(value));
  const plain = (value: string | number | undefined): string =>
    typeof value === 'number'
      ? value.toLocaleString('en-US', { useGrouping: false, maximumFractionDigits: 12 })
      : text(value);
  return {
    ...BLANK_FORM,
    callout: callout ?? thread ?? '',
    material: request.materialId,
    hole: hole?.kind ?? 'auto',
    depth: plain(hole?.threadDepth),
    thickness: plain(hole?.thickness),
    width: plain(hole?.stockWidth),
    existing: plain(hole?.existing),
    drills: request.drills,
    drill: text(request.drill),
    tap: request.tap,
    way: request.way,
    taps: request.taps?.join(',') ?? '',
    room: request.room,
    behind: plain(hole?.behind),
    percent: text(request.targetPercent),
    machine: typeof machine === 'object' ? INLINE_MACHINE : text(machine),
    start: request.start,
    dry: request.dry,
    bolt: text(request.bolt),
    parts: String(request.quantity),
    units: request.units,
  };
}

/** Answers a request over HTTP in the context of the shop. @throws Refusal with every field that is wrong */
export function answerRequestOf(request: AnswerRequest, shop: Shop): AnswerResponse {
  const form = formOf(request);
  const inline = machineOf(request);
  const result = planForm(form, inline ? { ...shop, machines: [inline, ...shop.machines] } : shop);
  const errors = (problems: Problem[]): FieldError[] =>
    problems.map((p) =>
      fieldErrorOf(p, request.units, {
        ...REQUEST_FIELD,
        callout: request.thread === undefined ? 'callout' : 'thread',
      }),
    );
  if (!result.ok) {
    const list = errors(result.problems);
    throw new Refusal(422, 'No answer to this question', list.map((e) => e.detail).join(' '), list);
  }
  const document = answerDocument(result.value, request.units);
  const refused = refusals(result.value);
  if (refused.length > 0) {
    const list = errors(refused);
    throw new Refusal(422, 'No answer to this question', list.map((e) => e.detail).join(' '), list, document);
  }
  return document;
}
