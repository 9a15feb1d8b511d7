'use client';

import { useSearchParams } from 'next/navigation';

/** The tab that is open, kept in the address: reloading it, or sending it on, opens the same. */
export function useTab<T extends string>(tabs: readonly (readonly [T, unknown])[], key = 'tab') {
  const params = useSearchParams();
  const value = tabs.find(([id]) => id === params.get(key))?.[0] ?? tabs[0][0];
  const onValueChange = (next: string): void => {
    const changed = new URLSearchParams(window.location.search);
    changed.set(key, next);
    window.history.replaceState(null, '', `?${changed}`);
  };
  return { value, onValueChange };
}
