import type { Phrase, Result } from '../../answer/answer';
import type { ThreadForm } from '../forms';
import type { Thread, ThreadSeries } from '../thread';

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

/** What a standard of thread means everywhere: one file each. */
export interface ThreadStandard {
  form: ThreadForm;
  system: Thread['system'];
  /** What it is called, by series. */
  names: Readonly<Partial<Record<ThreadSeries, string>>>;
  /** Its listed threads, in its own order. */
  threads: readonly Thread[];
  /** A thread of a series by the size that a drawing writes, without its pitch. */
  isSize: (thread: Thread, size: string) => boolean;
  /** The class that a drawing means when it names none. */
  usualClass: (thread: Thread) => string;
  limits: (thread: Thread, className: string) => Result<ClassLimits>;
  /** The next looser class for the minor diameter; undefined when there is none. */
  looser: (thread: Thread, className: string) => string | undefined;
}

/** Makes threads of a standard: form, system and name follow from it. */
export const makerOf =
  ({ form, system, names }: Pick<ThreadStandard, 'form' | 'system' | 'names'>) =>
  (series: ThreadSeries, designation: string, majorMm: number, pitchMm: number): Thread => ({
    designation,
    series,
    form,
    majorMm,
    pitchMm,
    system,
    standard: names[series] ?? '',
  });
