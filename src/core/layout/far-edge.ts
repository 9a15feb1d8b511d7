import { pointsOf, type Place } from './place';
import { faceShape, fromDatum, USUAL_DATUM, type FaceId, type Part } from './part';

/**
 * How far the part reaches from the first hole of a place, mm: the lever of a drill that grabs. Undefined where the
 * place is not known by itself.
 */
export function farEdgeMm(part: Part, face: FaceId, place: Place | undefined): number | undefined {
  if (!place || place.kind === 'mirror' || place.kind === 'offset') return undefined;
  const [first] = pointsOf(place);
  if (!first) return undefined;
  const shape = faceShape(part.stock, face);
  const at = fromDatum(first, shape, part.datums[face] ?? USUAL_DATUM);
  if (shape.kind === 'circle') return Math.hypot(at.x, at.y) + shape.diameterMm / 2;
  return Math.hypot(Math.max(at.x, shape.widthMm - at.x), Math.max(at.y, shape.heightMm - at.y));
}
