import { footprint } from '@/core/layout/footprint';
import type { LaidFace } from '@/core/layout/lay-out';
import { fromDatum, type Point } from '@/core/layout/part';
import { expandPlaces, type Placed } from '@/core/layout/place';
import { readLine } from '@/core/hole/read-line';
import type { Display } from '@/core/units/show';

/** A hole that a line would lay out: centre on the face and diameter, mm. */
export interface Ghost {
  at: Point;
  diameterMm: number;
}

const NEW = 'new';

/** The holes that a line as typed would lay out; none while it cannot be read. */
export function ghostsOf(
  line: string,
  display: Display,
  { shape, datum }: Pick<LaidFace, 'shape' | 'datum'>,
  others: readonly Placed[],
): Ghost[] {
  if (line.trim() === '') return [];
  const read = readLine(line, display === 'inch' ? 'in' : 'mm');
  if (!read.ok || !read.value.place) return [];
  const { callout, place } = read.value;
  const { points } = expandPlaces([...others, { id: NEW, place }]);
  const { diameterMm } = footprint(callout);
  return (points.get(NEW) ?? []).map((at) => ({ at: fromDatum(at, shape, datum), diameterMm }));
}
