'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Job, JobFeature } from '@/contracts/job';
import { layOutFace, type LaidFeature } from '@/core/layout/lay-out';
import { boresOf, checkBores } from '@/core/layout/bores';
import type { FaceId } from '@/core/layout/part';
import { plannerFor } from '@/core/job/plan-in-job';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Shop } from '@/core/shop/shop';
import { useJob, type Laid } from '../job-store/use-job';

export type Plan = Laid;

/** The part being laid out, from the job that all of its views share. */
export function usePlate(first: Job, shop: Shop) {
  const inHand = useJob(first);
  const { job, editLaid: edit } = inHand;
  const plan = useMemo<Plan>(() => ({ part: job.part, holes: job.holes }), [job.part, job.holes]);
  const [face, setFace] = useState<FaceId>(() => first.holes[0]?.face ?? 'top');
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
  const changeHole = useCallback(
    (id: string, change: (hole: JobFeature) => JobFeature) =>
      edit((p) => ({ ...p, holes: p.holes.map((h) => (h.id === id ? change(h) : h)) })),
    [edit],
  );

  const featureOf = useCallback((id: string) => plan.holes.find((h) => h.id === id), [plan.holes]);
  const planner = useMemo(() => plannerFor(shop), [shop]);
  const features = useMemo<LaidFeature[]>(
    () =>
      plan.holes.map((h) => ({
        id: h.id,
        name: h.name,
        callout: h.question.callout,
        face: h.face,
        place: h.place,
        exit: h.exit,
        made: planner.made(h, job),
      })),
    [plan, planner, job],
  );
  const laid = useMemo(() => layOutFace(plan.part, face, features), [plan.part, face, features]);
  const bores = useMemo(() => boresOf(plan.part, features), [plan.part, features]);
  const inside = useMemo(() => {
    const angled = new Set(features.filter((f) => f.exit && (f.exit.dx !== 0 || f.exit.dy !== 0)).map((f) => f.id));
    const meets = new Map(plan.holes.flatMap((h) => (h.meets ? [[h.id, h.meets] as const] : [])));
    return checkBores(bores, (id) => angled.has(id), meets);
  }, [bores, features, plan.holes]);

  return {
    shop,
    plan,
    planner,
    face,
    setFace,
    laid,
    bores,
    /** Bores that meet, or nearly, inside the part. */
    inside,
    selection,
    setSelection,
    inHand,
    edit,
    featureOf,
    changeHole,
  };
}

export type PlateState = ReturnType<typeof usePlate>;

/** How a feature is made, or why it cannot be; undefined where it is not there any more. */
export function planOfFeature(
  { plan, planner, inHand }: Pick<PlateState, 'plan' | 'planner' | 'inHand'>,
  featureId: string,
): Result<HolePlan> | undefined {
  const hole = plan.holes.find((h) => h.id === featureId);
  return hole && planner.plan(hole, inHand.job);
}
