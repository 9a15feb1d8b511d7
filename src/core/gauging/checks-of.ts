import { depth, mm, phrase, quantity, turnsRead, type Phrase } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import type { Point } from '../layout/part';
import { h7UpperMm, isH7, MOST_OVER_MM } from '../operation/choose-plain-drill';
import type { Tool } from '../shop/tool';
import { isTapered } from '../threads/thread';
import { threadGaugeFor } from '../shop/thread-gauge-for';
import { generalTolerance, judgeHoleDepth, judgeSize, judgeThreadDepth, sizeLimits } from './depth-and-size';
import { judgePosition } from './position';
import { judgeSquare, SQUARE_DEG } from './squareness';
import { judgeGo, judgeNotGo, judgePins } from './thread-gauge';
import { bad, good, type Verdict } from './verdict';

export const CHECK_KINDS = ['go', 'not-go', 'minor', 'depth', 'size', 'square', 'position', 'meets', 'mating'] as const;
export type CheckKind = (typeof CHECK_KINDS)[number];

/** One figure to read. */
export interface CheckField {
  id: string;
  label: string;
  unit: 'mm' | 'turns';
  /** May be left out. */
  optional?: boolean;
  /** May be below zero: gaps and places. */
  signed?: boolean;
  /** What an instrument calls it: its readings go here. */
  reading: string;
}

/** One thing to gauge on a hole. */
export interface Check {
  kind: CheckKind;
  title: string;
  /** What to do and what it has to be. */
  how: Phrase;
  /** What it has to be, in a word or two, as a sheet prints it. */
  limits: Phrase;
  /** The crib has nothing that gauges it. */
  isMissing?: true;
  /** None: it is answered with yes or no. */
  fields: CheckField[];
  /** What yes and no are called, where it has no fields. */
  answers?: readonly [yes: string, no: string];
  /** Usual findings, for one key each. */
  usual?: { label: string; values: Record<string, number> }[];
  judge: (values: Readonly<Record<string, number>>) => Verdict;
}

/** What surrounds a hole that is gauged. */
export interface CheckSetting {
  /** Where the drawing has it; undefined where it is not laid out. */
  drawn?: Point;
  /** Position zone, a diameter; undefined where nothing is known of the joint. */
  zoneMm?: number;
  /** Turns that a not-go gauge may enter, of the shop’s habits. */
  notGoTurns: number;
  /** Letter of the bore that it is meant to run into. */
  meets?: string;
  /** Gauges of the crib; left out where it is not known what it has. */
  tools?: readonly Tool[];
}

function threadChecks(plan: HolePlan, { notGoTurns }: CheckSetting): Check[] {
  const { thread: part } = plan;
  if (!part) return [];
  const { thread, at, limits, kind } = part;
  if (isTapered(thread))
    return [
      {
        kind: 'go',
        title: 'Plug gauge',
        how: phrase('By hand to the notch, a turn either way.'),
        limits: phrase('the notch, ±1 turn'),
        fields: [{ id: 'turns', label: 'turns past the notch', unit: 'turns', signed: true, reading: 'go' }],
        judge: ({ turns }) =>
          Math.abs(turns) <= 1
            ? good('Within a turn of the notch.')
            : bad(
                turns < 0 ? ['next-tap', 'scrap'] : ['accept', 'scrap'],
                turns < 0 ? 'Stops short of the notch: tap deeper.' : 'Goes past the notch: the joint will not seal.',
              ),
      },
    ];
  const blindDepth: Check[] = at.through
    ? []
    : [
        {
          kind: 'depth',
          title: 'Depth of thread',
          how: phrase('A marked screw to the end of its way, or a depth gauge: {length} at least.', {
            length: depth(at.lengthMm),
          }),
          limits: phrase('{length} or more', { length: depth(at.lengthMm) }),
          fields: [{ id: 'depth', label: 'depth', unit: 'mm', reading: 'depth' }],
          judge: ({ depth: read }) => judgeThreadDepth(read, at.lengthMm, thread.pitchMm),
        },
      ];
  const minor: Check[] = limits
    ? [
        {
          kind: 'minor',
          title:
            kind === 'form' ? 'Minor diameter by pins: the real check of a formed thread' : 'Minor diameter by pins',
          how: phrase('{class}: {min} to {max}.', {
            class: limits.className,
            min: mm(limits.minorMinMm),
            max: mm(limits.minorMaxMm),
          }),
          limits: phrase('{min} to {max}', { min: mm(limits.minorMinMm), max: mm(limits.minorMaxMm) }),
          fields: [
            { id: 'in', label: 'largest pin that enters', unit: 'mm', reading: 'in' },
            { id: 'out', label: 'smallest that does not', unit: 'mm', optional: true, reading: 'out' },
          ],
          judge: ({ in: inMm, out }) =>
            judgePins({ inMm, outMm: out }, limits.minorMinMm, limits.minorMaxMm, kind === 'form'),
        },
      ]
    : [];
  return [
    {
      kind: 'go',
      title: 'Go gauge',
      how: phrase('Clean the hole. By hand, the full {length}.', { length: depth(at.lengthMm) }),
      limits: phrase('{turns} or more', { turns: turnsRead(at.lengthMm / thread.pitchMm) }),
      fields: [{ id: 'turns', label: 'turns it enters', unit: 'turns', reading: 'go' }],
      usual: [{ label: 'The full length', values: { turns: Math.ceil((10 * at.lengthMm) / thread.pitchMm) / 10 } }],
      judge: ({ turns }) => judgeGo(turns, at.lengthMm, thread.pitchMm, at.through),
    },
    {
      kind: 'not-go',
      title: 'Not-go gauge',
      how: phrase('By hand, no more than {limit}.', { limit: turnsRead(notGoTurns) }),
      limits: phrase('{limit} or less', { limit: turnsRead(notGoTurns) }),
      fields: [{ id: 'turns', label: 'turns it enters', unit: 'turns', reading: 'not-go' }],
      usual: [
        { label: 'Does not enter', values: { turns: 0 } },
        { label: 'One turn', values: { turns: 1 } },
      ],
      judge: ({ turns }) => judgeNotGo(turns, notGoTurns, at.through ? at.lengthMm / thread.pitchMm : undefined),
    },
    ...minor,
    ...blindDepth,
    {
      kind: 'square',
      title: 'Squareness',
      how: phrase('A screw in the hole, a square beside it from two sides.'),
      limits: phrase('{limit} or less', { limit: quantity(SQUARE_DEG, 'deg') }),
      fields: [
        { id: 'front', label: 'front gap, + leans right', unit: 'mm', signed: true, reading: 'front' },
        { id: 'side', label: 'side gap, + leans back', unit: 'mm', signed: true, reading: 'side' },
        { id: 'height', label: 'at height', unit: 'mm', reading: 'height' },
      ],
      judge: ({ front, side, height }) => judgeSquare({ frontMm: front, sideMm: side, heightMm: height }, at.lengthMm),
    },
  ];
}

function plainChecks({ hole, thread, operations }: HolePlan): Check[] {
  if (thread) return [];
  const drilled = operations.flatMap(({ cut }) => (cut?.spec.drill ? [cut.spec.diameterMm] : []));
  return hole.bores
    .flatMap(({ feature, fullMm, through }): Check[] => {
      const { diameterMm, fit } = feature;
      const upper = isH7(fit) ? h7UpperMm(diameterMm) : undefined;
      const drillMm = drilled.find((size) => size > diameterMm && size <= diameterMm + MOST_OVER_MM);
      const [low, high] = sizeLimits(diameterMm, upper, drillMm);
      return [
        {
          kind: 'size',
          title: fit ? `Diameter, ${fit}` : 'Diameter',
          how: upper
            ? phrase('Plug gauge or pins: {low} to {high}.', { low: mm(diameterMm), high: mm(diameterMm + upper) })
            : phrase('Caliper or pins: {size}.', { size: mm(diameterMm) }),
          limits: phrase('{low} to {high}', { low: mm(low), high: mm(high) }),
          fields: [{ id: 'size', label: 'diameter', unit: 'mm', reading: 'size' }],
          judge: ({ size }) => judgeSize(size, diameterMm, upper, drillMm),
        },
        ...(through
          ? []
          : [
              {
                kind: 'depth',
                title: 'Depth to full diameter',
                how: phrase('Depth gauge: {depth}.', { depth: depth(fullMm) }),
                limits: phrase('{depth} ± {within}', { depth: depth(fullMm), within: mm(generalTolerance(fullMm)) }),
                fields: [{ id: 'depth', label: 'depth', unit: 'mm', reading: 'depth' }],
                judge: ({ depth: read }: Readonly<Record<string, number>>) => judgeHoleDepth(read, fullMm),
              } satisfies Check,
            ]),
      ];
    })
    .filter((c, i, all) => all.findIndex((other) => other.kind === c.kind) === i);
}

/**
 * What to gauge on a hole, in the order in which it is done: thread or size, depth, squareness, position, the mating part
 * last.
 */
export function checksOf(plan: HolePlan, setting: CheckSetting): Check[] {
  const { drawn, zoneMm, meets } = setting;
  const position: Check[] =
    drawn && zoneMm
      ? [
          {
            kind: 'position',
            title: 'Position',
            how: phrase('From the two datum edges: X {x}, Y {y}; zone {zone}.', {
              x: mm(drawn.x),
              y: mm(drawn.y),
              zone: mm(zoneMm),
            }),
            limits: phrase('X {x}, Y {y}, zone {zone}', { x: mm(drawn.x), y: mm(drawn.y), zone: mm(zoneMm) }),
            fields: [
              { id: 'x', label: 'X', unit: 'mm', signed: true, reading: 'x' },
              { id: 'y', label: 'Y', unit: 'mm', signed: true, reading: 'y' },
            ],
            judge: ({ x, y }) => judgePosition({ x, y }, drawn, zoneMm, plan.thread !== undefined),
          },
        ]
      : [];
  const wire: Check[] =
    meets === undefined
      ? []
      : [
          {
            kind: 'meets',
            title: `Meets ${meets}, by a wire`,
            how: phrase('Pass a wire through: it has to come out in {meets}. Clear the burr where they meet.', {
              meets,
            }),
            limits: phrase('passes'),
            fields: [],
            answers: ['The wire passes', 'It stops'],
            judge: ({ yes }) =>
              yes
                ? good('The wire passes: the bores meet.')
                : bad(['clean', 'deepen', 'accept', 'scrap'], 'The wire stops: chips, or the bores do not meet.'),
          },
        ];
  const mating: Check = {
    kind: 'mating',
    title: plan.thread ? 'Its own bolt' : 'Mating part',
    how: plan.thread
      ? phrase(
          'Proves that this screw goes in, not that the class is held. Every screw started before any is tightened.',
        )
      : phrase('Every screw started before any is tightened.'),
    limits: phrase('goes in'),
    fields: [],
    answers: [plan.thread ? 'Fits its own bolt' : 'It goes together', 'It does not'],
    judge: ({ yes }) =>
      yes
        ? good('It goes together.')
        : bad(['clean', plan.thread ? 'open-mate' : 'open', 'larger', 'accept', 'scrap'], 'It does not go together.'),
  };
  const all = [...threadChecks(plan, setting), ...plainChecks(plan), ...position, ...wire, mating];
  const { tools } = setting;
  if (!tools || !plan.thread || isTapered(plan.thread.thread) || threadGaugeFor(tools, plan.thread.thread)) return all;
  // Without a gauge of this thread its own bolt comes first, with what it proves.
  const byGauge = (c: Check): boolean => c.kind === 'go' || c.kind === 'not-go';
  return [
    mating,
    ...all.filter((c) => c !== mating && !byGauge(c)),
    ...all.filter(byGauge).map((c): Check => ({ ...c, isMissing: true })),
  ];
}

/** Whether every figure that has to be read is there, so that it can be judged. */
export const isComplete = ({ fields }: Check, values: Readonly<Record<string, number | undefined>>): boolean =>
  fields.every((f) => f.optional || values[f.id] !== undefined) && (fields.length > 0 || values.yes !== undefined);
