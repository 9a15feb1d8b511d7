'use client';

import { useCallback, useMemo, useState } from 'react';
import type { Job, JobHoleInput } from '@/contracts/job';
import { layOutFace, type LaidFeature } from '@/core/layout/lay-out';
import { boresOf, checkBores } from '@/core/layout/bores';
import type { FaceId, Part } from '@/core/layout/part';
import { plannerFor } from '@/core/job/plan-in-job';
import type { Shop } from '@/core/shop/shop';
import { send } from '@/ui/send';
import { useHistory, useKept } from '@/ui/use-kept';

export interface Plan {
  part: Part;
  holes: JobHoleInput[];
}

/** The part being laid out: edits with undo and redo, kept on the server as one goes. */
export function usePlate(job: Job, shop: Shop) {
  const { now: plan, edit, undo, redo, canUndo, canRedo } = useHistory<Plan>({ part: job.part, holes: job.holes });
  const [face, setFace] = useState<FaceId>(() => job.holes[0]?.face ?? 'top');
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
  const changeHole = useCallback(
    (id: string, change: (hole: JobHoleInput) => JobHoleInput) =>
      edit((p) => ({ ...p, holes: p.holes.map((h) => (h.id === id ? change(h) : h)) })),
    [edit],
  );

  const write = useCallback(
    (next: Plan, version: number, leaving: boolean) => {
      const { id, name, materialId, quantity, notes } = job;
      return send<Job>(
        'PUT',
        `/api/v1/jobs/${id}`,
        { id, name, materialId, quantity, notes, ...next, version },
        leaving,
      );
    },
    [job],
  );
  const { kept, fault } = useKept(plan, job.version, write);

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
        made: planner.made(h, { ...job, part: plan.part }),
      })),
    [plan, planner, job],
  );
  const laid = useMemo(() => layOutFace(plan.part, face, features), [plan.part, face, features]);
  const bores = useMemo(() => boresOf(plan.part, features), [plan.part, features]);
  const inside = useMemo(() => {
    const angled = new Set(features.filter((f) => f.exit && (f.exit.dx !== 0 || f.exit.dy !== 0)).map((f) => f.id));
    return checkBores(bores, (id) => angled.has(id));
  }, [bores, features]);

  return {
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
    kept,
    fault,
    edit,
    changeHole,
    undo,
    redo,
    canUndo,
    canRedo,
  };
}

export type PlateState = ReturnType<typeof usePlate>;

/** Letter of a feature by its row: A to Z, then AA. */
export function letterOf(index: number): string {
  return (index >= 26 ? letterOf(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));
}
