import { TAPPED_TO_HB } from '../materials/material';
import { depth, mm, percent, phrase, problem, type Problem } from '../answer/answer';
import { drillName, sizedDrill, type Drill } from '../drills/drill';
import { formingVerdict } from '../tap-drill/forming';
import { reasonablePercent } from '../tap-drill/target-percent';
import { BOLT_CLASSES } from '../threads/engagement';
import { isTapered, type Thread } from '../threads/thread';
import type { HoleQuestion } from './question';

/** Lengths that a shop of this kind never sees are read as a slip of unit or key, mm. */
export const LONGEST_MM = 2000;
/** Most parts that one question is for. */
const MOST_PARTS = 100000;

/** Lengths of a question that cannot be, field by field. */
export function lengthProblems(q: HoleQuestion): Problem[] {
  const fields = [
    ['threadDepth', 'The thread depth', q.depthMm],
    ['thickness', 'The thickness', q.thicknessMm],
    ['stockWidth', 'The width of the stock', q.stockWidthMm],
    ['existing', 'The existing hole', q.existing?.kind === 'plain' ? q.existing.diameterMm : undefined],
  ] as const;
  return fields.flatMap(([field, name, value]) => {
    if (value === undefined) return [];
    if (!Number.isFinite(value) || value <= 0)
      return [problem('length-positive', field, `${name} must be above zero.`, 'Type a length above zero.')];
    return value > LONGEST_MM
      ? [
          problem(
            'length-long',
            field,
            `${name} of {value} is over the {most} that a part may have.`,
            'Check the unit.',
            {
              value: depth(value),
              most: depth(LONGEST_MM),
            },
          ),
        ]
      : [];
  });
}

function percentProblems({ targetPercent: p }: HoleQuestion, thread: Thread): Problem[] {
  if (p === undefined) return [];
  if (isTapered(thread))
    return [
      problem(
        'percent-taper',
        'targetPercent',
        '{thread} is tapered: it has no single percent of thread.',
        'Leave the percentage on auto; the listed drill is used.',
        { thread: thread.designation },
      ),
    ];
  const { low, high } = reasonablePercent(thread);
  if (p >= low && p <= high) return [];
  return [
    problem(
      'percent-unreasonable',
      'targetPercent',
      '{percent} of thread is out of range: {low} to {high}.',
      'Enter a percentage in that range, or auto.',
      { percent: Number.isFinite(p) ? percent(p) : String(p), low: percent(low), high: percent(high) },
    ),
  ];
}

/** The number of parts that cannot be. */
export const partsProblems = ({ parts }: HoleQuestion): Problem[] =>
  Number.isInteger(parts) && parts >= 1 && parts <= MOST_PARTS
    ? []
    : [
        problem(
          'quantity',
          'quantity',
          'The number of parts must be a whole number from 1 to 100000.',
          'Enter how many parts.',
        ),
      ];

const boltProblems = ({ boltId }: HoleQuestion): Problem[] =>
  boltId === undefined || BOLT_CLASSES.some((b) => b.id === boltId)
    ? []
    : [
        problem('bolt', 'bolt', 'The bolt class {id} is not in the list.', 'Pick one of {known}.', {
          id: boltId,
          known: BOLT_CLASSES.map((b) => b.id).join(', '),
        }),
      ];

function formingProblems({ tap, material }: HoleQuestion, thread: Thread): Problem[] {
  const verdict = formingVerdict(thread, material);
  return tap === 'form' && !verdict.allowed
    ? [{ code: verdict.code, field: 'tap', ...verdict.reason, remedy: phrase('Cut the thread instead.') }]
    : [];
}

/** A metal that no tap cuts: an old thread in it is only kept. */
const hardProblems = ({ material, existing }: HoleQuestion): Problem[] =>
  material.hardnessHb <= TAPPED_TO_HB.atAll || existing?.kind === 'thread'
    ? []
    : [
        problem(
          'metal-hard',
          'material',
          'No tap cuts this metal: {hardness}, over 45 HRC.',
          'Thread-mill or spark it, or tap before hardening.',
          { hardness: `${material.hardnessHb} HB` },
        ),
      ];

/** A drill that is as large as the thread. */
const drillProblems = (drill: Drill, thread: Thread): Problem[] =>
  drill.diameterMm < thread.majorMm
    ? []
    : [
        problem(
          'drill-over-thread',
          'drill',
          'A {drill} drill ({size}) is as large as the thread ({major}) or larger: no thread would be left.',
          'Use a drill smaller than the major diameter.',
          { drill: drillName(drill), size: mm(drill.diameterMm), major: mm(thread.majorMm) },
        ),
      ];

/**
 * Everything that is asked of a thread and cannot be, field by field.
 * @param drawnMm drill or larger bore without a depth that the callout draws beside the thread, mm
 */
export const threadProblems = (q: HoleQuestion, thread: Thread, drawnMm: number | undefined): Problem[] => [
  ...hardProblems(q),
  ...percentProblems(q, thread),
  ...partsProblems(q),
  ...boltProblems(q),
  ...formingProblems(q, thread),
  ...(q.drill ? drillProblems(q.drill, thread) : []),
  ...(drawnMm === undefined ? [] : drillProblems(sizedDrill(drawnMm), thread)),
];
