'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Job, JobHoleInput } from '@/contracts/job';
import { layOutFace, type LaidFeature } from '@/core/layout/lay-out';
import type { FaceId, Part } from '@/core/layout/part';
import { send } from '@/ui/send';

export interface Plan {
  part: Part;
  holes: JobHoleInput[];
}

interface History {
  past: Plan[];
  now: Plan;
  future: Plan[];
}

const MOST_STEPS = 200;
const SAVE_AFTER_MS = 600;

/** The part being laid out: edits with undo and redo, kept on the server as one goes. */
export function usePlate(job: Job) {
  const [history, setHistory] = useState<History>({ past: [], now: { part: job.part, holes: job.holes }, future: [] });
  const [face, setFace] = useState<FaceId>(() => job.holes[0]?.face ?? 'top');
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
  const [status, setStatus] = useState<{ kept: boolean; fault?: string }>({ kept: true });
  const plan = history.now;

  const edit = useCallback((change: (plan: Plan) => Plan) => {
    setHistory(({ past, now }) => ({ past: [...past.slice(-MOST_STEPS), now], now: change(now), future: [] }));
  }, []);
  const undo = useCallback(
    () =>
      setHistory((h) =>
        h.past.length === 0
          ? h
          : { past: h.past.slice(0, -1), now: h.past[h.past.length - 1], future: [h.now, ...h.future] },
      ),
    [],
  );
  const redo = useCallback(
    () =>
      setHistory((h) =>
        h.future.length === 0 ? h : { past: [...h.past, h.now], now: h.future[0], future: h.future.slice(1) },
      ),
    [],
  );
  const changeHole = useCallback(
    (id: string, change: (hole: JobHoleInput) => JobHoleInput) =>
      edit((p) => ({ ...p, holes: p.holes.map((h) => (h.id === id ? change(h) : h)) })),
    [edit],
  );

  const queue = useRef(Promise.resolve());
  const version = useRef(job.version);
  const saved = useRef(plan);
  useEffect(() => {
    if (plan === saved.current) return undefined;
    const timer = setTimeout(() => {
      saved.current = plan;
      setStatus({ kept: false });
      queue.current = queue.current.then(async () => {
        const { id, name, materialId, quantity, notes } = job;
        const body = { id, name, materialId, quantity, notes, ...plan, version: version.current };
        const got = await send<Job>('PUT', `/api/v1/jobs/${id}`, body);
        if (got.ok) version.current = got.value.version;
        setStatus(got.ok ? { kept: true } : { kept: false, fault: got.fault });
      });
    }, SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [plan, job]);

  const features = useMemo<LaidFeature[]>(
    () =>
      plan.holes.map((h) => ({ id: h.id, name: h.name, callout: h.question.callout, face: h.face, place: h.place })),
    [plan.holes],
  );
  const laid = useMemo(() => layOutFace(plan.part, face, features), [plan.part, face, features]);

  return {
    plan,
    face,
    setFace,
    laid,
    selection,
    setSelection,
    status,
    edit,
    changeHole,
    undo,
    redo,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}

export type PlateState = ReturnType<typeof usePlate>;

/** Letter of a feature by its row: A to Z, then AA. */
export function letterOf(index: number): string {
  return (index >= 26 ? letterOf(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));
}
