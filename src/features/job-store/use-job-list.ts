'use client';

import { useEffect, useState } from 'react';
import type { JobPage } from '@/contracts/job';
import { send } from '@/ui/send';

const SEARCH_AFTER_MS = 250;

/** Jobs to choose one from: the newest, or those that have the words searched for. */
export function useJobList(open = true) {
  const [search, setSearch] = useState('');
  const [page, setPage] = useState<JobPage>();
  const [fault, setFault] = useState<string>();
  useEffect(() => {
    if (!open) return undefined;
    let left = false;
    const timer = setTimeout(
      () => {
        void send<JobPage>('GET', `/api/v1/jobs?search=${encodeURIComponent(search.trim())}`).then((got) => {
          if (left) return;
          setFault(got.ok ? undefined : got.fault);
          if (got.ok) setPage(got.value);
        });
      },
      search === '' ? 0 : SEARCH_AFTER_MS,
    );
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [open, search]);
  /** More than one page holds: a search is worth its place. */
  const many = search !== '' || (page?.pages ?? 1) > 1;
  return { jobs: page?.jobs ?? [], ready: page !== undefined, many, search, setSearch, fault };
}
