import {
  INCH_DRILLS,
  METRIC_DRILLS,
  type Drill,
  type DrillCondition,
  type DrillMaterial,
  USUAL_POINT_DEG,
} from '@/core/drills/drill';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import type { drillCases, drills } from '../schema';

const MISSING_FROM_INDEX = ['2.5', '6.8', '10.2'];
const CONDITION: Record<string, DrillCondition> = { '5.0': 'worn', '11.0': 'blunt', '8.5': 'worn' };
const LETTERS = 'ACEFILOQRTUXZ';
const NUMBERS = [1, 3, 7, 10, 16, 19, 21, 25, 28, 29, 30, 33, 36, 38, 42, 43, 47, 50, 53, 55, 60].map((n) => `#${n}`);

export const SAMPLE_CASES: (typeof drillCases.$inferInsert)[] = [
  { id: 'metric-index', name: 'Metric index, 1 to 13 by 0.1', setId: 'metric-1-13-by-0.1', position: 1 },
  { id: 'fraction-index', name: 'Fractions, 1/16 to 1/2', setId: 'inch-fraction-29', position: 2 },
  { id: 'letters-and-numbers', name: 'Letters and numbers, what is left', position: 3 },
  { id: 'large-drills', name: 'Large metric drills, drawer', position: 4 },
  { id: 'cobalt-and-carbide', name: 'Cobalt and carbide, small case', position: 5 },
];

function inCase(
  caseId: string,
  list: readonly Drill[],
  material: DrillMaterial = 'hss',
  pointAngleDeg = USUAL_POINT_DEG,
): (typeof drills.$inferInsert)[] {
  return list.map((d) => ({
    id: `${caseId}-${material}-${d.label}`.replace(/[^\w.-]/g, '_'),
    caseId,
    series: d.series,
    label: d.label,
    diameterMm: d.diameterMm,
    pointAngleDeg,
    material,
    condition: (caseId === 'metric-index' && CONDITION[d.label]) || 'sharp',
  }));
}

const setOf = (id: string): readonly Drill[] => DRILL_SETS.find((s) => s.id === id)?.drills ?? [];
const labelled = (from: readonly Drill[], labels: readonly string[]): Drill[] =>
  from.filter((d) => labels.includes(d.label));

/** The drills as they stand in the cases: three missing from the index, some worn, one blunt. */
export const SAMPLE_DRILLS: (typeof drills.$inferInsert)[] = [
  ...inCase(
    'metric-index',
    setOf('metric-1-13-by-0.1').filter((d) => !MISSING_FROM_INDEX.includes(d.label)),
  ),
  ...inCase('fraction-index', setOf('inch-fraction-29')),
  ...inCase('letters-and-numbers', labelled(INCH_DRILLS, [...LETTERS, ...NUMBERS])),
  ...inCase(
    'large-drills',
    labelled(METRIC_DRILLS, ['13.5', '14.0', '15.5', '16.0', '17.5', '18.0', '20.0', '22.0', '25.0']),
  ),
  ...inCase('cobalt-and-carbide', labelled(METRIC_DRILLS, ['3.3', '4.2', '5.0', '8.5']), 'cobalt', 135),
  ...inCase('cobalt-and-carbide', labelled(METRIC_DRILLS, ['4.2']), 'carbide', 140),
];
