import { inchToMm } from '../units/length';
import { exactFraction } from '../units/show';
import { LETTER_SIZES_IN, NUMBER_SIZES_IN } from '../units/gauge-sizes.table';
import { METRIC_RANGES_MM } from './drill-sizes.table';

export const DRILL_SERIES = ['metric', 'fraction', 'number', 'letter'] as const;
export type DrillSeries = (typeof DRILL_SERIES)[number];
export type DrillMaterial = 'hss' | 'cobalt' | 'carbide';
export type DrillCondition = 'sharp' | 'worn' | 'blunt' | 'lost';

/** A size of drill as it is made, or one drill of a crib when it has a condition. */
export interface Drill {
  /** Of one drill of a crib; a size as it is made has none. */
  id?: string;
  series: DrillSeries;
  /** As stamped or called: `6.8`, `17/64`, `#7`, `F`. */
  label: string;
  diameterMm: number;
  /** {@link USUAL_POINT_DEG} when not given. */
  pointAngleDeg?: number;
  /** High-speed steel when not given. */
  material?: DrillMaterial;
  condition?: DrillCondition;
  /** How deep its flutes reach, mm; a jobber drill's where not given. */
  fluteMm?: number;
  /** Where it lies. */
  where?: string;
}

/** Point angle of a drill of which nothing else is known, degrees. */
export const USUAL_POINT_DEG = 118;
/** Of a flat-bottomed drill. */
export const FLAT_DEG = 180;

/** Point angle of a drill, degrees. */
export const pointAngleOf = ({ pointAngleDeg = USUAL_POINT_DEG }: Drill): number => pointAngleDeg;

/** A drill of any size, as it would be stamped: a stand-in for a hole or a tool that is no listed size. */
export const sizedDrill = (diameterMm: number, label = `${+diameterMm.toFixed(3)}`): Drill => ({
  series: 'metric',
  label,
  diameterMm,
});

const metric = (mm: number): Drill => {
  const diameterMm = Math.round(mm * 1000) / 1000;
  return { series: 'metric', label: diameterMm.toFixed(Number.isInteger(diameterMm * 10) ? 1 : 2), diameterMm };
};
const range = (from: number, to: number, step: number): Drill[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => metric(from + i * step));

/** Metric sizes: 0.3 to 3 by 0.05, to 14 by 0.1, quarters to 32, halves to 50. */
export const METRIC_DRILLS: readonly Drill[] = METRIC_RANGES_MM.flatMap(({ from, to, step }) => range(from, to, step))
  .sort((a, b) => a.diameterMm - b.diameterMm)
  .filter((d, i, all) => i === 0 || d.diameterMm > all[i - 1].diameterMm + 1e-6);

export const fractionDrill = (sixtyFourths: number): Drill => {
  const diameterMm = inchToMm(sixtyFourths / 64);
  return { series: 'fraction', label: exactFraction(diameterMm) as string, diameterMm };
};

/** ASME B94.11M: numbers #80 to #1, letters A to Z, fractions by 64ths to 1-1/2 inch. */
export const INCH_DRILLS: readonly Drill[] = [
  ...NUMBER_SIZES_IN.split(' ').map((inch, i): Drill => ({
    series: 'number',
    label: `#${i + 1}`,
    diameterMm: inchToMm(Number(inch)),
  })),
  ...LETTER_SIZES_IN.split(' ').map((inch, i): Drill => ({
    series: 'letter',
    label: String.fromCharCode(65 + i),
    diameterMm: inchToMm(Number(inch)),
  })),
  ...Array.from({ length: 96 }, (_, i) => fractionDrill(i + 1)),
].sort((a, b) => a.diameterMm - b.diameterMm);

/** A drill as people say it, with its series where the label alone is not enough. */
export const drillName = ({ series, label }: Drill): string =>
  series === 'metric' ? `${label} mm` : series === 'fraction' ? `${label} in` : label;

export const isUsable = (d: Drill): boolean => d.condition !== 'blunt' && d.condition !== 'lost';

/** Every size made, by diameter. */
export const ALL_DRILLS: readonly Drill[] = [...METRIC_DRILLS, ...INCH_DRILLS].sort(
  (a, b) => a.diameterMm - b.diameterMm,
);
