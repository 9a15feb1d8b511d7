import { heightList, type Gauge, type HeightLine } from '@/core/layout/height-list';
import type { LaidFace } from '@/core/layout/lay-out';
import { fromDatum } from '@/core/layout/part';
import type { Display } from '@/core/units/show';

export const usualGauge = (display: Display): Gauge => (display === 'inch' ? 'digital-inch' : 'digital-mm');

/** A line of the sheet: its height over the datum, where it is on the face, and its name in the records. */
export interface SheetLine extends HeightLine {
  key: string;
  onFaceMm: number;
}

export interface SheetList {
  title: string;
  axis: 'x' | 'y';
  lines: SheetLine[];
}

/** The heights of a face per axis, in the order of the work: all of one side, then a quarter turn. */
export function sheetLists({ face, shape, datum, holes }: LaidFace): SheetList[] {
  const round = shape.kind === 'circle';
  const places = holes.map((h) => ({ featureId: h.featureId, at: h.at }));
  const list = (axis: 'x' | 'y', title: string): SheetList => ({
    title,
    axis,
    lines: heightList(places, axis).map((line) => ({
      ...line,
      key: `${face} ${axis} ${line.mm.toFixed(3)}`,
      onFaceMm: fromDatum({ x: line.mm, y: line.mm }, shape, datum)[axis],
    })),
  });
  return [
    list('x', round ? 'Centre line first, then across from it' : `From the ${datum.x} edge`),
    list('y', round ? 'Turn a quarter: from the other centre line' : `Roll a quarter turn: from the ${datum.y} edge`),
  ];
}

/** The features that a line serves: `A, B ×2`. */
export const serves = (line: HeightLine, letters: ReadonlyMap<string, string>): string =>
  line.serves
    .map(({ featureId, count }) => `${letters.get(featureId) ?? '?'}${count > 1 ? ` ×${count}` : ''}`)
    .join(', ');
