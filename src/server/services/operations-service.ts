import { sixPlaces } from '@/core/units/six-places';
import type { Job } from '@/contracts/job';
import type { OperationsResponse } from '@/contracts/operations';
import { plannerFor } from '@/core/job/plan-in-job';
import type { Shop } from '@/core/shop/shop';
import type { Operation } from '@/core/operation/operation';
import { tell, type Display } from '@/core/units/show';

type Feature = OperationsResponse['features'][number];

const orNull = (value: number | undefined): number | null => (value === undefined ? null : sixPlaces(value));

function operationItem(op: Operation, units: Display): Feature['operations'][number] {
  const { cut } = op;
  const set = cut?.speed.ok ? cut.speed.value : undefined;
  return {
    key: op.key,
    code: op.code,
    order: tell(op.order, units),
    details: op.details.map((d) => tell(d, units)),
    tool: cut?.spec.tool.name ?? null,
    inCrib: cut?.spec.tool.owned ?? null,
    diameterMm: orNull(cut?.spec.diameterMm),
    idealRpm: orNull(cut?.ideal.value),
    setRpm: orNull(set?.rpm),
    setLabel: set?.label ?? null,
    feedMmPerRev: orNull(cut?.feed.value),
    fullDiameterDepthMm: orNull(cut?.spec.fullMm),
    travelFromTouchMm: orNull(cut?.travel.value),
    stop: cut?.stop.map((s) => tell(s.order, units)) ?? [],
    peckDepthsMm: cut?.pecks.map(sixPlaces) ?? [],
    torqueNm: orNull(cut?.torque?.value),
    forceAtEdgeN: orNull(cut?.grab?.force.value),
    seconds: sixPlaces(op.time.value),
    cautions: op.cautions.map((c) => ({ code: c.code, level: c.level, text: tell(c, units) })),
  };
}

/** How each feature of a job is made in the shop as it is now, with the user's changes; one by one. */
export function* operationsOf(job: Job, shop: Shop, units: Display): Generator<Feature, void> {
  const planner = plannerFor(shop);
  for (const hole of job.holes) {
    const planned = planner.plan(hole, job);
    const plan = planned.ok ? planned.value : undefined;
    const problems = planned.ok ? planned.value.problems : planned.problems;
    yield {
      holeId: hole.id,
      letter: hole.letter,
      callout: hole.question.callout,
      count: plan?.callout.count ?? 1,
      seconds: orNull(plan?.seconds),
      wallLeftMm: orNull(plan?.wall?.value),
      operations: plan?.operations.map((op) => operationItem(op, units)) ?? [],
      faults: plan?.faults.map((f) => ({ key: f.key, level: f.level, text: tell(f.why, units) })) ?? [],
      problems: problems.map((p) => ({
        field: p.field,
        code: p.code,
        detail: tell(p, units),
        remedy: tell(p.remedy, units),
      })),
    };
  }
}
