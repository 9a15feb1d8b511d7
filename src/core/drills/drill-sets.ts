import { ALL_DRILLS, INCH_DRILLS, METRIC_DRILLS, type Drill } from './drill';

/** Drills to choose from: a usual set, or a crib's own. */
export interface DrillPool {
  id: string;
  label: string;
  drills: readonly Drill[];
}

const between = (drills: readonly Drill[], least: number, most: number): Drill[] =>
  drills.filter((d) => d.diameterMm > least - 1e-6 && d.diameterMm < most + 1e-6);
const isTenth = (d: Drill): boolean => Math.abs(d.diameterMm * 10 - Math.round(d.diameterMm * 10)) < 1e-6;
const isHalf = (d: Drill): boolean => Math.abs(d.diameterMm * 2 - Math.round(d.diameterMm * 2)) < 1e-6;
const inchFractions = INCH_DRILLS.filter((d) => d.series === 'fraction');
const numbers1To60 = INCH_DRILLS.filter((d) => d.series === 'number' && Number(d.label.slice(1)) <= 60);
const byDiameter = (a: Drill, b: Drill): number => a.diameterMm - b.diameterMm;

/** The usual sets as they are sold, and the full lists of sizes made. */
export const DRILL_SETS: readonly DrillPool[] = [
  {
    id: 'inch-index-115',
    label: 'Inch index, 115 drills: #1 to #60, A to Z, 1/16 to 1/2',
    drills: [
      ...numbers1To60,
      ...INCH_DRILLS.filter((d) => d.series === 'letter'),
      ...between(inchFractions, 25.4 / 16, 12.7),
    ].sort(byDiameter),
  },
  {
    id: 'inch-fraction-29',
    label: 'Inch fractions, 29 drills: 1/16 to 1/2 by 64ths',
    drills: between(inchFractions, 25.4 / 16, 12.7),
  },
  {
    id: 'metric-1-13-by-0.1',
    label: 'Metric index: 1 to 13 by 0.1',
    drills: between(METRIC_DRILLS, 1, 13).filter(isTenth),
  },
  {
    id: 'metric-1-10-by-0.5',
    label: 'Metric set: 1 to 10 by 0.5',
    drills: between(METRIC_DRILLS, 1, 10).filter(isHalf),
  },
  { id: 'all-metric', label: 'Every metric size made', drills: METRIC_DRILLS },
  { id: 'all-inch', label: 'Every inch size made', drills: INCH_DRILLS },
  { id: 'all', label: 'Every size made', drills: ALL_DRILLS },
];
