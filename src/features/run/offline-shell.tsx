'use client';

import { useEffect, useState } from 'react';
import { OFFLINE_PAGES } from '../job-store/forget-reads';
import { isKept } from '../job-store/query-provider';

/** How often it is looked whether everything is kept, ms. */
const LOOK_MS = 500;

/** Keeps the page of a job that it stands on for when there is no network. @returns whether it and what it reads is kept by now */
export function useOfflineShell(jobId: string): boolean {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let gone = false;
    void (async () => {
      await navigator.serviceWorker.register('/serwist/sw.js', { scope: '/', type: 'module' });
      await navigator.serviceWorker.ready;
      const pages = await caches.open(OFFLINE_PAGES);
      const here = await fetch(location.pathname, { headers: { accept: 'text/html' } }).catch(() => undefined);
      if (here?.ok && !here.redirected) await pages.put(location.pathname, here);
      const reads = [
        ['routes', jobId],
        ['records', jobId, 'bench'],
      ];
      while (!gone) {
        if ((await pages.match(location.pathname, { ignoreVary: true })) && (await isKept(reads))) return setKept(true);
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
      }
    })().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [jobId]);
  return kept;
}
