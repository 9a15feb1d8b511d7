import type { Problem } from '../answer/answer';
import { readCallout } from '../threads/callout';
import { footprint, type Footprint } from './describe-callout';
import {
  faceShape,
  fromDatum,
  USUAL_DATUM,
  type Datum,
  type FaceId,
  type FaceShape,
  type Part,
  type Point,
} from './part';
import { expandPlaces, type Place } from './place';
import { checkRoom, type RoomFault } from './room';

/** A feature as it is kept: what the drawing says, and where. */
export interface LaidFeature {
  id: string;
  name: string;
  callout: string;
  face: FaceId;
  place?: Place;
  /** Angled holes: how far across the far end lies from the entry, mm in the signs of the datum. */
  exit?: { dx: number; dy: number };
}

export interface LaidHole {
  featureId: string;
  /** From 1 within its feature. */
  number: number;
  /** From the datum edges. */
  at: Point;
  /** From the lower left corner of the face, or its centre. */
  onFace: Point;
  footprint: Footprint;
}

export interface LaidFace {
  face: FaceId;
  shape: FaceShape;
  datum: Datum;
  holes: LaidHole[];
  faults: RoomFault[];
  problems: Problem[];
}

/** The smallest footprint drawn for a callout that cannot be read. */
const UNREADABLE: Footprint = { diameterMm: 3, mouthMm: 3, headMm: 0, socketMm: 0, proudMm: 0, tapped: false };

/** Every hole of a face with its place and size, and whether everything fits. */
export function layOutFace(part: Part, face: FaceId, features: readonly LaidFeature[]): LaidFace {
  const bare = faceShape(part.stock, face);
  const walls = part.walls?.[face];
  const shape = bare.kind === 'rectangle' && walls ? { ...bare, walls } : bare;
  const datum = part.datums[face] ?? USUAL_DATUM;
  const expanded = expandPlaces(features);
  const problems: Problem[] = [...expanded.problems];
  const holes = features
    .filter((f) => f.face === face)
    .flatMap((feature) => {
      const read = readCallout(feature.callout);
      if (!read.ok) problems.push(...read.problems.map((p) => ({ ...p, field: feature.id })));
      const size = read.ok ? footprint(read.value) : UNREADABLE;
      const points = expanded.points.get(feature.id) ?? [];
      return points.map((at, i): LaidHole => ({
        featureId: feature.id,
        number: i + 1,
        at,
        onFace: fromDatum(at, shape, datum),
        footprint: size,
      }));
    });
  const faults = checkRoom(
    holes.map((h) => ({
      id: h.featureId,
      at: h.onFace,
      diameterMm: h.footprint.diameterMm,
      headMm: h.footprint.headMm,
      socketMm: h.footprint.socketMm,
      proudMm: h.footprint.proudMm,
      tap: h.footprint.tap,
    })),
    shape,
  );
  return { face, shape, datum, holes, faults, problems };
}
