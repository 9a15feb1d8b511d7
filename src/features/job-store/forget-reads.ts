import { browserStore } from './outbox';

/** Name of the cache of pages that open without a network. */
export const OFFLINE_PAGES = 'bench-pages';

/** Forgets what this browser read of the shop; what waits for the server stays until it is sent. */
export async function forgetReads(): Promise<void> {
  const store = await browserStore();
  await store?.cache.clear();
  if ('caches' in window) await caches.delete(OFFLINE_PAGES);
}
