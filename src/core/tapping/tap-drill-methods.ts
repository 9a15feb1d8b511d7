import { percent, mm, phrase, type Phrase } from '../answer/answer';
import { INCH_DRILLS, METRIC_DRILLS, type Drill } from '../drills/drill';
import { closestDrill } from '../drills/near-size';
import type { ClassLimits } from '../threads/class-limits';
import { holeForPercent, percentOfThread } from '../threads/percent-of-thread';
import type { Thread } from '../threads/thread';
import { taperTapDrill } from './taper-tap-drill';

/** A method of finding a tap drill beside the percentage by metal: by chart, by subtraction, by the limits. */
export interface TapDrillMethod {
  id: 'chart' | 'subtraction' | 'limits';
  label: string;
  drill: Drill;
  diameterMm: number;
  why: Phrase;
}

/** Drills of the thread's own system, every size made. */
export const madeFor = (thread: Thread): readonly Drill[] => (thread.system === 'metric' ? METRIC_DRILLS : INCH_DRILLS);

/** Percent that a flat chart holds: 75, and 80 for 55-degree threads, which count on their full depth. */
const FLAT_PERCENT = { usual: 75, whitworth: 80 } as const;

function chart(thread: Thread, target: number): TapDrillMethod {
  const flat = thread.form === 'whitworth-55' ? FLAT_PERCENT.whitworth : FLAT_PERCENT.usual;
  const drill = closestDrill(madeFor(thread), holeForPercent(thread, flat));
  return {
    id: 'chart',
    label: `${flat} % chart`,
    drill,
    diameterMm: drill.diameterMm,
    why: phrase('The drill nearest to {flat} for every metal; {target} is aimed at here.', {
      flat: percent(flat),
      target: percent(target),
    }),
  };
}

function subtraction(thread: Thread): TapDrillMethod {
  const diameterMm = thread.majorMm - thread.pitchMm;
  return {
    id: 'subtraction',
    label: 'Major minus pitch',
    drill: closestDrill(madeFor(thread), diameterMm),
    diameterMm,
    why: phrase('Done in the head; comes to {percent} whatever the metal and depth.', {
      percent: percent(percentOfThread(thread, diameterMm)),
    }),
  };
}

function byLimits(thread: Thread, limits: ClassLimits): TapDrillMethod {
  const diameterMm = (limits.minorMinMm + limits.minorMaxMm) / 2;
  return {
    id: 'limits',
    label: `Middle of ${limits.className}`,
    drill: closestDrill(madeFor(thread), diameterMm),
    diameterMm,
    why: phrase('Only the class: {min} to {max}; says nothing about the load on the tap.', {
      min: mm(limits.minorMinMm),
      max: mm(limits.minorMaxMm),
    }),
  };
}

function listed(thread: Thread): TapDrillMethod {
  const { diameterMm } = taperTapDrill(thread);
  return {
    id: 'chart',
    label: 'Standard list',
    drill: closestDrill(INCH_DRILLS, diameterMm),
    diameterMm,
    why: phrase('Without reaming. A tapered thread has no single percentage, so the list decides.'),
  };
}

/**
 * What each method says for a thread, sizes in mm.
 * @param limits undefined for tapered threads, for which only the standard's list speaks
 * @param target percent of thread that the plan aims at
 */
export const tapDrillMethods = (thread: Thread, limits: ClassLimits | undefined, target: number): TapDrillMethod[] =>
  limits ? [chart(thread, target), subtraction(thread), byLimits(thread, limits)] : [listed(thread)];
