'use client';

import { useCallback, useRef, useState } from 'react';
import { act, freshTap, holdsNm, leanOf, type TapAct, type TapState } from '@/core/practice/simulated-tap';
import { practiceHole, type PracticeHole } from '@/core/practice/tap-task';
import type { PracticeSource } from '@/core/practice/some-hole';
import { useHands } from './use-hands';
import type { Learner } from './use-learner';

/** A sound for the wrench: lower and rougher the harder it turns. */
function creak(audio: AudioContext, share: number): void {
  const tone = audio.createOscillator();
  const loud = audio.createGain();
  tone.type = share > 0.7 ? 'sawtooth' : 'triangle';
  tone.frequency.value = 190 - 120 * Math.min(1, share);
  loud.gain.setValueAtTime(0.02 + 0.1 * Math.min(1, share), audio.currentTime);
  loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.12);
  tone.connect(loud).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.13);
}

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
  const { task: hole, now, seed, change, again } = useHands('tap-by-feel', learner, make, fresh, told);
  const [sound, setSound] = useState(true);
  const audio = useRef<AudioContext>(undefined);
  const doIt = (what: TapAct): void => {
    if (hole && now && sound && what.do === 'turn') {
      const next = act(hole.task, now, what);
      if (next.torqueNm > 0) {
        const share = next.torqueNm / holdsNm(hole.task);
        // What is seen comes first.
        setTimeout(() => creak((audio.current ??= new AudioContext()), share));
      }
    }
    change(({ task }, before) => act(task, before, what));
  };
  return { hole, now, seed, doIt, again, sound, setSound };
}
