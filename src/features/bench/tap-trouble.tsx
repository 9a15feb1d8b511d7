'use client';

import { useState } from 'react';
import type { HolePlan } from '@/core/hole/hole-plan';
import { remedyFor } from '@/core/hole/remedies';
import type { RemedyChange } from '@/core/run/bench-record';
import { causesOf, type CauseId, type SignFelt, type TroubleCase } from '@/core/tapping/trouble';
import { tell, type Display } from '@/core/units/show';
import { RemedyKeys } from './remedy-keys';

interface Props {
  sign: SignFelt;
  at: TroubleCase;
  plan: HolePlan;
  display: Display;
  /** The cause that was found; undefined where it was none of those. */
  onSaid: (cause?: CauseId) => void;
  onRemedy: (label: string, change: RemedyChange, scope: 'hole' | 'rest') => void;
  onClose: () => void;
}

/** What a tap shows: the likeliest cause as a question that a look answers; yes brings its action, no the next. */
export function TapTrouble({ sign, at, plan, display, onSaid, onRemedy, onClose }: Props) {
  const causes = causesOf(sign, at);
  const [asked, setAsked] = useState(0);
  const [found, setFound] = useState(false);
  const cause = causes.at(asked);
  const said = (id?: CauseId): void => {
    onSaid(id);
    onClose();
  };
  if (!cause)
    return (
      <div className="text-[24px] leading-snug">
        <p>None of these. Take the tap out, look at it and at the hole, and begin again with clean flutes and fluid.</p>
        <div className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="bench-key bench-next" onClick={() => said()}>
            Record it, go on
          </button>
          <button type="button" className="bench-key" onClick={() => setAsked(0)}>
            Ask again
          </button>
        </div>
      </div>
    );
  const fits = cause.change === 'none' ? undefined : remedyFor(cause.change, plan);
  return (
    <div aria-live="polite" className="text-[26px] leading-snug max-sm:text-[22px]">
      {!found ? (
        <>
          <p className="font-bold">{tell(cause.ask, display)}</p>
          <div className="mt-2 flex gap-2">
            <button type="button" className="bench-key bench-next flex-1" onClick={() => setFound(true)}>
              Yes
            </button>
            <button type="button" className="bench-key flex-1" onClick={() => setAsked(asked + 1)}>
              No
            </button>
          </div>
          <p className="mt-3 text-[20px]" style={{ color: 'var(--bench-quiet)' }}>
            {asked + 1} of {causes.length}, likeliest first for this hole.
          </p>
        </>
      ) : (
        <>
          <p>{tell(cause.cause, display)}</p>
          <p className="font-bold">{tell(cause.remedy, display)}</p>
          {fits && (
            <RemedyKeys
              label={tell(fits.label, display)}
              onlyNext={cause.onlyNext}
              onApply={(scope) => {
                onSaid(cause.id);
                onRemedy(tell(fits.label, display), fits.change as RemedyChange, scope);
              }}
            />
          )}
          <button type="button" className={`bench-key mt-2 ${fits ? '' : 'bench-next'}`} onClick={() => said(cause.id)}>
            Done, go on
          </button>
        </>
      )}
    </div>
  );
}
