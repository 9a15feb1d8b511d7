import type { Drill } from './drill';

/** Place of the first drill of a list sorted by diameter that is at least this wide, mm. */
function firstAtLeast(sorted: readonly Drill[], mm: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle].diameterMm < mm) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Drills of a list sorted by diameter that lie between two diameters, both exclusive, mm. */
export function drillsBetween(sorted: readonly Drill[], fromMm: number, toMm: number): Drill[] {
  const near = sorted.slice(firstAtLeast(sorted, fromMm), firstAtLeast(sorted, toMm));
  return near.length > 0 && near[0].diameterMm <= fromMm ? near.filter((d) => d.diameterMm > fromMm) : near;
}

/** The drill of a list sorted by diameter that is closest in size, mm; of two as close the smaller. Not for an empty list. */
export function closestDrill(sorted: readonly Drill[], mm: number): Drill {
  const at = firstAtLeast(sorted, mm);
  const [under, over] = [sorted[at - 1], sorted[at]];
  if (!under || !over) return under ?? over;
  return over.diameterMm - mm < mm - under.diameterMm ? over : under;
}
