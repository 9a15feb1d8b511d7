import type { LengthUnit } from '../units/length';
import { mmToInch } from '../units/length';
import { trimmed } from '../units/show';
import type { Place } from './place';

/**
 * A place as it is typed; reads back to the same place with readPlacedCallout in the same unit.
 * Mirror, offset and long lists have no line of their own and come back undefined.
 */
export function writePlace(place: Place, unit: LengthUnit): string | undefined {
  const n = (mm: number): string => (unit === 'in' ? trimmed(mmToInch(mm), 5) : trimmed(mm, 4));
  const at = (p: { x: number; y: number }): string => `at ${n(p.x)},${n(p.y)}`;
  switch (place.kind) {
    case 'point':
      return at(place);
    case 'row':
      return `${at(place)} pitch ${n(place.pitch)}${place.angleDeg === 0 ? '' : ` angle ${trimmed(place.angleDeg, 4)}`}`;
    case 'grid':
      return `${at(place)} grid ${place.columns} by ${place.rows} pitch ${n(place.dx)},${n(place.dy)}`;
    case 'circle':
      return [
        `circle ${n(place.diameter)} ${at(place)}`,
        place.startDeg === 0 ? '' : `from ${trimmed(place.startDeg, 4)}`,
        place.skip.length === 0 ? '' : `skip ${place.skip.join(',')}`,
      ]
        .filter(Boolean)
        .join(' ');
    case 'list':
      return place.points.length === 1 ? at({ x: place.points[0][0], y: place.points[0][1] }) : undefined;
    default:
      return undefined;
  }
}
