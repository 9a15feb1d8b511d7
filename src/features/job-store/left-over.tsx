'use client';

import { useEffect } from 'react';
import { stillWaiting } from './undecided';
import { somethingWaits } from './waits';

const AGAIN_MS = 10_000;

/** On every page: what was typed or recorded before and did not reach the server is sent, whatever is open now. */
export function LeftOver() {
  useEffect(() => {
    const work = (): void =>
      void somethingWaits().then(async (waits) => {
        if (!waits) return stillWaiting([]);
        const [{ sendChanges, sendRecords }, { sendPractised }] = await Promise.all([
          import('./sender'),
          import('./practised'),
        ]);
        await Promise.all([sendChanges(), sendRecords(), sendPractised()]);
      });
    const first = setTimeout(work, 500);
    const again = setInterval(work, AGAIN_MS);
    return () => {
      clearTimeout(first);
      clearInterval(again);
    };
  }, []);
  return null;
}
