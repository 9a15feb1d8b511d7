'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Job, JobHoleInput } from '@/contracts/job';
import { layOutFace, type LaidFeature } from '@/core/layout/lay-out';
import { boresOf, checkBores } from '@/core/layout/bores';
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

/** Keeps the plan on the server a moment after each edit, one write after the other, and at once when the page goes. */
function useKeeping(job: Job, plan: Plan): { kept: boolean; fault?: string } {
  const [lastKept, setLastKept] = useState(plan);
  const [fault, setFault] = useState<string>();
  const queue = useRef(Promise.resolve());
  const version = useRef(job.version);
  const wanted = useRef(plan);
  const sent = useRef<Plan | undefined>(plan);
  const keep = useCallback(
    (leaving = false): void => {
      const next = wanted.current;
      if (next === sent.current) return;
      sent.current = next;
      queue.current = queue.current.then(async () => {
        const { id, name, materialId, quantity, notes } = job;
        const body = { id, name, materialId, quantity, notes, ...next, version: version.current };
        const got = await send<Job>('PUT', `/api/v1/jobs/${id}`, body, leaving);
        if (got.ok) {
          version.current = got.value.version;
          setLastKept(next);
          setFault(undefined);
        } else {
          // Not kept: the next edit, or leaving the page, tries again.
          sent.current = undefined;
          setFault(got.fault);
        }
      });
    },
    [job],
  );
  useEffect(() => {
    wanted.current = plan;
    if (plan === sent.current) return undefined;
    const timer = setTimeout(() => keep(), SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [plan, keep]);
  useEffect(() => {
    const hide = (): void => keep(true);
    window.addEventListener('pagehide', hide);
    return () => {
      window.removeEventListener('pagehide', hide);
      keep();
    };
  }, [keep]);
  return { kept: plan === lastKept, fault };
}

/** The part being laid out: edits with undo and redo, kept on the server as one goes. */
export function usePlate(job: Job) {
  const [history, setHistory] = useState<History>({ past: [], now: { part: job.part, holes: job.holes }, future: [] });
  const [face, setFace] = useState<FaceId>(() => job.holes[0]?.face ?? 'top');
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
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

  const { kept, fault } = useKeeping(job, plan);

  const features = useMemo<LaidFeature[]>(
    () =>
      plan.holes.map((h) => ({
        id: h.id,
        name: h.name,
        callout: h.question.callout,
        face: h.face,
        place: h.place,
        exit: h.exit,
      })),
    [plan.holes],
  );
  const laid = useMemo(() => layOutFace(plan.part, face, features), [plan.part, face, features]);
  const bores = useMemo(() => boresOf(plan.part, features), [plan.part, features]);
  const inside = useMemo(() => {
    const angled = new Set(features.filter((f) => f.exit && (f.exit.dx !== 0 || f.exit.dy !== 0)).map((f) => f.id));
    return checkBores(bores, (id) => angled.has(id));
  }, [bores, features]);

  return {
    plan,
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
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}

export type PlateState = ReturnType<typeof usePlate>;

/** Letter of a feature by its row: A to Z, then AA. */
export function letterOf(index: number): string {
  return (index >= 26 ? letterOf(Math.floor(index / 26) - 1) : '') + String.fromCharCode(65 + (index % 26));
}
