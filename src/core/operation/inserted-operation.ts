import { ok, phrase, problem, refuse, type Result } from '../answer/answer';
import type { Drill } from '../drills/drill';
import { unknownDrill } from '../drills/unknown-drill';
import type { Context } from './context';
import { byHandwork, cutting, drillOrder, drillSpec } from './make-operation';
import type { Operation } from './operation';

/** An operation that the user adds: a drill in this hole, or anything in words. */
export type InsertedOperation =
  | { key: string; kind: 'drill'; drill: string; fullMm: number }
  | { key: string; kind: 'note'; text: string; seconds: number };

/** An added operation with its figures, or why it cannot be. Depth in mm from the face, above zero. */
export function insertedOperation(
  add: InsertedOperation,
  ctx: Context,
  find: (label: string) => Drill | undefined,
): Result<Operation> {
  if (add.kind === 'note') {
    const note = byHandwork({
      key: add.key,
      code: 'note',
      order: phrase('{text}', { text: add.text }),
      seconds: add.seconds,
      what: 'the step you added',
    });
    return ok({ ...note, inserted: true });
  }
  const drill = find(add.drill);
  if (!drill) return refuse(unknownDrill('insert-drill', add.key, add.drill));
  if (!(add.fullMm > 0))
    return refuse(
      problem('insert-depth', add.key, 'The depth must be above zero.', 'Enter how deep it goes at full diameter.'),
    );
  const { thicknessMm } = ctx.setting;
  const through = thicknessMm !== undefined && add.fullMm >= thicknessMm - 1e-9;
  const op = cutting(
    {
      key: add.key,
      code: 'pilot',
      order: (cut) => drillOrder('drill', cut),
      spec: drillSpec(drill, true, { inHoleMm: 0, fromMm: 0, fullMm: add.fullMm, through }),
    },
    ctx,
  );
  return ok({ ...op, inserted: true });
}
