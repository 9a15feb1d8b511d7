import { BA } from './standards/ba';
import { INSERT } from './standards/insert';
import { METRIC } from './standards/metric';
import { PIPE_PARALLEL } from './standards/pipe-parallel';
import { NPT, RC } from './standards/pipe-tapered';
import type { ThreadStandard } from './standards/thread-standard';
import { UNIFIED } from './standards/unified';
import { WHITWORTH } from './standards/whitworth';
import type { Thread, ThreadSeries } from './thread';

/** Every standard of thread that is known, in the order in which people look for one. */
export const STANDARDS: readonly ThreadStandard[] = [METRIC, UNIFIED, BA, WHITWORTH, PIPE_PARALLEL, NPT, RC, INSERT];

/** The standard of a series. */
export const standardOf = (series: ThreadSeries): ThreadStandard =>
  STANDARDS.find(({ names }) => series in names) ?? METRIC;

/** Every thread of the standard series, in the order of the standards. */
export const THREADS: readonly Thread[] = STANDARDS.flatMap((s) => s.threads);
