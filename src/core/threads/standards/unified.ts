import { ok, type Result } from '../../answer/answer';
import { inchToMm, mmToInch } from '../../units/length';
import type { Thread } from '../thread';
import { UNC, UNEF, UNF } from '../threads.table';
import { inchOf, inchRows, isInchSize } from './inch-threads';
import { BASIC_MINOR } from './metric';
import { noClass } from './no-class';
import { makerOf, type ClassLimits, type ThreadStandard } from './thread-standard';

/** Unified pitch diameter tolerance of class 2A in inches; the other classes are shares of it. */
export function unifiedPitchTolerance2A(thread: Thread): number {
  const d = mmToInch(thread.majorMm);
  const p = mmToInch(thread.pitchMm);
  const engagement = thread.series === 'UNC' || thread.series === 'UNF' ? d : 9 * p;
  return 0.0015 * Math.cbrt(d) + 0.0015 * Math.sqrt(engagement) + 0.015 * Math.cbrt(p) ** 2;
}

function unifiedMinorTolerance(d: number, p: number, className: string): number {
  const general = 0.05 * Math.cbrt(p) ** 2 + (0.03 * p) / d - 0.002;
  const clamp = (least: number): number => Math.max(Math.min(general, 0.394 * p), least);
  if (className === '3B') return clamp(1 / p >= 12.5 ? 0.23 * p - 1.5 * p * p : 0.12 * p);
  const coarse = 0.25 * p - 0.4 * p * p;
  return d < 0.25 - 1e-9 ? clamp(coarse) : coarse;
}

function limits(thread: Thread, name: string): Result<ClassLimits> {
  const share = { '1B': 1.95, '2B': 1.3, '3B': 0.975 }[name];
  if (share === undefined)
    return noClass('{name} is not a class of a unified tapped hole.', 'Use 1B, 2B or 3B; 2B is usual.', { name }, [
      '2B',
      '3B',
    ]);
  const d = mmToInch(thread.majorMm);
  const p = mmToInch(thread.pitchMm);
  const minorMin = d - BASIC_MINOR * p;
  const pitchMin = d - 0.649519 * p;
  return ok({
    className: name,
    minorMinMm: inchToMm(minorMin),
    minorMaxMm: inchToMm(minorMin + unifiedMinorTolerance(d, p, name)),
    pitchDiameterMinMm: inchToMm(pitchMin),
    pitchDiameterMaxMm: inchToMm(pitchMin + share * unifiedPitchTolerance2A(thread)),
    standard: 'ASME B1.1',
    notes: [],
  });
}

const IS = {
  form: 'iso-60',
  system: 'inch',
  names: { UNC: 'ASME B1.1', UNF: 'ASME B1.1', UNEF: 'ASME B1.1', UNS: 'ASME B1.1' },
} as const;
const make = makerOf(IS);

/** A unified thread that is no standard pairing of size and threads per inch. */
export const specialUnified = (size: string, tpi: number): Thread => inchOf(make, 'UNS', size, tpi);

/** ASME B1.1. */
export const UNIFIED: ThreadStandard = {
  ...IS,
  threads: [...inchRows(make, 'UNC', UNC), ...inchRows(make, 'UNF', UNF), ...inchRows(make, 'UNEF', UNEF)],
  isSize: isInchSize,
  usualClass: () => '2B',
  limits,
  looser: (_, className) => (className === '3B' ? '2B' : undefined),
};
