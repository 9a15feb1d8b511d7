import { mm, phrase, quantity, type Phrase } from '../answer/answer';
import { mmToInch } from '../units/length';
import { classLimits } from './class-limits';
import { THREADS } from './standards';
import { formOf, fullDepthMm, isTapered, type Thread } from './thread';

/** What a caliper and a pitch gauge read. Lengths in mm. */
export interface ThreadReading {
  /** On a screw its outside is read, in a hole the crests. */
  of: 'screw' | 'hole';
  diameterMm: number;
  /** By a gauge, or counted over a length. */
  pitchMm?: number;
  /** Threads that the pitch was counted over; undefined for a gauge. */
  countedOver?: number;
  worn: boolean;
}

/** A thread that the readings may be. */
export interface ThreadCandidate {
  thread: Thread;
  /** Joint distance in units of the spread of the readings. */
  off: number;
  /** Share of the likelihood among the candidates. */
  share: number;
  /** What tells it from the first one; undefined for the first. */
  tell?: Phrase;
}

/** A caliper on threads is good to this, mm. Our judgement. */
const CALIPER_MM = 0.03;
/** How far the outside of a screw is under nominal, at most: mm, and share of the diameter. */
const UNDER = { sound: { mm: 0.1, share: 0.012 }, worn: { mm: 0.3, share: 0.04 } } as const;
/** A length counted over threads is good to this, mm. Our judgement. */
const LENGTH_MM = 0.12;
/** A gauge blade tells a pitch from one this much away, as a share. Our judgement. */
const GAUGE_SHARE = 0.015;
/** Readings further off than this are another thread. */
const MOST_OFF = 3.2;
const MOST_SHOWN = 8;

interface Expected {
  value: number;
  spread: number;
}

function outsideOf({ majorMm }: Thread, worn: boolean): Expected {
  const { mm: least, share } = worn ? UNDER.worn : UNDER.sound;
  const most = Math.max(least, share * majorMm);
  return { value: majorMm - most / 2, spread: Math.hypot(most / 4, CALIPER_MM) };
}

/** Crests of a nut thread: within the limits of its usual class, wider where worn. */
function insideOf(thread: Thread, worn: boolean): Expected {
  const limits = isTapered(thread) ? undefined : classLimits(thread);
  const deepest = thread.majorMm - 2 * fullDepthMm(thread);
  const [min, max] = limits?.ok
    ? [limits.value.minorMinMm, limits.value.minorMaxMm]
    : [deepest, deepest + 0.2 * thread.pitchMm];
  const room = (max - min) * (worn ? 1.6 : 1);
  return { value: (min + max) / 2 + (worn ? room / 4 : 0), spread: Math.hypot(room / 3, CALIPER_MM) };
}

function pitchOff({ pitchMm, countedOver }: ThreadReading, thread: Thread): number {
  if (pitchMm === undefined) return 0;
  const spread = countedOver ? LENGTH_MM / countedOver : GAUGE_SHARE * thread.pitchMm;
  return (pitchMm - thread.pitchMm) / spread;
}

/** Ten threads apart by this are told by a rule or caliper, mm. */
const TOLD_OVER_TEN_MM = 0.25;
const TOLD_BY_DIAMETER_MM = 0.15;

/** What tells one thread from another with what a shop has. */
function toldFrom(a: Thread, b: Thread, worn: boolean): Phrase {
  const ten = { a: mm(10 * a.pitchMm), b: mm(10 * b.pitchMm), first: b.designation };
  if (isTapered(a) !== isTapered(b)) return phrase('Tapered against parallel: read the diameter at both ends.');
  if (Math.abs(a.pitchMm - b.pitchMm) * 10 >= TOLD_OVER_TEN_MM)
    return phrase('Ten threads measure {a}, against {b} for {first}.', ten);
  if (a.form !== b.form)
    return phrase(`Flanks of ${formOf(a).angle} against ${formOf(b).angle}: hold a thread gauge to the light.`);
  if (Math.abs(a.majorMm - b.majorMm) >= TOLD_BY_DIAMETER_MM && !worn)
    return phrase('Outside {a}, against {b} for {first}.', {
      a: mm(a.majorMm),
      b: mm(b.majorMm),
      first: b.designation,
    });
  return phrase('Too close for caliper and gauge: try a known nut or screw of each, with two fingers.');
}

/**
 * What thread it may be, most likely first.
 * @returns at most eight; empty where nothing in the list agrees with the readings
 */
export function identifyThread(reading: ThreadReading): ThreadCandidate[] {
  // A thread around an insert is only ever an inside one.
  const possible = THREADS.filter((t) => reading.of !== 'screw' || t.series !== 'STI');
  const near = possible
    .map((thread) => {
      const { value, spread } =
        reading.of === 'screw' ? outsideOf(thread, reading.worn) : insideOf(thread, reading.worn);
      return { thread, off: Math.hypot((reading.diameterMm - value) / spread, pitchOff(reading, thread)) };
    })
    .filter(({ off }) => off <= MOST_OFF)
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_SHOWN);
  const weights = near.map(({ off }) => Math.exp(-(off ** 2) / 2));
  const all = weights.reduce((a, b) => a + b, 0);
  return near.map(({ thread, off }, i) => ({
    thread,
    off,
    share: weights[i] / all,
    ...(i > 0 ? { tell: toldFrom(thread, near[0].thread, reading.worn) } : {}),
  }));
}

/** Pitch in words: millimetres, and threads per inch where that is how it is made. */
export const pitchWords = ({ pitchMm, system }: Thread): Phrase =>
  system === 'inch'
    ? phrase('{tpi} threads per inch', { tpi: (1 / mmToInch(pitchMm)).toFixed(0) })
    : phrase('pitch {pitch}', { pitch: quantity(pitchMm, 'mm') });
