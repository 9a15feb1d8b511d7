import { heightList, type HeightLine } from './height-list';
import type { LaidFace } from './lay-out';
import { fromDatum } from './part';

/** A line of the sheet: its height as the gauge is set, where it is on the face, and its name in the records. */
export interface SheetLine extends HeightLine {
  key: string;
  onFaceMm: number;
}

export interface SheetList {
  title: string;
  axis: 'x' | 'y';
  lines: SheetLine[];
}

/**
 * The heights of a face per axis, in the order of the work: all of one side, then a quarter turn. A disc stands on its rim:
 * heights count from there, so that its centre line is at its radius.
 */
export function sheetLists({
  face,
  shape,
  datum,
  holes,
}: Pick<LaidFace, 'face' | 'shape' | 'datum' | 'holes'>): SheetList[] {
  const rimMm = shape.kind === 'circle' ? shape.diameterMm / 2 : 0;
  const places = holes.map((h) => ({ featureId: h.featureId, at: h.at }));
  const list = (axis: 'x' | 'y', title: string): SheetList => ({
    title,
    axis,
    lines: heightList(places, axis).map((line) => ({
      ...line,
      mm: line.mm + rimMm,
      key: `${face} ${axis} ${line.mm.toFixed(3)}`,
      onFaceMm: fromDatum({ x: line.mm, y: line.mm }, shape, datum)[axis],
    })),
  });
  const [first, then] = rimMm
    ? ['On its rim, from the rim below', 'A quarter turn, from the rim below']
    : [`From the ${datum.x} edge`, `Roll a quarter turn: from the ${datum.y} edge`];
  return [list('x', first), list('y', then)];
}

/** The features that a line serves: `A, B ×2`. */
export const serves = (line: HeightLine, letters: ReadonlyMap<string, string>): string =>
  line.serves
    .map(({ featureId, count }) => `${letters.get(featureId) ?? '?'}${count > 1 ? ` ×${count}` : ''}`)
    .join(', ');
