import { ok, phrase, problem, refuse, type Result } from '../answer/answer';
import type { Drill } from '../drills/drill';
import { unknownDrill } from '../drills/unknown-drill';
import { cutStep, drillSpec, handStep, type Step } from './step';

/** An operation that the user adds: a drill in this hole, or anything in words. */
export type InsertedOperation =
  | { key: string; kind: 'drill'; drill: string; fullMm: number }
  | { key: string; kind: 'note'; text: string; seconds: number };

/** An added operation as a step, or why it cannot be. Depth in mm from the face, above zero. */
export function insertedStep(
  add: InsertedOperation,
  thicknessMm: number | undefined,
  find: (label: string) => Drill | undefined,
): Result<Step> {
  if (add.kind === 'note') {
    return ok(
      handStep({
        key: add.key,
        kind: 'note',
        order: phrase('{text}', { text: add.text }),
        seconds: add.seconds,
        purpose: 'the step you added',
        inserted: true,
      }),
    );
  }
  const drill = find(add.drill);
  if (!drill) return refuse(unknownDrill('insert-drill', add.key, add.drill));
  if (!(add.fullMm > 0))
    return refuse(
      problem('insert-depth', add.key, 'The depth must be above zero.', 'Enter how deep it goes at full diameter.'),
    );
  const through = thicknessMm !== undefined && add.fullMm >= thicknessMm - 1e-9;
  return ok(
    cutStep({
      key: add.key,
      kind: 'pilot',
      spec: drillSpec(drill, true, { inHoleMm: 0, fromMm: 0, fullMm: add.fullMm, through }),
      inserted: true,
    }),
  );
}
