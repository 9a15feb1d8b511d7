import type { SketchedHole } from '@/core/job/face-sketch';
import type { Recorded } from '@/core/job/stage';

/** Which holes of the part in hand have nothing left to cut; undefined before anything was done at the bench. */
export function madeIn(bench: Recorded['bench']): ((hole: SketchedHole) => boolean) | undefined {
  const made = bench?.inHand?.made;
  if (!made) return undefined;
  return ({ featureId, number }) =>
    featureId !== undefined && number !== undefined && (made[featureId] ?? []).includes(number);
}
