import { about, caution, mm, ok, type Result } from '../answer/answer';
import type { HolePlan } from '../hole/hole-plan';
import type { JobHead, JobFeature, Planner } from '../job/plan-in-job';
import { MAIN_KEY, type Operation } from '../operation/operation';
import type { RemedyChange } from './bench-record';

/** How a feature is made once the remedies found at the bench are applied to a hole of it. */
export function planAtBench(
  feature: JobFeature,
  job: JobHead,
  planner: Planner,
  { overrides, pinnedOffMm, ...change }: RemedyChange = {},
): Result<HolePlan> {
  const edits = overrides
    ? {
        ...feature.edits,
        overrides: Object.fromEntries(
          [...new Set([...Object.keys(feature.edits?.overrides ?? {}), ...Object.keys(overrides)])].map((key) => [
            key,
            { ...feature.edits?.overrides?.[key], ...overrides[key] },
          ]),
        ),
      }
    : feature.edits;
  const plan = planner.plan({ ...feature, question: { ...feature.question, ...change }, edits }, job);
  return plan.ok && pinnedOffMm !== undefined ? ok(asPinned(plan.value, pinnedOffMm)) : plan;
}

const BY_MODEL: readonly string[] = ['class-outside', 'class-borderline', 'percent-range'];

/** A plan whose drill was chosen by pins: what the model says of its class gives way to what was measured. */
function asPinned(plan: HolePlan, offMm: number): HolePlan {
  const leaves = (plan.thread?.tapDrill.used.finishedMinorMm ?? 0) + offMm;
  const said = caution('note', 'by-pins', 'By the pins of the first hole this drill leaves about {minor}.', {
    minor: mm(leaves),
  });
  const operations = plan.operations.map((op) =>
    op.key === MAIN_KEY
      ? { ...op, cautions: [...op.cautions.filter((c) => !BY_MODEL.includes(c.code)), ...about(op.key, [said])] }
      : op,
  );
  return { ...plan, operations };
}

/** What of an operation can be seen in the metal: another drill, deeper, another tap. */
const traceOf = ({ cut, tap }: Operation): string =>
  cut ? `${cut.spec.diameterMm} ${cut.spec.fullMm}` : tap ? `${tap.tap.name} ${tap.tap.chamferThreads}` : '';

/** Whether what was done by one plan has to be done once more by another; speed and fluid leave no trace. */
export function isRedone(
  opKey: string,
  before: Result<HolePlan> | undefined,
  after: Result<HolePlan> | undefined,
): boolean {
  if (!before?.ok || !after?.ok) return false;
  const find = (plan: HolePlan): Operation | undefined => plan.operations.find((op) => op.key === opKey);
  const [was, is] = [find(before.value), find(after.value)];
  if (!was || !is || (!was.cut && !was.tap)) return false;
  // A smaller drill cannot be run into a larger hole.
  if (was.cut && is.cut && is.cut.spec.diameterMm < was.cut.spec.diameterMm - 1e-6) return false;
  return traceOf(was) !== traceOf(is);
}
