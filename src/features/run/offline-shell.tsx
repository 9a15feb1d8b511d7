'use client';

import { useEffect } from 'react';

const PAGES = 'bench-pages';

/** Keeps the page that it stands on for when there is no network. */
export function OfflineShell() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let gone = false;
    void (async () => {
      await navigator.serviceWorker.register('/serwist/sw.js', { scope: '/', type: 'module' });
      await navigator.serviceWorker.ready;
      if (gone || !navigator.onLine) return;
      const here = await fetch(location.pathname, { headers: { accept: 'text/html' } });
      if (here.ok && !here.redirected) await (await caches.open(PAGES)).put(location.pathname, here);
    })().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, []);
  return null;
}
