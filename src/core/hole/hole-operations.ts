import { caution, depth, phrase, type Answer, type Caution } from '../answer/answer';
import { drillName, type Drill } from '../drills/drill';
import type { Context } from '../operation/context';
import type { EditedOperations, EditWork, FindDrill, OperationEdits } from '../operation/edits';
import { figure } from '../operation/figure';
import { MAIN_KEY, withCautions, type Operation } from '../operation/operation';
import type { Step } from '../operation/step';
import { tipOf } from '../operation/travel';
import { STOP_REPEATS_MM, thinWallMm, wallLeft } from '../tapping/blind-depth';
import type { ThreadPart } from './hole-plan';
import { sizeOf, type Made } from './make-hole';
import type { ResolvedHole } from './resolved-hole';

/** The drill set less deep by the user than the thread and its last tap need. */
function tooShallow(op: Operation, thread: ThreadPart | undefined): Caution[] {
  const needed = thread?.tapping.best.depth?.fullDiameter.value;
  const full = op.cut?.spec.fullMm;
  if (op.key !== MAIN_KEY || needed === undefined || full === undefined || full > needed - 0.05) return [];
  return [
    caution('warn', 'too-shallow', 'The last tap needs {needed} of full diameter: it bottoms {short} too early.', {
      needed: depth(needed),
      short: depth(needed - full),
    }),
  ];
}

/** The plan's own drill named beside one that the user has set instead. */
function namedChange(op: Operation, part: ThreadPart | undefined, set: Drill | undefined, asked: Drill | undefined) {
  const before = asked ?? part?.tapDrill.proposed;
  if (op.key !== MAIN_KEY || !set || !before) return op;
  const change = phrase('{now} instead of {before}.', { now: drillName(set), before: drillName(before) });
  return { ...op, changes: [change, ...(op.changes ?? [])] };
}

/** The edits that are applied to operations: another tap drill is planned with, as it changes more than its figures. */
function withoutDrill(edits: OperationEdits): OperationEdits {
  const { drill: _, ...figures } = edits.overrides?.[MAIN_KEY] ?? {};
  return { ...edits, overrides: { ...edits.overrides, [MAIN_KEY]: figures } };
}

const tipEnds = (step: Step): number => (step.by === 'cut' ? step.spec.fullMm + tipOf(step.spec) : 0);

/** The step that goes deepest, which decides the wall left. */
const deepestOf = (steps: readonly Step[]): Step | undefined =>
  steps.reduce<Step | undefined>((a, step) => (tipEnds(step) > (a ? tipEnds(a) : 0) ? step : a), undefined);

/** What is left under the deepest step of a blind hole. */
interface WallUnder {
  /** The step that it is left under. */
  step?: Step;
  /** Undefined through, or where the thickness is not known. */
  wall?: Answer;
  cautions: Caution[];
}

/** The wall left under a hole, and whether it is too thin. @param sizeMm diameter that it is measured against */
function wallUnder(hole: ResolvedHole, steps: readonly Step[], sizeMm: number): WallUnder {
  const step = deepestOf(steps);
  if (hole.through || hole.thicknessMm === undefined || !step) return { step, cautions: [] };
  const wall = wallLeft(hole.thicknessMm, tipEnds(step));
  if (wall.value >= thinWallMm(sizeMm) - STOP_REPEATS_MM) return { step, wall, cautions: [] };
  const said = caution(
    'warn',
    'wall-thin',
    'Only {wall} left under the tip; under {limit} the back bulges or breaks out.',
    { wall: depth(wall.value), limit: depth(thinWallMm(sizeMm)) },
  );
  return { step, wall, cautions: [{ ...said, remedy: 'deeper' }] };
}

/** The drills of a hole: by name, the one asked for, and the one that the user has set instead of the plan's. */
export interface NamedDrills {
  find: FindDrill;
  asked?: Drill;
  set?: Drill;
}

/** The planned steps with the user's changes, each figured once, and what those bring with them. */
export function holeOperations(
  made: Made,
  hole: ResolvedHole,
  work: EditWork | undefined,
  ctx: Context,
  { find, asked, set }: NamedDrills,
): EditedOperations & { wall?: Answer } {
  const around = { thicknessMm: hole.thicknessMm, existingMm: made.toMake?.existingMm ?? 0, find };
  const edited = work
    ? work.apply(made.steps, set ? withoutDrill(work.edits) : work.edits, around)
    : { steps: made.steps, dropped: [], faults: [], problems: [] };
  const { steps } = edited;
  const figured = steps.map((step) => {
    const op = namedChange((work?.figure ?? figure)(step, ctx), made.thread, set, asked);
    return withCautions(op, tooShallow(op, made.thread));
  });
  const under = wallUnder(hole, steps, sizeOf(made));
  const operations = figured.map((op, i) => (steps[i] === under.step ? withCautions(op, under.cautions) : op));
  return { ...edited, operations, wall: under.wall };
}
