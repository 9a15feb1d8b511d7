'use client';

import type { HolePlan } from '@/core/hole/hole-plan';
import { remedyFor } from '@/core/hole/remedies';
import type { RemedyChange, RemedyScope } from '@/core/run/bench-record';
import { causesOf, type CauseId, type SignFelt, type TroubleCase } from '@/core/tapping/trouble';
import { tell, type Display } from '@/core/units/show';
import { LikelyCause } from './likely-cause';
import { RemedyKeys } from './remedy-keys';

interface Props {
  sign: SignFelt;
  at: TroubleCase;
  plan: HolePlan;
  display: Display;
  /** The cause that was found; undefined where it was none of those. */
  onSaid: (cause?: CauseId) => void;
  onRemedy: (label: string, change: RemedyChange, scope: RemedyScope) => void;
  onClose: () => void;
}

/** What a tap shows: its likely causes by this hole's figures, each with the change of the plan that takes it away. */
export function TapTrouble({ sign, at, plan, display, onSaid, onRemedy, onClose }: Props) {
  return (
    <LikelyCause
      causes={causesOf(sign, at)}
      display={display}
      none="None of these. Take the tap out, look at it and at the hole, and begin again with clean flutes and fluid."
      onSaid={(id) => {
        onSaid(id);
        onClose();
      }}
      remedyKeys={(cause) => {
        const fits = cause.change === 'none' ? undefined : remedyFor(cause.change, plan);
        if (!fits) return undefined;
        const label = tell(fits.label, display);
        return (
          <RemedyKeys
            label={label}
            onlyNext={cause.onlyNext}
            onApply={(scope) => {
              onSaid(cause.id);
              onRemedy(label, fits.change as RemedyChange, scope);
            }}
          />
        );
      }}
    />
  );
}
