'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Mistake } from '@/core/practice/exercise';
import type { HandsKind } from '@/core/practice/kinds-of-exercise';
import { handOf } from './hand';
import type { Learner } from './use-learner';
import { useNextFrame } from './use-next-frame';

/** A task that was made, and how far it is. */
export interface InHand<Task, State> {
  seed: number;
  task: Task;
  now: State;
}

/** A new task by seed, again and again, and what is told once of each when it is over. */
export function useHands<Task, State extends object>(
  kind: HandsKind,
  learner: Pick<Learner, 'keep'>,
  make: (seed: number) => Task | undefined,
  fresh: (task: Task) => State,
  told: (task: Task, state: State) => { right: boolean; mistake: Mistake } | undefined,
) {
  const [hand] = useState(() => handOf<InHand<Task, State>>());
  const [isNone, setNone] = useState(false);
  const begun = useRef(0);
  const saidOf = useRef<number>(undefined);
  const again = useCallback(() => {
    const seed = Math.floor(Math.random() * 0x7fffffff);
    const task = make(seed);
    setNone(task === undefined);
    hand.set(task && { seed, task, now: fresh(task) });
    begun.current = performance.now();
  }, [hand, make, fresh]);
  const begin = useEffectEvent(again);
  useEffect(() => {
    const first = setTimeout(begin);
    return () => clearTimeout(first);
  }, []);
  // What the hand moves follows at once; what only shows it comes a frame later, and what tells of it in words after
  // that, so that none of the three frames is late.
  const seen = useNextFrame(hand);
  const [drawn] = useState(() => handOf<InHand<Task, State>>());
  useEffect(() => drawn.set(seen), [drawn, seen]);
  const { keep } = learner;
  useEffect(() => {
    if (!seen || saidOf.current === seen.seed) return;
    const over = told(seen.task, seen.now);
    if (!over) return;
    saidOf.current = seen.seed;
    const seconds = Math.round((performance.now() - begun.current) / 1000);
    void keep({ kind, seed: seen.seed, ...over, hints: 0, seconds });
  }, [seen, told, keep, kind]);
  /** Does something to what is there now. */
  const change = useCallback(
    (next: (task: Task, before: State) => State): void => {
      const held = hand.get();
      if (held) hand.set({ ...held, now: next(held.task, held.now) });
    },
    [hand],
  );
  return { hand, seen, drawn, isNone, change, again };
}
