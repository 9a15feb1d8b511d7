import { depth, problem, type Problem } from '../answer/answer';
import { isUsable } from '../drills/drill';
import { usualFluteMm } from '../drills/flute-length';
import { inchToMm, mmToInch, type LengthUnit } from '../units/length';
import { trimmed } from '../units/show';
import type { HoleQuestion } from './question';
import type { ResolvedHole } from './resolved-hole';

/** Drills of about the hole's size, as shares of its diameter: tap drills and the size itself. */
const ABOUT = { from: 0.7, to: 1.05 } as const;

/** The longest flute that the set has of about this size, mm; undefined where it has no such drill, or one reaches. */
function fluteTooShortMm({ pool }: HoleQuestion, sizeMm: number, depthMm: number): number | undefined {
  let longest: number | undefined;
  for (const d of pool.drills) {
    if (d.diameterMm < ABOUT.from * sizeMm || d.diameterMm > ABOUT.to * sizeMm || !isUsable(d)) continue;
    longest = Math.max(longest ?? 0, d.fluteMm ?? usualFluteMm(d.diameterMm));
    if (longest >= depthMm) return undefined;
  }
  return longest;
}

const UNITS: readonly LengthUnit[] = ['mm', 'in'];
const inMm = (value: number, unit: LengthUnit): number => (unit === 'in' ? inchToMm(value) : value);

/**
 * A depth without a unit that no flute of the set reaches is asked about before it is planned: another unit or a count of
 * threads was meant, or it is written with its unit and then planned as it is, with its warning.
 */
export function reachProblems(q: HoleQuestion, { callout, thread, bores }: ResolvedHole): Problem[] {
  const { bareDepth } = callout;
  const typed = q.depthMm !== undefined && q.depthUnit ? { mm: q.depthMm, unit: q.depthUnit } : undefined;
  const asked = q.depthMm === undefined ? bareDepth : typed;
  const sizeMm = thread?.feature.outside ? undefined : (thread?.feature.thread.majorMm ?? bores[0]?.feature.diameterMm);
  if (!asked || sizeMm === undefined) return [];
  const longest = fluteTooShortMm(q, sizeMm, asked.mm);
  if (longest === undefined) return [];
  const value = asked.unit === 'in' ? mmToInch(asked.mm) : asked.mm;
  const meant = UNITS.filter((unit) => inMm(value, unit) <= longest).map((unit) => `${trimmed(value, 4)} ${unit}`);
  const threads =
    thread && typed === undefined && Number.isInteger(value) && value * thread.feature.thread.pitchMm <= longest
      ? [`${value} THREADS`]
      : [];
  return [
    problem(
      'depth-out-of-reach',
      typed ? 'threadDepth' : 'callout',
      '{deep} is deeper than any drill of this size reaches ({longest}).',
      typed
        ? 'Write what was meant with its unit: then it is planned as it is.'
        : 'Pick what was meant; with its unit written it is planned as it is.',
      { deep: depth(asked.mm), longest: depth(longest) },
      { nearest: [...meant, ...threads, `${trimmed(value, 4)} ${asked.unit}`], at: typed ? undefined : bareDepth?.at },
    ),
  ];
}
