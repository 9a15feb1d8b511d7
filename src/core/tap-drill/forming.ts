import type { ProblemCode } from '../answer/problem-codes';
import { bandOf, expected, type Expected, type Learned, type Spread } from '../answer/estimate';
import { mm, percent, phrase, type AnswerParts, type Phrase } from '../answer/answer';
import { isHard, type Material } from '../materials/material';
import { holeForPercent, percentOfThread } from '../threads/percent-of-thread';
import { formOf, isTapered, type Thread } from '../threads/thread';

/** Hole of a forming tap shrinks as it forms: 0.68 of the pitch at full thread. */
const FORM_FACTOR = 0.0068;
export const FORM_START_PERCENT = 65;

/**
 * Drill diameter in mm that a forming tap needs for this percent of thread. Trade rule.
 * @example formingHole(M8, 65) // 8 − 0.0068 × 65 × 1.25 = 7.4475
 */
export const formingHole = (thread: Thread, q: number): number => thread.majorMm - FORM_FACTOR * q * thread.pitchMm;

/**
 * Percent of thread that a forming tap leaves from this hole, mm.
 * @example formingPercent(M8, 7.4475) // 65
 */
export const formingPercent = (thread: Thread, holeMm: number): number =>
  (thread.majorMm - holeMm) / (FORM_FACTOR * thread.pitchMm);

/** A thread and the metal that it is formed in. */
interface Formed {
  thread: Thread;
  material: Material;
}

/** One sigma of a formed minor diameter as a share of the pitch. Our judgement. */
const FORMED_SIGMA = 0.02;

/** Stretch at which a metal flows as the percentage says, percent; a pitch's share a point more; no more than this share. */
const FLOW = { usual: 20, pitchShare: 0.01 / 5, most: 0.04 } as const;

/** A metal that stretches more closes in further, one that stretches less leaves more, mm. Model. */
function flowMm({ thread, material }: Formed): number {
  const share = (material.elongationPercent - FLOW.usual) * FLOW.pitchShare;
  return -Math.min(FLOW.most, Math.max(-FLOW.most, share)) * thread.pitchMm;
}

/** Levels at which formed threads pool: the metal, then the size in it. */
export const formedLevels = ({ thread, material }: Formed): string[] => [
  material.id,
  `${material.id}|${bandOf(thread.majorMm)}`,
];

/** The shift that is typical for a metal, whatever was pinned, mm. */
export const typicalShift = (formed: Formed): Spread => ({
  mean: flowMm(formed),
  sigma: FORMED_SIGMA * formed.thread.pitchMm,
});

/** How far the metal's flow moves the minor diameter from what its percentage gives, mm. */
function shiftOf(formed: Formed, learned: Learned | undefined): Expected {
  return expected('formed-minor', typicalShift(formed), () => formedLevels(formed), learned);
}

/**
 * Minor diameter in mm after forming from this hole. Model, until the shop's own pins correct it.
 * @example expectedMinor({ thread: M8, material: mildSteel }, formingHole(M8, 68)).mean // 6.896
 */
export function expectedMinor(formed: Formed, holeMm: number, learned?: Learned): Expected {
  const shift = shiftOf(formed, learned);
  return { ...shift, mean: holeForPercent(formed.thread, formingPercent(formed.thread, holeMm)) + shift.mean };
}

export type FormingVerdict =
  { allowed: true; level: 'good' | 'marginal'; reason: Phrase } | { allowed: false; code: ProblemCode; reason: Phrase };

/** Whether a thread may be formed in a material, with the reason. */
export function formingVerdict(thread: Thread, material: Material): FormingVerdict {
  const name = { material: material.label };
  if (isTapered(thread))
    return { allowed: false, code: 'forming-taper', reason: phrase('Tapered pipe thread is cut, not formed.') };
  if (!formOf(thread).formable)
    return {
      allowed: false,
      code: 'forming-form',
      reason: phrase('Forming taps and their drill rule are for 60-degree threads; {thread} is cut.', {
        thread: thread.designation,
      }),
    };
  if (material.formTapping === 'no') {
    if (isHard(material))
      return {
        allowed: false,
        code: 'forming-hard',
        reason: phrase('{material} is harder than about 25 HRC: a forming tap cannot squeeze it.', name),
      };
    return {
      allowed: false,
      code: 'forming-brittle',
      reason: phrase(
        '{material} does not flow into a thread: it stretches {elongation} before breaking and its chips are {chips}. Forming would tear it.',
        { ...name, elongation: percent(material.elongationPercent), chips: material.chips },
      ),
    };
  }
  return material.formTapping === 'good'
    ? {
        allowed: true,
        level: 'good',
        reason: phrase('{material} flows well: a formed thread is stronger and makes no chips.', name),
      }
    : {
        allowed: true,
        level: 'marginal',
        reason: phrase('{material} can be formed with care: try one hole in scrap first.', name),
      };
}

/** Percent to form at: starts at 65 and is raised until the finished minor diameter is inside the class. */
export function formingTarget(formed: Formed, minorMaxMm: number, learned?: Learned): AnswerParts {
  const flow = shiftOf(formed, learned).mean;
  const forced = percentOfThread(formed.thread, minorMaxMm - flow);
  return [
    Math.max(FORM_START_PERCENT, forced),
    'percent',
    {
      rule: 'Percent of thread to form',
      formula: 'the larger of 65 and what the class needs: (major − largest minor + flow) ÷ full depth',
      inputs: [
        ['start', percent(FORM_START_PERCENT)],
        ['largest minor diameter of the class', mm(minorMaxMm)],
        ['flow of the metal', mm(flow)],
        ['percent needed by the class', percent(forced)],
      ],
      source: { kind: 'trade rule', name: 'forming taps' },
    },
  ];
}

/** Hole in mm before forming that finishes at this minor diameter; the inverse of {@link expectedMinor}. */
export const formingHoleForMinor = (formed: Formed, minorMm: number, learned?: Learned): number =>
  formingHole(formed.thread, percentOfThread(formed.thread, minorMm - shiftOf(formed, learned).mean));
