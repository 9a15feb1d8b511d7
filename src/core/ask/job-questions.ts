import type { Result } from '../answer/answer';
import { tilt } from '../layout/angled-hole';
import { farEdgeMm } from '../layout/far-edge';
import { depthBehind, faceShape, facesOf, type FaceId, type Part } from '../layout/part';
import { pointsOf, type Place } from '../layout/place';
import type { RouteEdits } from '../route/edits';
import type { AskForm } from './ask-form';
import { planFeature, type FeaturePlan } from './plan-feature';
import type { Shop } from './read-form';

/** A job's own figures stand over those of each hole: its material and its number of parts. */
export const questionInJob = (question: AskForm, job: { materialId: string; quantity: number }): AskForm => ({
  ...question,
  material: job.materialId,
  parts: String(job.quantity),
});

/** A feature of a job as it is kept. */
export interface JobFeature {
  question: AskForm;
  face: FaceId;
  place?: Place;
  /** Angled: how far across the far end lies, mm. */
  exit?: { dx: number; dy: number };
  edits?: RouteEdits;
}

/** How far the first hole of a feature lies from the axis of its part, mm; Infinity on a face that has none. */
function offAxisMm({ stock }: Part, { face, place }: JobFeature): number | undefined {
  if (!place || place.kind === 'mirror' || place.kind === 'offset') return undefined;
  const [first] = pointsOf(place);
  const shape = faceShape(stock, face);
  return first && (shape.kind === 'circle' ? Math.hypot(first.x, first.y) : Infinity);
}

/** Plans a feature in its job: material and parts of the job, thickness and lever of the part, changes of the user. */
export function planInJob(
  feature: JobFeature,
  job: { materialId: string; quantity: number; part: Part },
  shop: Shop,
): Result<FeaturePlan> {
  const { part } = job;
  // The stock counts once the feature has a place on it; before that it is only what a new part starts as.
  const laidOut = feature.place !== undefined && facesOf(part.stock).includes(feature.face);
  const thicknessMm = laidOut ? depthBehind(part.stock, feature.face) : undefined;
  return planFeature(questionInJob(feature.question, job), shop, feature.edits, {
    thicknessMm,
    curved: laidOut && feature.face === 'side' && part.stock.shape !== 'plate',
    offAxisMm: laidOut ? offAxisMm(part, feature) : undefined,
    leverMm: farEdgeMm(part, feature.face, feature.place),
    tiltDeg:
      feature.exit && thicknessMm !== undefined
        ? tilt(Math.hypot(feature.exit.dx, feature.exit.dy), thicknessMm).value || undefined
        : undefined,
  });
}
