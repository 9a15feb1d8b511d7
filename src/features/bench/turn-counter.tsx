'use client';

import { useEffect, useRef } from 'react';
import type { TurnStrip as Strip } from '@/core/tapping/turn-strip';
import { turnsText } from '@/core/units/show';
import { TurnStrip } from '@/ui/taps/turn-strip';
import { useKeys } from '@/ui/keys';
import { TURN_EVENT, useTurns } from './turns-counted';

interface Props {
  /** Its key: another step begins at no turn. */
  step: string;
  strip: Strip;
  name: string;
  signals: boolean;
  /** Whether its tap is at work; one that is drawn ahead counts nothing. */
  isShown: boolean;
}

const HALF = 0.5;

function beep(): void {
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    tone.frequency.value = 880;
    tone.connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.35);
    tone.onended = () => void audio.close();
  } catch {
    // A browser without sound flashes only.
  }
}

/** Turns counted at the wrench: each tap on the strip, or T, is one; it says where to stop. */
export function TurnCounter({ step, strip, name, signals, isShown }: Props) {
  const [turns, setTurns] = useTurns(step);
  const told = useRef(false);
  const left = strip.last - turns;
  const atStop = left < 1 - 1e-9;
  const over = strip.hardStop !== undefined && turns > strip.hardStop - HALF;
  useEffect(() => {
    if (atStop && isShown && !told.current && signals) beep();
    told.current = atStop && isShown;
  }, [atStop, isShown, signals]);
  const clear = strip.clearOuts.some((at) => turns >= at && turns < at + 1);
  return (
    <section aria-label="Turns" className="flex flex-col gap-2">
      {isShown && <TurnKeys setTurns={setTurns} />}
      <div
        className={`dye relative w-full p-3 ${atStop && signals ? 'outline-8 outline-offset-0' : ''}`}
        style={atStop ? { outlineColor: 'var(--bench-danger)' } : undefined}
      >
        <TurnStrip strip={strip} name={name} done={turns} width={620} />
        <button
          type="button"
          disabled={!isShown}
          onClick={() => setTurns((n) => n + 1)}
          aria-label={`One turn more: ${turns} of ${turnsText(strip.last, true)}`}
          className="absolute inset-0 w-full"
        />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <p
          role="status"
          className="flex min-w-48 flex-1 flex-wrap max-sm:basis-full items-baseline gap-x-5 font-cond text-[34px] leading-tight font-semibold sm:text-[46px]"
        >
          <span style={{ color: 'var(--bench-set)' }}>
            {turns} of {turnsText(strip.last, true)} turns
          </span>
          {over ? (
            <strong style={{ color: 'var(--bench-danger)' }}>Stop: the bottom</strong>
          ) : atStop ? (
            <strong style={{ color: 'var(--bench-danger)' }}>
              {left > 1e-9 ? `Last turn: only ${turnsText(left, true)} more` : atEnd(strip)}
            </strong>
          ) : clear ? (
            <strong>Out, clear, oil</strong>
          ) : null}
        </p>
        <button
          type="button"
          disabled={!isShown}
          className="bench-key max-sm:flex-1"
          onClick={() => setTurns((n) => n + 1)}
        >
          + 1
        </button>
        <button
          type="button"
          disabled={!isShown}
          className="bench-key max-sm:flex-1"
          onClick={() => setTurns((n) => Math.max(0, n - 1))}
        >
          − 1
        </button>
        <button type="button" disabled={!isShown} className="bench-key max-sm:flex-1" onClick={() => setTurns(() => 0)}>
          Zero
        </button>
      </div>
      <p className="text-[20px] max-sm:hidden" style={{ color: 'var(--bench-quiet)' }}>
        Space or the foot switch: one turn. Held, or Enter: done.
      </p>
    </section>
  );
}

/** What the last turn has come to. */
function atEnd({ last, total, hardStop }: Strip): string {
  if (last < total - 1e-9) return 'Stop: the tap reaches no deeper';
  return hardStop === undefined ? 'Through: back it out' : 'Stop: deep enough';
}

/** T is a turn, with Shift one less; so are Space and the foot switch. */
function TurnKeys({ setTurns }: { setTurns: (to: (n: number) => number) => void }) {
  useEffect(() => {
    const turn = (): void => setTurns((n) => n + 1);
    window.addEventListener(TURN_EVENT, turn);
    return () => window.removeEventListener(TURN_EVENT, turn);
  });
  useKeys({
    t: () => setTurns((n) => n + 1),
    'Shift+T': () => setTurns((n) => Math.max(0, n - 1)),
  });
  return null;
}
