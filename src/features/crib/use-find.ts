'use client';

import { useSearchParams } from 'next/navigation';
import { useState } from 'react';

/** Whether a text has every word that is looked for. @param wanted in lower case */
export const hasWords = (text: string, wanted: string): boolean =>
  wanted.split(/\s+/).every((word) => text.toLowerCase().includes(word));

/**
 * Entries found by what is typed; what was just added is never hidden by a search for something else: it is looked for then.
 * @param isLike whether an entry is what is looked for; the text is in lower case, empty where nothing is
 * @param nameOf finds an entry when it is typed; left out, all are shown
 */
export function useFind<T>(
  entries: readonly T[],
  isLike: (entry: T, wanted: string) => boolean,
  nameOf: (entry: T) => string = () => '',
) {
  const [search, setSearch] = useState(useSearchParams().get('find') ?? '');
  const wanted = search.trim().toLowerCase();
  const show = (entry: T): void => {
    if (!isLike(entry, wanted)) setSearch(nameOf(entry));
  };
  return {
    search,
    setSearch,
    wanted,
    shown: entries.filter((entry) => isLike(entry, wanted)),
    /** An entry that was added. */
    show,
    /** One that is being added. @param adding resolves to what is wrong, or to nothing when it is saved */
    showAdded: async (entry: T, adding: Promise<string | undefined>): Promise<string | undefined> => {
      const wrong = await adding;
      if (wrong === undefined) show(entry);
      return wrong;
    },
  };
}
