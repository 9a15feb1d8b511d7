import { answer, percent, phrase, type Answer, type AnswerParts, type Phrase } from '../answer/answer';
import type { Material } from '../materials/material';
import { formOf, type Thread } from '../threads/thread';
import { formingTarget } from './forming';
import type { TapDrillQuestion } from './tap-drill-candidate';

export interface PercentRange {
  low: number;
  high: number;
}

/** Percent of thread below and above which a percentage asked for is out of range, by form. */
export const reasonablePercent = (thread: Thread): PercentRange => formOf(thread).reasonable;

/** The material's range; 55-degree threads are counted on their full depth and lie 5 higher. */
export function percentRange(thread: Thread, material: Material): PercentRange {
  const shift = formOf(thread).countsMore;
  return { low: material.threadPercent.low + shift, high: material.threadPercent.high + shift };
}

/** Taken off a deep thread and put on for a thin plate, percent of thread. Trade rule. */
const DEEP_OR_THIN = 5;

const rising = (value: number, from: number, to: number): number =>
  Math.min(1, Math.max(0, (value - from) / (to - from)));

/** Chips that clear by themselves leave a deep thread no harder to tap. */
const clearsItself = ({ chips }: Material): boolean => chips === 'short' || chips === 'powder';

/** Nothing to two diameters, all of it from three: a millimetre more of plate is no reason for another drill. */
const deepBy = (depthMm: number, { majorMm }: Thread, material: Material): number =>
  clearsItself(material) ? 0 : DEEP_OR_THIN * rising(depthMm / majorMm, 2, 3);

/** Nothing from one diameter on, all of it to four fifths. */
const thinBy = (thicknessMm: number | undefined, { majorMm }: Thread): number =>
  thicknessMm === undefined ? 0 : DEEP_OR_THIN * (1 - rising(thicknessMm / majorMm, 0.8, 1));

/** By material, then size, then depth, each reason stated. */
function byMaterial(
  { thread, material, depthMm, thicknessMm }: TargetQuestion,
  { low, high }: PercentRange,
): AnswerParts {
  const steps: [reason: string, change: number][] = [[material.label, material.threadPercent.target]];
  const { countsMore, angle } = formOf(thread);
  if (countsMore > 0) steps.push([`${angle} thread, counted on full depth`, countsMore]);
  if (thread.majorMm < 3.5) steps.push(['small tap', -5]);
  const deep = deepBy(depthMm, thread, material);
  if (deep > 0) steps.push(['deeper than two diameters, all of it from three', -deep]);
  const thin = thinBy(thicknessMm, thread);
  if (thin > 0) steps.push(['plate thinner than one diameter', thin]);
  const sum = steps.reduce((total, [, change]) => total + change, 0);
  const value = Math.min(Math.max(sum, low), high);
  const assumptions: Phrase[] =
    value === sum
      ? []
      : [phrase('Held within {low} to {high} for this material.', { low: percent(low), high: percent(high) })];
  return [
    value,
    'percent',
    {
      rule: 'Target percent of thread',
      formula: 'material, then size, then depth',
      inputs: steps.map(([label, change]) => [label, percent(change)]),
      source: { kind: 'trade rule', name: 'percentage by material' },
      assumptions,
    },
  ];
}

const setByUser = (wanted: number): AnswerParts => [
  wanted,
  'percent',
  {
    rule: 'Target percent of thread',
    formula: 'set by you',
    inputs: [['set by you', percent(wanted)]],
    source: { kind: 'trade rule', name: 'set by you' },
  },
];

/** How far a percentage may lie from the one aimed at where the metal does not say, percent. Our judgement. */
const ABOUT_TARGET = 5;
/** Percent of thread within which a thread is formed. Trade rule. */
const FORMED: PercentRange = { low: 60, high: 85 };

/** What a target is asked for. Lengths in mm. */
export type TargetQuestion = Pick<
  TapDrillQuestion,
  'thread' | 'limits' | 'material' | 'forming' | 'learned' | 'wantedPercent' | 'depthMm' | 'thicknessMm'
>;

/** Target percent of thread, set by the user or by the rules, and the range about it that suits the metal. */
export function targetOf(q: TargetQuestion): { target: Answer; range: PercentRange } {
  const { thread, material, forming, limits, learned, wantedPercent } = q;
  const usual = percentRange(thread, material);
  const parts =
    wantedPercent !== undefined
      ? setByUser(wantedPercent)
      : forming && limits
        ? formingTarget({ thread, material }, limits.minorMaxMm, learned)
        : byMaterial(q, usual);
  const [aim] = parts;
  const free = forming ? FORMED : usual;
  const held = !forming && wantedPercent === undefined;
  const range = held
    ? usual
    : { low: Math.min(free.low, aim - ABOUT_TARGET), high: Math.max(free.high, aim + ABOUT_TARGET) };
  return { target: answer(...parts), range };
}
