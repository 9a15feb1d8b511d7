'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Job, JobFeature } from '@/contracts/job';
import type { Result } from '@/core/answer/answer';
import type { AskForm } from '@/core/hole/form';
import { equalFeatures, withCount, type EqualFeatures, type HoleKind } from '@/core/job/equal-features';
import { plannerFor } from '@/core/job/plan-in-job';
import type { HolePlan } from '@/core/hole/hole-plan';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { DrillPool } from '@/core/drills/drill-sets';
import type { OperationEdits } from '@/core/operation/edits';
import type { Callout, CalloutFeature } from '@/core/threads/callout';
import { readCallout } from '@/core/threads/read-callout';
import { withDepth, writeCallout } from '@/core/threads/write-callout';
import { useJob } from '../job-store/use-job';

/** What the server hands the view: the shop with its crib; the usual sets are known here. */
export interface HolesShop extends Omit<Shop, 'pools'> {
  crib: DrillPool;
}

export const KIND_LABEL: Record<HoleKind, string> = {
  tapped: 'Tapped',
  outside: 'Outside thread',
  reamed: 'Reamed',
  counterbored: 'Counterbored',
  countersunk: 'Countersunk',
  plain: 'Plain',
  unread: 'Can’t be read',
};

/** Features that are the same hole in different places: edited once, for all. */
export interface Group extends Omit<EqualFeatures<JobFeature>, 'features'> {
  holes: JobFeature[];
  result: Result<HolePlan>;
}

/** A hole of a job in full: groups of equal holes, what is chosen, changes kept as one goes. */
export function useHoles(opened: Job, holesShop: HolesShop, firstHole: string | undefined) {
  const shop = useMemo<Shop>(() => wholeShop(holesShop), [holesShop]);
  const planner = useMemo(() => plannerFor(shop), [shop]);
  const inHand = useJob(opened);
  const { job, editLaid } = inHand;
  const { holes } = job;
  const [chosenHole, setChosenHole] = useState(firstHole ?? opened.holes[0]?.id);
  const [drawn, setDrawn] = useState<{ holeId: string; callout: string }>();
  const groups = useMemo<Group[]>(
    () =>
      equalFeatures(holes).map(({ features, ...group }) => ({
        ...group,
        holes: features,
        result: planner.plan(features[0], job),
      })),
    [holes, job, planner],
  );
  const group = groups.find((g) => g.holes.some((h) => h.id === chosenHole)) ?? groups[0];
  const first = group?.holes[0];
  // While a depth is being drawn only the chosen group is planned anew.
  const shown = useMemo<Result<HolePlan> | undefined>(() => {
    if (!first || !group) return undefined;
    if (drawn?.holeId !== first.id) return group.result;
    return planner.plan({ ...first, question: { ...first.question, callout: drawn.callout, depth: '' } }, job);
  }, [drawn, first, group, job, planner]);

  const changeGroup = useCallback(
    (change: (hole: JobFeature) => JobFeature, typing = false) => {
      const ids = new Set(group?.holes.map((h) => h.id));
      editLaid((laid) => ({ ...laid, holes: laid.holes.map((h) => (ids.has(h.id) ? change(h) : h)) }), typing);
    },
    [editLaid, group],
  );
  const ask = useCallback(
    (part: Partial<AskForm>, typing = true) =>
      changeGroup((h) => {
        const own = readCallout(h.question.callout);
        const count = own.ok ? own.value.count : 1;
        const callout = part.callout === undefined ? h.question.callout : withCount(part.callout, count);
        return { ...h, question: { ...h.question, ...part, callout } };
      }, typing),
    [changeGroup],
  );
  const setEdits = useCallback(
    (change: (edits: OperationEdits) => OperationEdits) =>
      changeGroup((h) => {
        const next = change(h.edits ?? {});
        const empty = Object.values(next).every((v) => v === undefined || Object.keys(v).length === 0);
        const { edits: _, ...bare } = h;
        return empty ? bare : { ...h, edits: next };
      }),
    [changeGroup],
  );
  const draw = useCallback(
    (callout: Callout, feature: CalloutFeature, mm: number, done: boolean) => {
      if (!first) return;
      const text = writeCallout({ ...withDepth(callout, feature, mm), count: 1 });
      setDrawn(done ? undefined : { holeId: first.id, callout: text });
      if (done) ask({ callout: text, depth: '' }, false);
    },
    [ask, first],
  );
  return {
    shop,
    planner,
    groups,
    group,
    shown,
    choose: setChosenHole,
    ask,
    setEdits,
    draw,
    inHand,
  };
}

export type HolesState = ReturnType<typeof useHoles>;
