'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Job, JobHoleInput } from '@/contracts/job';
import type { Result } from '@/core/answer/answer';
import type { AskForm } from '@/core/ask/ask-form';
import { planInJob } from '@/core/ask/job-questions';
import type { FeaturePlan } from '@/core/ask/plan-feature';
import type { Shop } from '@/core/ask/read-form';
import { DRILL_SETS, type DrillPool } from '@/core/drills/drill-sets';
import type { RouteEdits } from '@/core/route/edits';
import { readCallout, type Callout, type CalloutFeature } from '@/core/threads/callout';
import { withDepth, writeCallout } from '@/core/threads/write-callout';
import { send } from '@/ui/send';
import { useHistory, useKept } from '@/ui/use-kept';

/** What the server hands the view: the shop with its crib; the usual sets are known here. */
export interface HolesShop extends Omit<Shop, 'pools'> {
  crib: DrillPool;
}

export type HoleKind = 'tapped' | 'reamed' | 'counterbored' | 'countersunk' | 'plain' | 'unread';
export const KIND_LABEL: Record<HoleKind, string> = {
  tapped: 'Tapped',
  reamed: 'Reamed',
  counterbored: 'Counterbored',
  countersunk: 'Countersunk',
  plain: 'Plain',
  unread: 'Cannot be read',
};

/** Features that are the same hole in different places: edited once, for all. */
export interface Group {
  key: string;
  kind: HoleKind;
  /** As a drawing writes one of them. */
  callout: string;
  holes: JobHoleInput[];
  /** Holes in one part. */
  count: number;
  result: Result<FeaturePlan>;
}

function kindOf(features: readonly CalloutFeature[]): HoleKind {
  const has = (kind: CalloutFeature['kind']): boolean => features.some((f) => f.kind === kind);
  if (has('thread')) return 'tapped';
  if (features.some((f) => f.kind === 'hole' && (f.ream || f.fit !== undefined))) return 'reamed';
  if (has('counterbore')) return 'counterbored';
  return has('countersink') ? 'countersunk' : 'plain';
}

/** Everything of a feature that decides how it is made; places and names do not. */
function sameness(hole: JobHoleInput): string {
  const read = readCallout(hole.question.callout);
  const callout = read.ok ? writeCallout({ ...read.value, count: 1 }) : hole.question.callout;
  const { callout: _, ...question } = hole.question;
  return JSON.stringify([callout, question, hole.edits ?? {}]);
}

const withCount = (text: string, count: number): string =>
  count > 1 ? `${count}x ${text.replace(/^\s*\d+\s*x\s*(?=\S)/i, '')}` : text;

/** A hole of a job in full: groups of equal holes, what is chosen, changes kept as one goes. */
export function useHoles(job: Job, holesShop: HolesShop, firstHole: string | undefined) {
  const shop = useMemo<Shop>(() => ({ ...holesShop, pools: [holesShop.crib, ...DRILL_SETS] }), [holesShop]);
  const { now: holes, edit, undo, redo, canUndo, canRedo } = useHistory<JobHoleInput[]>(job.holes);
  const [chosenHole, setChosenHole] = useState(firstHole ?? job.holes[0]?.id);
  const [drawn, setDrawn] = useState<{ holeId: string; callout: string }>();
  const write = useCallback(
    (next: JobHoleInput[], version: number, leaving: boolean) => {
      const { id, name, materialId, quantity, notes, part } = job;
      return send<Job>(
        'PUT',
        `/api/v1/jobs/${id}`,
        { id, name, materialId, quantity, notes, part, holes: next, version },
        leaving,
      );
    },
    [job],
  );
  const { kept, fault } = useKept(holes, job.version, write);

  const groups = useMemo<Group[]>(() => {
    const by = new Map<string, JobHoleInput[]>();
    for (const hole of holes) by.set(sameness(hole), [...(by.get(sameness(hole)) ?? []), hole]);
    return [...by].map(([key, members]) => {
      const [first] = members;
      const read = readCallout(first.question.callout);
      return {
        key,
        kind: read.ok ? kindOf(read.value.features) : 'unread',
        callout: read.ok ? writeCallout({ ...read.value, count: 1 }) : first.question.callout,
        holes: members,
        count: members.reduce((n, h) => {
          const own = readCallout(h.question.callout);
          return n + (own.ok ? own.value.count : 1);
        }, 0),
        result: planInJob(first, job, shop),
      };
    });
  }, [holes, job, shop]);
  const group = groups.find((g) => g.holes.some((h) => h.id === chosenHole)) ?? groups[0];
  const first = group?.holes[0];
  // While a depth is being drawn only the chosen group is planned anew.
  const shown = useMemo<Result<FeaturePlan> | undefined>(() => {
    if (!first || !group) return undefined;
    if (drawn?.holeId !== first.id) return group.result;
    return planInJob({ ...first, question: { ...first.question, callout: drawn.callout, depth: '' } }, job, shop);
  }, [drawn, first, group, job, shop]);

  const changeGroup = useCallback(
    (change: (hole: JobHoleInput) => JobHoleInput) => {
      const ids = new Set(group?.holes.map((h) => h.id));
      edit((list) => list.map((h) => (ids.has(h.id) ? change(h) : h)));
    },
    [edit, group],
  );
  const ask = useCallback(
    (part: Partial<AskForm>) =>
      changeGroup((h) => {
        const own = readCallout(h.question.callout);
        const count = own.ok ? own.value.count : 1;
        const callout = part.callout === undefined ? h.question.callout : withCount(part.callout, count);
        return { ...h, question: { ...h.question, ...part, callout } };
      }),
    [changeGroup],
  );
  const setEdits = useCallback(
    (change: (edits: RouteEdits) => RouteEdits) =>
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
      if (done) ask({ callout: text, depth: '' });
    },
    [ask, first],
  );
  return {
    shop,
    groups,
    group,
    shown,
    choose: setChosenHole,
    ask,
    setEdits,
    draw,
    kept,
    fault,
    undo,
    redo,
    canUndo,
    canRedo,
  };
}

export type HolesState = ReturnType<typeof useHoles>;
