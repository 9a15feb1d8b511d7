import { ALL_DRILLS, drillName, type Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';

/** A drill by label (`6.8`, `17/64`, `#7`, `F`, `6.8 mm`), first among the pool's own, then among all made. */
export function findDrill(text: string, pool: DrillPool): Drill | undefined {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/\s*(mm|in|")$/, '');
  const named = (d: Drill): boolean => d.label.toLowerCase() === typed || drillName(d).toLowerCase() === typed;
  const byName = pool.drills.find(named) ?? ALL_DRILLS.find(named);
  if (byName) return byName;
  const metric = Number(typed);
  return Number.isFinite(metric) && metric > 0
    ? ALL_DRILLS.find((d) => d.series === 'metric' && Math.abs(d.diameterMm - metric) < 1e-6)
    : undefined;
}
