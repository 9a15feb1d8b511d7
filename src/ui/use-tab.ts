'use client';

import { useSearchParams } from 'next/navigation';

/**
 * The tab that is open, kept in the address: reloading it, or sending it on, opens the same.
 * @param ofOne names in the address that belong to one tab alone: they go when it is left
 */
export function useTab<T extends string>(
  tabs: readonly (readonly [T, unknown])[],
  key = 'tab',
  ofOne: readonly string[] = [],
) {
  const params = useSearchParams();
  const value = tabs.find(([id]) => id === params.get(key))?.[0] ?? tabs[0][0];
  const onValueChange = (next: string): void => {
    const changed = new URLSearchParams(window.location.search);
    changed.set(key, next);
    for (const name of ofOne) changed.delete(name);
    window.history.replaceState(null, '', `?${changed}`);
  };
  return { value, onValueChange };
}
