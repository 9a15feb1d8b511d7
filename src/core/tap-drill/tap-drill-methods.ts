import { percent, mm, phrase, type Phrase } from '../answer/answer';
import { INCH_DRILLS, METRIC_DRILLS, type Drill } from '../drills/drill';
import { closestDrill } from '../drills/near-size';
import type { ClassLimits } from '../threads/class-limits';
import { holeForPercent, percentOfThread } from '../threads/percent-of-thread';
import { formOf, isMetric, type Thread } from '../threads/thread';
import type { TapDrillQuestion } from './tap-drill-candidate';
import type { TaperRow } from './taper-tap-drill';

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

/** Printed in the list of G threads, mm. */
const G_LIST_MM: Readonly<Record<string, number>> = {
  'G 1/8': 8.8,
  'G 1/4': 11.8,
  'G 3/8': 15.25,
  'G 1/2': 19,
  'G 3/4': 24.5,
  'G 1': 30.75,
};
/** Printed by ISO 2306 otherwise than its rule, mm. */
const ISO_2306_MM: Readonly<Record<string, number>> = { 'M4.5x0.75': 3.7 };

/** ISO 2306: major minus pitch; from 3 to 14 mm to the tenth, halves to the even one, as it is printed. */
function iso2306Mm({ designation, majorMm, pitchMm }: Thread): number {
  const diameterMm = majorMm - pitchMm;
  if (diameterMm < 3 || diameterMm > 14) return diameterMm;
  const tenths = Math.round(diameterMm * 1000) / 100;
  const half = Math.abs(tenths - Math.floor(tenths) - 0.5) < 1e-6;
  return ISO_2306_MM[designation] ?? (half ? 2 * Math.round(tenths / 2) : Math.round(tenths)) / 10;
}

function printed(thread: Thread): { diameterMm: number; list: string } | undefined {
  if (isMetric(thread)) return { diameterMm: iso2306Mm(thread), list: 'ISO 2306' };
  const listedMm = G_LIST_MM[thread.designation];
  return listedMm === undefined ? undefined : { diameterMm: listedMm, list: 'the list of G threads' };
}

/** The chart on the wall: what is printed for the thread, else the inch drill nearest to one percentage for all. */
function chart(thread: Thread, target: number): TapDrillMethod {
  const inPrint = printed(thread);
  if (inPrint)
    return {
      id: 'chart',
      label: 'Printed chart',
      drill: closestDrill(METRIC_DRILLS, inPrint.diameterMm),
      diameterMm: inPrint.diameterMm,
      why: phrase('As printed in {list} for every metal: {percent}; {target} is the target here.', {
        list: inPrint.list,
        percent: percent(percentOfThread(thread, inPrint.diameterMm)),
        target: percent(target),
      }),
    };
  const flat = formOf(thread).flatPercent;
  const drill = closestDrill(madeFor(thread), holeForPercent(thread, flat));
  return {
    id: 'chart',
    label: 'Printed chart',
    drill,
    diameterMm: drill.diameterMm,
    why: phrase('The drill nearest to {flat} for every metal; {target} is the target here.', {
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
    why: phrase('Quick rule: {percent}, whatever the metal and depth.', {
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
    why: phrase('Class limits alone, {min} to {max}; says nothing about the load on the tap.', {
      min: mm(limits.minorMinMm),
      max: mm(limits.minorMaxMm),
    }),
  };
}

function listed({ diameterMm }: TaperRow): TapDrillMethod {
  return {
    id: 'chart',
    label: 'Standard list',
    drill: closestDrill(INCH_DRILLS, diameterMm),
    diameterMm,
    why: phrase('Without reaming. A tapered thread has no single percentage, so the list decides.'),
  };
}

/**
 * What each method says for a thread, sizes in mm. For a tapered thread only the standard's list speaks.
 * @param target percent of thread that the plan aims at
 */
export const tapDrillMethods = (
  { thread, limits, taper }: Pick<TapDrillQuestion, 'thread' | 'limits' | 'taper'>,
  target: number,
): TapDrillMethod[] => [
  ...(limits ? [chart(thread, target), subtraction(thread), byLimits(thread, limits)] : []),
  ...(taper ? [listed(taper)] : []),
];
