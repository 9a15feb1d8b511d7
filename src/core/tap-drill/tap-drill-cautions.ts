import { caution, mm, percent, type Caution } from '../answer/answer';
import { drillName } from '../drills/drill';
import { looserClass, type ClassLimits } from '../threads/class-limits';
import { expectedMinor } from './forming';
import type { TapDrillCandidate, TapDrillQuestion } from './tap-drill-candidate';
import type { TaperRow } from './taper-tap-drill';
import type { PercentRange } from './target-percent';

/** Inside the range that suits the metal; tapered threads have no percentage and are. */
export const inRange = ({ percentOnDrill: p }: TapDrillCandidate, { low, high }: PercentRange): boolean =>
  p === undefined || (p >= low - 1e-9 && p <= high + 1e-9);

function taperCautions({ diameterMm }: TaperRow, choice: TapDrillCandidate): Caution[] {
  if (choice.verdict === 'inside') return [];
  return [
    caution('warn', 'taper-drill', 'The listed drill for this thread is {listed}; {drill} is {off} away from it.', {
      listed: mm(diameterMm),
      drill: drillName(choice.drill),
      off: mm(Math.abs(choice.beyondMm)),
    }),
  ];
}

/** The limit of the class that a hole may pass. */
const nearLimit = ({ finishedMinorMm: minor }: TapDrillCandidate, { minorMinMm, minorMaxMm }: ClassLimits): number =>
  minorMaxMm - minor < minor - minorMinMm ? minorMaxMm : minorMinMm;

function classCautions(choice: TapDrillCandidate, limits: ClassLimits): Caution[] {
  if (choice.verdict === 'inside') return [];
  const values = {
    hole: mm(choice.finishedMinorMm),
    beyond: mm(Math.abs(choice.beyondMm)),
    limit: mm(choice.beyondMm > 0 ? limits.minorMaxMm : limits.minorMinMm),
    name: limits.className,
  };
  return [
    choice.verdict === 'borderline'
      ? caution(
          'note',
          'class-borderline',
          'Toss-up against {name}: pin the first hole. Predicted {hole}, limit {limit}.',
          {
            ...values,
            limit: mm(nearLimit(choice, limits)),
          },
        )
      : {
          ...caution(
            'warn',
            'class-outside',
            'Predicted minor diameter {hole}, {beyond} past the {name} limit of {limit}: out of class.',
            values,
          ),
          remedy: 'proposed-drill',
        },
  ];
}

function rangeCautions(
  { thread, forming }: TapDrillQuestion,
  choice: TapDrillCandidate,
  limits: ClassLimits,
  range: PercentRange,
): Caution[] {
  if (forming || inRange(choice, range)) return [];
  // A looser class widens the largest minor diameter, never the smallest.
  const looser = choice.finishedMinorMm < limits.minorMinMm ? '' : (looserClass(thread, limits.className) ?? '');
  const classDecides = (choice.percentOnDrill ?? 0) > range.high;
  return [
    caution(
      'note',
      'percent-range',
      classDecides
        ? `This is {percent}. {low} to {high} suits this metal, but a larger drill is outside {name}.${looser ? ' Class {looser} would take it, if the drawing allows.' : ''}`
        : 'This is {percent}. {low} to {high} suits this metal; no drill in the set comes closer.',
      {
        name: limits.className,
        looser,
        low: percent(range.low),
        high: percent(range.high),
        percent: percent(choice.percentOnDrill ?? 0),
      },
    ),
  ];
}

function formingCautions(q: TapDrillQuestion, choice: TapDrillCandidate, limits: ClassLimits): Caution[] {
  if (!q.forming) return [];
  const drilled = expectedMinor(q, choice.holeMm, q.learned).mean;
  return [
    ...(drilled > limits.minorMaxMm
      ? [
          caution(
            'warn',
            'form-hole-close',
            'Forming needs a close hole. Drilled as usual it measures {hole} and the finished minor {minor}, over {limit}: pin the first one; if it is large, guide the drill, ream, or go a size down.',
            { hole: mm(choice.holeMm), minor: mm(drilled), limit: mm(limits.minorMaxMm) },
          ),
        ]
      : []),
    caution('note', 'form-check', 'The hole shrinks as it forms: check the minor diameter afterwards with pins.'),
  ];
}

/** What the gate and the material make of a chosen drill. */
export function tapDrillCautions(q: TapDrillQuestion, choice: TapDrillCandidate, range: PercentRange): Caution[] {
  const { limits, taper } = q;
  if (taper) return taperCautions(taper, choice);
  if (!limits) return [];
  return [
    ...classCautions(choice, limits),
    ...rangeCautions(q, choice, limits, range),
    ...formingCautions(q, choice, limits),
  ];
}
