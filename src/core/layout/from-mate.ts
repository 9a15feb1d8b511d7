import { phrase } from '../answer/answer';
import type { Imported } from './imported';
import { readCallout } from '../threads/read-callout';
import { trimmed } from '../units/show';
import { CLEARANCE_HOLES, rowFor } from './heads.table';
import { layOutFace, type LaidFeature } from './lay-out';
import type { FaceId, Part } from './part';

/**
 * Places taken from the face of a mating part, so that the holes match: a tapped hole of the mate needs a clearance hole
 * here, any other hole keeps its size. Faces that lie on each other are seen mirrored.
 */
export function fromMate(part: Part, face: FaceId, features: readonly LaidFeature[], mirrored: boolean): Imported {
  const laid = layOutFace(part, face, features);
  const width = laid.shape.kind === 'circle' ? 0 : laid.shape.widthMm;
  const leftOut: Imported['leftOut'] = [];
  const taken = features
    .filter((f) => f.face === face)
    .flatMap((feature) => {
      const holes = laid.holes.filter((h) => h.featureId === feature.id);
      const read = readCallout(feature.callout);
      if (holes.length === 0 || !read.ok) {
        leftOut.push(phrase('“{callout}” has no place or cannot be read.', { callout: feature.callout }));
        return [];
      }
      const { diameterMm, tapped } = holes[0].footprint;
      const size = tapped ? (rowFor(CLEARANCE_HOLES, diameterMm)?.[2] ?? diameterMm * 1.1) : diameterMm;
      const points = holes.map(({ onFace: p }): [number, number] => [mirrored ? width - p.x : p.x, p.y]);
      const callout = `${points.length > 1 ? `${points.length}x ` : ''}ø${trimmed(size, 3)} mm THRU`;
      const place =
        points.length === 1
          ? { kind: 'point' as const, x: points[0][0], y: points[0][1] }
          : { kind: 'list' as const, points };
      return [{ name: feature.name, callout, place }];
    });
  return {
    features: taken,
    understood: [
      phrase(
        '{count} features of the mate, from its lower left corner{side}. Tapped holes become clearance holes of the normal class.',
        {
          count: taken.length,
          side: mirrored ? ', mirrored as the faces meet' : '',
        },
      ),
    ],
    leftOut,
  };
}
