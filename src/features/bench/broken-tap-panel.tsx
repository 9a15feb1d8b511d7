'use client';

import { useState } from 'react';
import type { Phrase } from '@/core/answer/answer';
import { CHOICES, type Choice } from '@/core/gauging/verdict';
import type { Operation } from '@/core/operation/operation';
import { AFTER_BREAK, CHOICES_AFTER_BREAK } from '@/core/run/inspection-rows';
import type { BodyOf } from '@/core/run/bench-record';
import { brokenTap, LAST_FELT, type BreakTold, type LastFelt } from '@/core/tapping/broken-tap';
import type { TroubleCase } from '@/core/tapping/trouble';
import { tell, turnsText, type Display } from '@/core/units/show';
import { turnsCounted } from './turns-counted';

interface Props {
  step: string;
  /** It is recorded already. */
  isSaid: boolean;
  at: TroubleCase;
  tap: Operation['tap'];
  display: Display;
  /** The larger thread that there would be. */
  larger?: Phrase;
  onBroken: (told: Omit<BodyOf<'tap-broken'>, 'part'>) => void;
  onDecide: (choice: Choice) => void;
  onClose: () => void;
}

/** A broken tap: stop, three touches, then the ways out for this hole, and what becomes of it. */
export function BrokenTapPanel({ step, isSaid, at, tap, display, larger, onBroken, onDecide, onClose }: Props) {
  const [told, setTold] = useState<BreakTold>(() => {
    const turns = turnsCounted(step);
    return turns > 0 ? { turns } : {};
  });
  const broken = brokenTap(at, told);
  const own = tap && at.way.taps[tap.place - 1];
  if (!isSaid)
    return (
      <div className="flex flex-col gap-3 text-[22px]">
        <p className="font-bold">Stop. Do not twist it. What was it like?</p>
        <div role="group" aria-label="Turns" className="flex flex-wrap items-center gap-2">
          <span className="w-40">Turns</span>
          <button
            type="button"
            className="bench-key"
            aria-label="One turn less"
            onClick={() => setTold({ ...told, turns: Math.max(0, (told.turns ?? 1) - 1) })}
          >
            −
          </button>
          <output className="font-cond w-48 text-center text-[34px] font-semibold">
            {told.turns === undefined ? 'not counted' : turnsText(told.turns)} of {turnsText(at.way.turns.value)}
          </output>
          <button
            type="button"
            className="bench-key"
            aria-label="One turn more"
            onClick={() => setTold({ ...told, turns: (told.turns ?? 0) + 1 })}
          >
            +
          </button>
        </div>
        <div role="group" aria-label="Felt" className="flex flex-wrap items-center gap-2">
          <span className="w-40">Felt before</span>
          {(Object.keys(LAST_FELT) as LastFelt[]).map((felt) => (
            <button
              key={felt}
              type="button"
              className={`bench-key ${told.felt === felt ? 'bench-next' : ''}`}
              aria-pressed={told.felt === felt}
              onClick={() => setTold({ ...told, felt })}
            >
              {LAST_FELT[felt]}
            </button>
          ))}
        </div>
        {at.kind === 'cut' && (
          <div role="group" aria-label="Flutes" className="flex flex-wrap items-center gap-2">
            <span className="w-40">Flutes</span>
            {[true, false].map((packed) => (
              <button
                key={String(packed)}
                type="button"
                className={`bench-key ${told.packed === packed ? 'bench-next' : ''}`}
                aria-pressed={told.packed === packed}
                onClick={() => setTold({ ...told, packed })}
              >
                {packed ? 'Full of chips' : 'Clear'}
              </button>
            ))}
          </div>
        )}
        <button
          type="button"
          className="bench-key bench-next"
          onClick={() => {
            onBroken({ tap: tap?.tap.name ?? '', ...(own?.owned ? { tapId: own.key } : {}), ...told });
          }}
        >
          It broke: record it
        </button>
      </div>
    );
  return (
    <div className="text-[22px] leading-snug">
      <ul className="list-disc pl-6 font-bold">
        {broken.first.map((p) => (
          <li key={p.text}>{tell(p, display)}</li>
        ))}
        {own?.owned && <li>The tap is marked broken in the crib.</li>}
      </ul>
      <ol className="mt-2 list-decimal pl-8">
        {broken.waysOut.map((w) => (
          <li key={w.label.text}>{tell(w.label, display)}</li>
        ))}
      </ol>
      <p>{tell(broken.part, display)}</p>
      {larger && (
        <p>
          {CHOICES.larger.label}: {tell(larger, display)}
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {CHOICES_AFTER_BREAK.map((choice) => (
          <button key={choice} type="button" className="bench-key" onClick={() => onDecide(choice)}>
            {AFTER_BREAK[choice] ?? CHOICES[choice].label}
          </button>
        ))}
        <button type="button" className="bench-key" onClick={onClose}>
          Decide later
        </button>
      </div>
    </div>
  );
}
