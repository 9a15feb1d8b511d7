import { useMemo } from 'react';
import type { LaidHole } from '@/core/layout/lay-out';
import type { Point } from '@/core/layout/part';
import { placeLabels } from './place-labels';

const MOST_LABELS = 90;

export interface FaceLabel {
  hole: LaidHole;
  text: string;
  /** From the corner of the face, px. */
  at: Point;
}

/** The holes that are named on the face, each with its place: a pan leaves them, a zoom makes room. */
export function useFaceLabels(
  holes: readonly LaidHole[],
  letters: ReadonlyMap<string, string>,
  scale: number,
): FaceLabel[] {
  const counts = useMemo(() => {
    const of = new Map<string, number>();
    for (const h of holes) of.set(h.featureId, (of.get(h.featureId) ?? 0) + 1);
    return of;
  }, [holes]);
  const labelled = useMemo(() => {
    if (holes.length <= MOST_LABELS) return holes;
    return counts.size <= MOST_LABELS ? holes.filter((h) => h.number === 1) : [];
  }, [holes, counts]);
  return useMemo(() => {
    const all = labelled.map((h) => ({
      hole: h,
      x: h.onFace.x * scale,
      y: -h.onFace.y * scale,
      r: (h.footprint.mouthMm / 2) * scale,
      text: `${letters.get(h.featureId) ?? ''}${counts.get(h.featureId) === 1 ? '' : h.number}${h.impossible ? ' ✕' : ''}`,
    }));
    const places = placeLabels(all, all);
    return all.map(({ hole, text }, i) => ({ hole, text, at: places[i] }));
  }, [labelled, letters, counts, scale]);
}
