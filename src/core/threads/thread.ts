import { FORMS, type Form, type ThreadForm } from './forms';

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
  | 'Rp'
  | 'NPT'
  | 'Rc'
  | 'STI';

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

export const formOf = ({ form }: Thread): Form => FORMS[form];

export const isMetric = (t: Thread): boolean => t.series.startsWith('metric');
export const isUnified = ({ series }: Thread): boolean =>
  series === 'UNC' || series === 'UNF' || series === 'UNEF' || series === 'UNS';
export const isTapered = (t: Thread): boolean => formOf(t).tapered;

/** Parallel pipe threads: no bolt is asked of them. */
export const isPipe = ({ series }: Thread): boolean => series === 'G' || series === 'Rp';

/**
 * Thread depth on one side in mm: 0.75 H for 60 degrees, the full rounded depth for 55 and 47.5.
 * @example fullDepthMm(M8) // 0.649519 × 1.25 = 0.812
 */
export const fullDepthMm = (t: Thread): number => formOf(t).depthPerPitch * t.pitchMm;
