'use client';

import { useCallback } from 'react';
import { inUnits } from '@/core/hole/form-in-units';
import type { Display } from '@/core/units/show';
import { useOwnUnits, useUnits } from '@/ui/units';
import type { JobInHand } from './use-job';

/** The unit that a job was made in; the switch changes it for the job, and what was typed in it keeps its size. */
export function useJobUnits({ job, edit }: JobInHand): Display {
  const { display } = useUnits();
  const own = job.units ?? display;
  const change = useCallback(
    (units: Display) =>
      edit((draft) => {
        draft.head.units = units;
        for (const feature of Object.values(draft.features)) feature.question = inUnits(feature.question, units);
      }),
    [edit],
  );
  useOwnUnits(own, change);
  return own;
}
