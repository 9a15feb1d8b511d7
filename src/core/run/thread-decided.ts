import { kindsThat } from '../operation/kinds';
import type { Operation, OperationCode } from '../operation/operation';
import { workKey, type RunStep } from '../route/run-steps';
import type { WorkItem } from '../route/work-item';
import { decidesThread, holeKey, holeOf, type BenchRecord, type HoleAt } from './bench-record';
import { onceMore, stepHole, type BenchStep } from './bench-step';

/** How a hole is made by now, with all that was decided. */
export type OperationsNow = (hole: HoleAt) => readonly Pick<Operation, 'key' | 'code'>[];

/** What is done for the thread that was decided, whatever was done for the smaller one. */
const FOR_THE_THREAD: readonly OperationCode[] = kindsThat((kind) => kind.forThread);
const isForTheThread = ({ item }: RunStep): boolean => FOR_THE_THREAD.includes(item?.code as OperationCode);

/** The step of an operation; one that the route did not have, beside the nearest that it had. */
function asStep(steps: readonly RunStep[], { key, code }: Pick<Operation, 'key' | 'code'>): RunStep[] {
  const own = steps.find((s) => s.item?.opKey === key);
  if (own) return [own];
  const like = steps.findLast((s) => s.item?.code === code) ?? steps.at(-1);
  if (!like?.item) return [];
  const item: WorkItem = { ...like.item, opKey: key, code };
  return [{ ...like, item, key: workKey(item, like.part) }];
}

/**
 * The steps of a route where holes are made to the thread that was decided for them: what is still open of the drawing’s goes,
 * what the other needs comes, each once, for the last that was decided.
 * @returns superseded: what was done for the drawing’s thread, which no later choice asks for once more
 */
export function toThreadsDecided(
  routed: readonly RunStep[],
  decisions: readonly BenchRecord[],
  settled: ReadonlyMap<string, BenchRecord>,
  operationsNow: OperationsNow,
): { steps: readonly BenchStep[]; superseded: ReadonlySet<RunStep> } {
  const superseded = new Set<RunStep>();
  const decided = new Map(
    decisions.flatMap((r) => {
      const at = holeOf(r);
      return at && decidesThread(r) ? [[holeKey(at), { at, id: r.id }] as const] : [];
    }),
  );
  let steps: readonly BenchStep[] = routed;
  for (const [hole, { at, id }] of decided) {
    const own = routed.filter((s) => {
      const of = stepHole(s);
      return of !== undefined && holeKey(of) === hole;
    });
    const before = own.filter(isForTheThread);
    const made = operationsNow(at)
      .filter((op) => FOR_THE_THREAD.includes(op.code))
      .flatMap((op) => asStep(own, op))
      .map((step) => onceMore(step, id, 'larger thread'));
    const anchor = before.find((s) => !settled.has(s.key)) ?? own.at(-1);
    steps = steps.flatMap((s) => [
      ...(before.includes(s) && !settled.has(s.key) ? [] : [s]),
      ...(s === anchor ? made : []),
    ]);
    for (const s of before) superseded.add(s);
  }
  return { steps, superseded };
}
