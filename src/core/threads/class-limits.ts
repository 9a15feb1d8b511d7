import { mmToInch, inchToMm } from '../units/length';
import { ok, phrase, problem, refuse, type Phrase, type Result } from '../answer/answer';
import { fullDepthMm, isMetric, isUnified, type Thread } from './thread';
import { ISO_DIAMETER_STEPS_MM, ISO_MINOR_TOLERANCE_UM } from './threads.table';

/** Limits of a nut (tapped) thread in mm. Pitch diameter limits are undefined where no rule is known. */
export interface ClassLimits {
  className: string;
  minorMinMm: number;
  minorMaxMm: number;
  pitchDiameterMinMm: number;
  pitchDiameterMaxMm?: number;
  standard: string;
  /** Set where a figure is less certain, or the class asked for was not to be had. */
  notes: Phrase[];
}

const METRIC_CLASS = /^([4-7])([GH])(?:([4-7])([GH]))?$/;
const BASIC_MINOR = 1.08253175;

/** The class that a drawing means when it names none. ISO 965-1 uses 5H up to and including M1.4. */
export function usualClass(thread: Thread): string {
  if (isMetric(thread)) return thread.majorMm <= 1.4 || thread.pitchMm < 0.25 ? '5H' : '6H';
  return isUnified(thread) ? '2B' : 'medium';
}

/** The next looser class for the minor diameter, undefined when there is none. */
export function looserClass(thread: Thread, className: string): string | undefined {
  if (isMetric(thread)) {
    const grade = Number(METRIC_CLASS.exec(className)?.[3] ?? className[0]) + 1;
    return tolerancesUm(thread.pitchMm)?.[grade - 4] ? `${grade}H` : undefined;
  }
  return className === '3B' && isUnified(thread) ? '2B' : undefined;
}

const tolerancesUm = (pitchMm: number): readonly (number | undefined)[] | undefined =>
  ISO_MINOR_TOLERANCE_UM.find(([p]) => Math.abs(p - pitchMm) < 1e-9)?.slice(1);

const noClass = (text: string, remedy: string, values: Phrase['values'], nearest?: string[]): Result<never> =>
  refuse(problem('class', 'callout', text, remedy, values, { nearest }));

/**
 * Limits of minor and pitch diameter of a tapped thread.
 *
 * Unified after ASME B1.1, metric after ISO 965-1, Whitworth, BSF and G after BS 84 and ISO 228-1 medium,
 * BA after BS 93. Tapered thread is gauged by turns and has none here.
 * @param className `6H`, `2B`, ...; the usual class when left out
 */
export function classLimits(thread: Thread, className?: string): Result<ClassLimits> {
  const name = className ?? usualClass(thread);
  if (thread.form === 'npt-60-taper')
    return noClass(
      '{thread} is tapered: its class limits do not apply, a plug gauge shows whether it is right.',
      'Gauge it with an NPT plug gauge, flush within one turn.',
      { thread: thread.designation },
    );
  if (isMetric(thread)) return metricLimits(thread, name);
  if (isUnified(thread)) return unifiedLimits(thread, name);
  if (className && !/^(medium|normal|close|free|[ab])$/i.test(className))
    return noClass('{thread} has no class {name}.', 'Leave the class out: medium fit is used.', {
      thread: thread.designation,
      name,
    });
  return britishLimits(thread);
}

function metricLimits(thread: Thread, name: string): Result<ClassLimits> {
  const { majorMm: d, pitchMm: p } = thread;
  const match = METRIC_CLASS.exec(name);
  if (!match)
    return noClass('{name} is not a tolerance class of a metric tapped hole.', 'Use 4H to 7H; 6H is usual.', { name }, [
      '6H',
      '5H',
    ]);
  const pitchGrade = Number(match[1]);
  let minorGrade = Number(match[3] ?? match[1]);
  const offsetMm = (match[4] ?? match[2]) === 'G' ? Math.round(15 + 11 * p) / 1000 : 0;
  const tolerances = tolerancesUm(p);
  if (!tolerances)
    return noClass('ISO 965-1 gives no tolerance for a pitch of {pitch}.', 'Check the pitch.', {
      pitch: { value: p, unit: 'mm' },
    });
  const notes: Phrase[] = [];
  while (minorGrade > 4 && tolerances[minorGrade - 4] === undefined) minorGrade -= 1;
  if (minorGrade !== Number(match[3] ?? match[1]))
    notes.push(
      phrase('Grade {asked} does not exist at this pitch; grade {used} is the loosest there is.', {
        asked: match[3] ?? match[1],
        used: minorGrade,
      }),
    );
  const minorMin = d - BASIC_MINOR * p + offsetMm;
  const pitchMin = d - 0.649519 * p + offsetMm;
  const above = ISO_DIAMETER_STEPS_MM.findIndex((step) => step >= d);
  const mean = Math.sqrt(ISO_DIAMETER_STEPS_MM[above - 1] * ISO_DIAMETER_STEPS_MM[above]);
  const gradeFactor = [0.63, 0.8, 1, 1.25][pitchGrade - 4];
  return ok({
    className: name,
    minorMinMm: minorMin,
    minorMaxMm: minorMin + (tolerances[minorGrade - 4] as number) / 1000,
    pitchDiameterMinMm: pitchMin,
    pitchDiameterMaxMm: pitchMin + (gradeFactor * 1.32 * 90 * p ** 0.4 * mean ** 0.1) / 1000,
    standard: 'ISO 965-1',
    notes,
  });
}

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

function unifiedLimits(thread: Thread, name: string): Result<ClassLimits> {
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

function britishLimits(thread: Thread): Result<ClassLimits> {
  const p = mmToInch(thread.pitchMm);
  const tpi = 1 / p;
  const toleranceMm =
    thread.form === 'ba-47.5'
      ? 0.375 * thread.pitchMm
      : inchToMm(0.2 * p + (tpi < 20.5 ? 0.007 : tpi < 25 ? 0.005 : 0.004));
  const minorMin = thread.majorMm - 2 * fullDepthMm(thread);
  return ok({
    className: 'medium',
    minorMinMm: minorMin,
    minorMaxMm: minorMin + toleranceMm,
    pitchDiameterMinMm: thread.majorMm - fullDepthMm(thread),
    standard: thread.standard,
    notes: [phrase('These limits come from a formula and should be checked against the printed table.')],
  });
}
