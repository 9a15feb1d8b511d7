'use client';

import { useSearchParams } from 'next/navigation';
import { useState } from 'react';

/** Entries that have every word typed; what was just added is never hidden by a search for something else. */
export function useFind<T>(entries: readonly T[], textOf: (entry: T) => string) {
  const [search, setSearch] = useState(useSearchParams().get('find') ?? '');
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const isFound = (entry: T): boolean => {
    const text = textOf(entry).toLowerCase();
    return words.every((w) => text.includes(w));
  };
  return {
    search,
    setSearch,
    shown: entries.filter(isFound),
    /** @param adding resolves to what is wrong, or to nothing when it is saved */
    showAdded: async (entry: T, adding: Promise<string | undefined>): Promise<string | undefined> => {
      const wrong = await adding;
      if (wrong === undefined && !isFound(entry)) setSearch('');
      return wrong;
    },
  };
}
