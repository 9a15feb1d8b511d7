import { footprint } from '../layout/footprint';
import { faceShape, fromDatum, USUAL_DATUM, type FaceId, type FaceShape, type Part } from '../layout/part';
import { expandPlaces, type Place } from '../layout/place';
import { readCallout } from '../threads/read-callout';

/** A face with its holes as a small drawing shows it, mm from its lower left corner or its centre. */
export interface FaceSketch {
  face: FaceId;
  shape: FaceShape;
  /** In the order of the features. */
  holes: SketchedHole[];
}

/** A hole of a small drawing: its centre and diameter, mm. */
export interface SketchedHole {
  x: number;
  y: number;
  diameterMm: number;
  letter: string;
  featureId?: string;
  number?: number;
}

/** More holes than this are not told apart in a small drawing. */
const MOST_DRAWN = 300;

interface Placed {
  id: string;
  letter: string;
  face: FaceId;
  place?: Place;
  question: { callout: string };
}

/** The face with the most features that have a place, as a small drawing; undefined where none has one. */
export function faceSketch(part: Part, features: readonly Placed[]): FaceSketch | undefined {
  const placed = features.filter((f) => f.place);
  const counts = new Map<FaceId, number>();
  for (const { face } of placed) counts.set(face, (counts.get(face) ?? 0) + 1);
  const [face] = [...counts].sort((a, b) => b[1] - a[1]).map(([id]) => id);
  if (!face) return undefined;
  const shape = faceShape(part.stock, face);
  const datum = part.datums[face] ?? USUAL_DATUM;
  const { points } = expandPlaces(placed);
  const holes = placed
    .filter((f) => f.face === face)
    .flatMap(({ id, letter, question }) => {
      const read = readCallout(question.callout);
      const diameterMm = read.ok ? footprint(read.value).diameterMm : 3;
      return (points.get(id) ?? []).map((at, i) => ({
        ...fromDatum(at, shape, datum),
        diameterMm,
        letter,
        featureId: id,
        number: i + 1,
      }));
    });
  return { face, shape, holes: holes.slice(0, MOST_DRAWN) };
}
