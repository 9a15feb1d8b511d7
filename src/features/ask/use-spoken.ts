import { useEffect, useMemo, useState } from 'react';
import type { AskForm } from '@/core/hole/form';
import type { SpokenQuestion, spokenQuestion } from '@/core/hole/spoken-question';
import type { Shop } from '@/core/shop/shop';
import { readCallout } from '@/core/threads/read-callout';

export interface Heard {
  said: SpokenQuestion;
  /** What the question becomes. */
  part: Partial<AskForm>;
}

/** A line that is no callout as it stands, as it was said: hole, metal and machine; undefined where it is one, or says nothing. */
export function useSpoken(callout: string, shop: Shop): Heard | undefined {
  const [read, setRead] = useState<{ with: typeof spokenQuestion }>();
  const isSaid = callout.trim() !== '' && !readCallout(callout).ok;
  useEffect(() => {
    if (isSaid) void import('@/core/hole/spoken-question').then((m) => setRead({ with: m.spokenQuestion }));
  }, [isSaid]);
  return useMemo(() => {
    const said = isSaid ? read?.with(callout, shop) : undefined;
    if (!said) return undefined;
    const { material, machine } = said;
    return {
      said,
      part: {
        callout: said.callout,
        ...(material ? { material: material.id } : {}),
        ...(machine ? { machine: machine.id } : {}),
      },
    };
  }, [isSaid, read, callout, shop]);
}
