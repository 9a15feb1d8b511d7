'use client';

import { useSyncExternalStore } from 'react';

const listen = (changed: () => void): (() => void) => {
  window.addEventListener('resize', changed);
  return () => window.removeEventListener('resize', changed);
};

/** Height of the window less what stands above, px; 0 before it is known. */
export const useHeight = (less: number): number =>
  useSyncExternalStore(
    listen,
    () => window.innerHeight - less,
    () => 0,
  );
