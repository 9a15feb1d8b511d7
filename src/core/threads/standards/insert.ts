import { ok } from '../../answer/answer';
import type { Thread } from '../thread';
import { BASIC_MINOR, METRIC, tolerancesUm } from './metric';
import { makerOf, type ThreadStandard } from './thread-standard';
import { UNIFIED } from './unified';

const IS = { form: 'iso-60', system: 'metric', names: { STI: 'hole for a wire thread insert' } } as const;
const make = makerOf(IS);

/** The coil of an insert adds its own thread height on both sides, in pitches. */
const COIL = 1.299038;

/** The thread that takes a wire insert for this one; undefined for threads that inserts are not made for. */
export const insertFor = (thread: Thread): Thread | undefined =>
  thread.form === 'iso-60' && thread.series !== 'STI'
    ? {
        ...make('STI', `${thread.designation} STI`, thread.majorMm + COIL * thread.pitchMm, thread.pitchMm),
        system: thread.system,
      }
    : undefined;

const made = (t: Thread): boolean =>
  t.series !== 'metric-fine' && t.series !== 'UNEF' && t.majorMm >= 2 && t.majorMm <= 25;

/** Tapped holes for wire thread inserts: the thread of the same pitch that lies around the coil. */
export const INSERT: ThreadStandard = {
  ...IS,
  threads: [...METRIC.threads, ...UNIFIED.threads].filter(made).flatMap((t) => insertFor(t) ?? []),
  isSize: ({ designation }, size) => designation.startsWith(size),
  usualClass: () => 'insert',
  looser: () => undefined,
  // The minor diameter is held to grade 5, so that the coil seats; inch pitches by the curve of the metric ones.
  limits: (thread) => {
    const { majorMm, pitchMm } = thread;
    const um = tolerancesUm(pitchMm)?.[1];
    const minorMinMm = majorMm - BASIC_MINOR * pitchMm;
    return ok({
      className: 'insert',
      minorMinMm,
      minorMaxMm: minorMinMm + (um === undefined ? NEAR_GRADE_5 * pitchMm ** 0.7 : um / 1000),
      pitchDiameterMinMm: majorMm - 0.649519 * pitchMm,
      standard: thread.standard,
      notes: [],
    });
  },
};
/** Grade 5 of ISO 965-1 by pitch to the power of 0.7, mm: within a twentieth from 0.4 to 3 mm of pitch. */
const NEAR_GRADE_5 = 0.185;
