'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Mistake } from '@/core/practice/exercise';
import type { HandsKind } from '@/core/practice/kinds-of-exercise';
import type { Learner } from './use-learner';
import { useNextFrame } from './use-next-frame';

/** A new task by seed, again and again, and what is told once of each when it is over. */
export function useHands<Task, State extends object>(
  kind: HandsKind,
  learner: Pick<Learner, 'keep'>,
  make: (seed: number) => Task | undefined,
  fresh: (task: Task) => State,
  told: (task: Task, state: State) => { right: boolean; mistake: Mistake } | undefined,
) {
  const [seed, setSeed] = useState<number>();
  const task = useMemo(() => (seed === undefined ? undefined : make(seed)), [seed, make]);
  const [state, setState] = useState<State>();
  const begun = useRef(0);
  const saidOf = useRef<number>(undefined);
  const again = useCallback(() => {
    setState(undefined);
    setSeed(Math.floor(Math.random() * 0x7fffffff));
    begun.current = performance.now();
  }, []);
  useEffect(() => {
    const first = setTimeout(again);
    return () => clearTimeout(first);
  }, [again]);
  const untouched = useMemo(() => task && fresh(task), [task, fresh]);
  const now = task && (state ?? untouched);
  const { keep } = learner;
  useEffect(() => {
    if (!task || now === undefined || seed === undefined || saidOf.current === seed) return;
    const over = told(task, now);
    if (!over) return;
    saidOf.current = seed;
    void keep({ kind, seed, ...over, hints: 0, seconds: Math.round((performance.now() - begun.current) / 1000) });
  }, [task, now, seed, told, keep, kind]);
  /** Does something to what is there now. */
  const change = useCallback(
    (next: (task: Task, before: State) => State) => task && setState((before) => next(task, before ?? fresh(task))),
    [task, fresh],
  );
  // What the hand moves follows at once; what only shows it may come a frame later, so that neither frame is late.
  const seen = useNextFrame(useMemo(() => (task && now ? { task, now } : undefined), [task, now]));
  return { task, now, seen, seed, change, again };
}
