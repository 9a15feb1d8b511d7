'use client';

import { useEffect, useState } from 'react';
import { OFFLINE_PAGES } from '../job-store/forget-reads';
import { isKept } from '../job-store/query-provider';

/** How often it is looked whether everything is kept, ms. */
const LOOK_MS = 500;

/** Whether a page opens without a network: it does, not yet, or it cannot at this address or in this browser. */
export type Shell = 'kept' | 'not yet' | 'cannot';

/** The pages that open without a network, once there is something that serves them. */
async function offlinePages(): Promise<Cache> {
  if (!('serviceWorker' in navigator)) throw new Error('No page can be kept at this address.');
  await navigator.serviceWorker.register('/serwist/sw.js', { scope: '/', type: 'module' });
  await navigator.serviceWorker.ready;
  return caches.open(OFFLINE_PAGES);
}

/** Keeps the page that one is on; one that could not be fetched is asked for again: the one that was kept before serves meanwhile. */
async function putPage(pages: Cache): Promise<boolean> {
  const here = await fetch(location.pathname, { headers: { accept: 'text/html' } }).catch(() => undefined);
  if (!here?.ok || here.redirected) return false;
  await pages.put(location.pathname, here);
  return true;
}

/** Keeps the page that it stands on for when there is no network. @returns whether it is kept by now */
export function useKeptPage(): boolean {
  const [kept, setKept] = useState(false);
  useEffect(() => {
    // Where nothing can be kept it needs the network, and says nothing of it.
    void offlinePages()
      .then(putPage)
      .then(setKept, () => undefined);
  }, []);
  return kept;
}

/**
 * Keeps the page of a job that it stands on for when there is no network.
 * @param records whether what was recorded is kept by now
 */
export function useOfflineShell(jobId: string, records: boolean): Shell {
  const [shell, setShell] = useState<'page' | 'not yet' | 'cannot'>('not yet');
  useEffect(() => {
    let gone = false;
    void (async () => {
      const pages = await offlinePages();
      let isFetched = await putPage(pages);
      while (!gone) {
        const page = await pages.match(location.pathname, { ignoreVary: true });
        if (page && (await isKept([['routes', jobId]]))) return setShell('page');
        await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
        isFetched ||= await putPage(pages);
      }
    })().catch(() => setShell('cannot'));
    return () => {
      gone = true;
    };
  }, [jobId]);
  return shell === 'page' ? (records ? 'kept' : 'not yet') : shell;
}

/** What a person is told of that. */
export const SHELL_SAID: Record<Shell, string> = {
  kept: 'Kept here: opens without a network.',
  'not yet': 'Not kept here yet: needs the network.',
  cannot: 'Can’t be kept here: needs the network, or the shop’s https address.',
};
