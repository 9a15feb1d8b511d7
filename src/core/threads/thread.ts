/** Profile of a thread. Tapered pipe thread has no percentage and no class limits of the parallel kind. */
export type ThreadForm = 'iso-60' | 'whitworth-55' | 'ba-47.5' | 'npt-60-taper';

export type ThreadSeries =
  | 'metric-coarse'
  | 'metric-fine'
  | 'metric-special'
  | 'UNC'
  | 'UNF'
  | 'UNEF'
  | 'UNS'
  | 'BA'
  | 'BSW'
  | 'BSF'
  | 'G'
  | 'NPT';

export interface Thread {
  /** As a drawing writes it, `M8x1.25` or `1/4-20 UNC`; also its id. */
  designation: string;
  series: ThreadSeries;
  form: ThreadForm;
  majorMm: number;
  pitchMm: number;
  /** Drawing practice: the unit in which depths beside this thread are written. */
  system: 'metric' | 'inch';
  standard: string;
}

const FORM_OF: Record<ThreadSeries, ThreadForm> = {
  'metric-coarse': 'iso-60',
  'metric-fine': 'iso-60',
  'metric-special': 'iso-60',
  UNC: 'iso-60',
  UNF: 'iso-60',
  UNEF: 'iso-60',
  UNS: 'iso-60',
  BA: 'ba-47.5',
  BSW: 'whitworth-55',
  BSF: 'whitworth-55',
  G: 'whitworth-55',
  NPT: 'npt-60-taper',
};

const STANDARD_OF: Record<ThreadSeries, string> = {
  'metric-coarse': 'ISO 261, ISO 965-1',
  'metric-fine': 'ISO 261, ISO 965-1',
  'metric-special': 'ISO 68-1, ISO 965-1',
  UNC: 'ASME B1.1',
  UNF: 'ASME B1.1',
  UNEF: 'ASME B1.1',
  UNS: 'ASME B1.1',
  BA: 'BS 93',
  BSW: 'BS 84',
  BSF: 'BS 84',
  G: 'ISO 228-1',
  NPT: 'ASME B1.20.1',
};

/** A thread of a series from its size; form, system and standard follow from the series. */
export function makeThread(series: ThreadSeries, designation: string, majorMm: number, pitchMm: number): Thread {
  return {
    designation,
    series,
    form: FORM_OF[series],
    majorMm,
    pitchMm,
    system: series.startsWith('metric') || series === 'BA' ? 'metric' : 'inch',
    standard: STANDARD_OF[series],
  };
}

export const isMetric = (t: Thread): boolean => t.series.startsWith('metric');
export const isUnified = (t: Thread): boolean => t.form === 'iso-60' && !isMetric(t);
export const isTapered = (t: Thread): boolean => t.form === 'npt-60-taper';

/** Depth of thread on one side as a share of the pitch, at 100 percent. */
const DEPTH_PER_PITCH: Record<ThreadForm, number> = {
  'iso-60': 0.649519,
  'whitworth-55': 0.640327,
  'ba-47.5': 0.6,
  'npt-60-taper': 0.8,
};

/** Thread depth on one side in mm: 0.75 H for 60 degrees, the full rounded depth for 55 and 47.5. */
export const fullDepthMm = (t: Thread): number => DEPTH_PER_PITCH[t.form] * t.pitchMm;
