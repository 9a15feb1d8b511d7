import { layOutFace, type LaidFace } from '../layout/lay-out';
import type { FaceId } from '../layout/part';
import type { Route } from '../route/route';
import type { IssuedWork } from './issued-work';
import type { Laying } from './scribe-steps';

/** Letters of the features of a route. */
const lettersOf = ({ setUps }: Route): Map<string, string> =>
  new Map(setUps.flatMap((s) => s.visits.flatMap((v) => v.items.map((i) => [i.featureId, i.letter] as const))));

/** How the features of an issued route are laid out, and on which faces lines are scribed for them. */
export function layingOfRun({ route, job, shop }: IssuedWork): Laying & { letters: ReadonlyMap<string, string> } {
  const features = new Map(job.holes.map((f) => [f.id, f]));
  const faces = new Map<FaceId, LaidFace>();
  const placed = job.holes.map((f) => ({ ...f, name: '', callout: f.question.callout }));
  const isScribed = (machineId: string): boolean => {
    const kind = shop.machines?.find((m) => m.id === machineId)?.kind;
    return kind !== 'mill' && kind !== 'lathe';
  };
  return {
    letters: lettersOf(route),
    // Where a machine finds the place by its scales, or a hole is there already, nothing is scribed; a round side has no edge to count from.
    faceOf: (id) => {
      const feature = features.get(id);
      if (!feature?.place || feature.face === 'side' || feature.question.existing.trim() !== '') return undefined;
      return isScribed(feature.question.machine) ? feature.face : undefined;
    },
    laid: (face) => {
      const known = faces.get(face) ?? layOutFace(job.part, face, placed);
      faces.set(face, known);
      return known;
    },
  };
}
