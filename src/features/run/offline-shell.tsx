'use client';

import { useEffect, useState } from 'react';

const PAGES = 'bench-pages';

/** Keeps the page that it stands on for when there is no network. @returns whether it is kept by now */
export function useOfflineShell(): boolean {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let gone = false;
    void (async () => {
      await navigator.serviceWorker.register('/serwist/sw.js', { scope: '/', type: 'module' });
      await navigator.serviceWorker.ready;
      const pages = await caches.open(PAGES);
      const here = await fetch(location.pathname, { headers: { accept: 'text/html' } }).catch(() => undefined);
      if (here?.ok && !here.redirected) await pages.put(location.pathname, here);
      const there = await pages.match(location.pathname, { ignoreVary: true });
      if (!gone) setKept(there !== undefined);
    })().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return kept;
}
