'use client';

import { useCallback, useRef, useState } from 'react';

/** A tone as one hears it at the machine: how high, how rough, how loud and long. */
export interface Tone {
  hz: number;
  type: OscillatorType;
  /** 0 to 0.2. */
  loud: number;
  seconds: number;
}

/** Sound that one key puts off. */
export function useSound() {
  const [sound, setSound] = useState(true);
  const audio = useRef<AudioContext>(undefined);
  const play = useCallback(
    ({ hz, type, loud, seconds }: Tone): void => {
      if (!sound) return;
      // What is seen comes first.
      setTimeout(() => {
        const context = (audio.current ??= new AudioContext());
        const tone = context.createOscillator();
        const gain = context.createGain();
        tone.type = type;
        tone.frequency.value = hz;
        gain.gain.setValueAtTime(loud, context.currentTime);
        gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + seconds);
        tone.connect(gain).connect(context.destination);
        tone.start();
        tone.stop(context.currentTime + seconds + 0.01);
      });
    },
    [sound],
  );
  const turnSound = useCallback(() => setSound((on) => !on), []);
  return { sound, turnSound, play };
}
