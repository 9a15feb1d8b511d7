import type { Problem, Result } from '../answer/answer';
import type { Callout } from '../threads/callout';
import { readCallout } from '../threads/read-callout';
import { footprint, type Footprint } from './footprint';
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
import { checkRoom, type RoomFaults } from './room';

/** How a hole is made, as far as the plate has to know it. Depths in mm along the hole. */
export interface MadeHole {
  /** To the tip of the deepest tool; through holes to the back. */
  boredMm: number;
  through: boolean;
  /** Where its full thread ends, from the face; undefined without a thread. */
  threadEndMm?: number;
}

/** A feature as it is saved: what the drawing says, where, and how it is made. */
export interface LaidFeature {
  id: string;
  name: string;
  callout: string;
  face: FaceId;
  place?: Place;
  /** Angled holes: how far across the far end lies from the entry, mm in the signs of the datum. */
  exit?: { dx: number; dy: number };
  /** Undefined where nobody has planned it; a refusal where it cannot be made as drawn. */
  made?: Result<MadeHole>;
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
  /** It cannot be made as drawn: the face's problems say why. */
  impossible: boolean;
}

export interface LaidFace {
  face: FaceId;
  shape: FaceShape;
  datum: Datum;
  holes: LaidHole[];
  faults: RoomFaults;
  problems: Problem[];
}

/** The smallest footprint drawn for a callout that cannot be read. */
const UNREADABLE: Footprint = { diameterMm: 3, mouthMm: 3, headMm: 0, socketMm: 0, proudMm: 0, tapped: false };

/** Why a feature cannot be made or read, said at the feature. */
function problemsOf({ id, made }: LaidFeature, read: Result<Callout>): Problem[] {
  const failed = [made, read].find((r) => r && !r.ok);
  return failed && !failed.ok ? failed.problems.map((p) => ({ ...p, field: id })) : [];
}

/** Every hole of a face with its place and size, and whether everything fits. */
export function layOutFace(part: Part, face: FaceId, features: readonly LaidFeature[]): LaidFace {
  const bare = faceShape(part.stock, face);
  const walls = part.walls?.[face];
  const shape = bare.kind === 'rectangle' && walls ? { ...bare, walls } : bare;
  const datum = part.datums[face] ?? USUAL_DATUM;
  const expanded = expandPlaces(features);
  const onFace = features
    .filter((f) => f.face === face)
    .map((feature) => ({ feature, read: readCallout(feature.callout) }));
  const holes = onFace.flatMap(({ feature, read }) => {
    const made = feature.made?.ok ? feature.made.value : undefined;
    const size = read.ok ? footprint(read.value, made?.threadEndMm) : UNREADABLE;
    return (expanded.points.get(feature.id) ?? []).map((at, i): LaidHole => ({
      featureId: feature.id,
      number: i + 1,
      at,
      onFace: fromDatum(at, shape, datum),
      footprint: size,
      impossible: !read.ok || feature.made?.ok === false,
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
  return {
    face,
    shape,
    datum,
    holes,
    faults,
    problems: [...expanded.problems, ...onFace.flatMap(({ feature, read }) => problemsOf(feature, read))],
  };
}
