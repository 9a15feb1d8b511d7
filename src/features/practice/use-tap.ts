'use client';

import { useCallback, useEffect, useRef } from 'react';
import { act, freshTap, holdsNm, leanOf, type TapAct, type TapState } from '@/core/practice/simulated-tap';
import { practiceHole, type PracticeHole } from '@/core/practice/tap-task';
import type { PracticeSource } from '@/core/practice/some-hole';
import { useHands } from './use-hands';
import type { Learner } from './use-learner';
import { useSound, type Tone } from './use-sound';

/** A sound for the wrench: lower and rougher the harder it turns. */
const creak = (share: number): Tone => ({
  hz: 190 - 120 * Math.min(1, share),
  type: share > 0.7 ? 'sawtooth' : 'triangle',
  loud: 0.02 + 0.1 * Math.min(1, share),
  seconds: 0.12,
});

/** Squareness is good enough up to here, degrees; deep enough from so many turns short on. */
export const SQUARE_DEG = 0.5;
export const SHORT_TURNS = 0.25;
const MISTAKE = { packed: 'went-on', lean: 'square', bottom: 'bottomed', dry: 'dry' } as const;

const fresh = ({ task }: PracticeHole): TapState => freshTap(task);
function told({ task }: PracticeHole, s: TapState) {
  if (!s.broken && !s.isDone) return undefined;
  const leans = leanOf(s) > SQUARE_DEG;
  return {
    right: !s.broken && s.deepest >= task.turns - SHORT_TURNS && !leans,
    mistake: s.broken ? MISTAKE[s.broken] : leans ? ('square' as const) : ('bottomed' as const),
  };
}

/** A tap in a hole of the shop, turned by whatever asks for it. */
export function useTap(source: PracticeSource, learner: Learner) {
  const make = useCallback((seed: number) => practiceHole(source, seed), [source]);
  const { hand, seen, drawn, isNone, change, again } = useHands('tap-by-feel', learner, make, fresh, told);
  const { sound, turnSound, play } = useSound();
  const doIt = useCallback((what: TapAct): void => change(({ task }, before) => act(task, before, what)), [change]);
  const heardOf = useRef(0);
  useEffect(() => {
    const felt = seen?.now.felt ?? [];
    if (seen && felt.length > heardOf.current && felt.at(-1)?.did === 'turn' && seen.now.torqueNm > 0)
      play(creak(seen.now.torqueNm / holdsNm(seen.task.task)));
    heardOf.current = felt.length;
  }, [seen, play]);
  return { hand, seen, drawn, isNone, doIt, again, sound, turnSound };
}
