'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { act, freshTap, holdsNm, type TapAct, type TapState } from '@/core/practice/simulated-tap';
import { practiceHole, type PracticeHole } from '@/core/practice/tap-task';
import type { PracticeSource } from '@/core/practice/some-hole';

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

/** A tap in a hole of the shop, turned by whatever asks for it. */
export function useTap(source: PracticeSource) {
  const [seed, setSeed] = useState<number>();
  const hole = useMemo<PracticeHole | undefined>(
    () => (seed === undefined ? undefined : practiceHole(source, seed)),
    [source, seed],
  );
  const [state, setState] = useState<TapState>();
  const [sound, setSound] = useState(true);
  const audio = useRef<AudioContext>(undefined);
  const begun = useRef(0);
  const again = useCallback(() => {
    setState(undefined);
    setSeed(Math.floor(Math.random() * 0x7fffffff));
    begun.current = performance.now();
  }, []);
  useEffect(() => {
    const first = setTimeout(again);
    return () => clearTimeout(first);
  }, [again]);
  const now = state ?? (hole && freshTap(hole.task));
  const doIt = useCallback(
    (what: TapAct): void => {
      if (!hole) return;
      setState((before) => {
        const next = act(hole.task, before ?? freshTap(hole.task), what);
        if (what.do === 'turn' && sound && next.torqueNm > 0) {
          audio.current ??= new AudioContext();
          creak(audio.current, next.torqueNm / holdsNm(hole.task));
        }
        return next;
      });
    },
    [hole, sound],
  );
  return {
    hole,
    now,
    seed,
    doIt,
    again,
    sound,
    setSound,
    seconds: () => (performance.now() - begun.current) / 1000,
  };
}
