import { ok, phrase, type Phrase, type Result } from '../../answer/answer';
import type { Thread, ThreadSeries } from '../thread';
import { ISO_DIAMETER_STEPS_MM, ISO_MINOR_TOLERANCE_UM, METRIC_COARSE, METRIC_FINE } from '../threads.table';
import { noClass } from './no-class';
import { makerOf, type ClassLimits, type ThreadStandard } from './thread-standard';

const METRIC_CLASS = /^([4-7])([GH])(?:([4-7])([GH]))?$/;
/** Basic minor diameter under the major one, in pitches. */
export const BASIC_MINOR = 1.08253175;

/** Tolerance of the nut thread's minor diameter, grades 4 to 7, micrometres; undefined for a pitch that has none. */
export const tolerancesUm = (pitchMm: number): readonly (number | undefined)[] | undefined =>
  ISO_MINOR_TOLERANCE_UM.find(([p]) => Math.abs(p - pitchMm) < 1e-9)?.slice(1);

function limits(thread: Thread, name: string): Result<ClassLimits> {
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

const IS = {
  form: 'iso-60',
  system: 'metric',
  names: {
    'metric-coarse': 'ISO 261, ISO 965-1',
    'metric-fine': 'ISO 261, ISO 965-1',
    'metric-special': 'ISO 68-1, ISO 965-1',
  },
} as const;
const make = makerOf(IS);

/** A metric thread of a series. */
export const metricThread = (series: ThreadSeries, majorMm: number, pitchMm: number): Thread =>
  make(series, `M${majorMm}x${pitchMm}`, majorMm, pitchMm);

const listed = (series: ThreadSeries, rows: string): Thread[] =>
  rows.split(' ').map((row) => {
    const [d, p] = row.split('x').map(Number);
    return metricThread(series, d, p);
  });

/** ISO 261 and ISO 965-1. */
export const METRIC: ThreadStandard = {
  ...IS,
  threads: [...listed('metric-coarse', METRIC_COARSE), ...listed('metric-fine', METRIC_FINE)],
  isSize: ({ majorMm }, size) => majorMm === Number(size),
  // ISO 965-1 uses 5H up to and including M1.4.
  usualClass: ({ majorMm, pitchMm }) => (majorMm <= 1.4 || pitchMm < 0.25 ? '5H' : '6H'),
  limits,
  looser: ({ pitchMm }, className) => {
    const grade = Number(METRIC_CLASS.exec(className)?.[3] ?? className[0]) + 1;
    return tolerancesUm(pitchMm)?.[grade - 4] ? `${grade}H` : undefined;
  },
};
