import { forgetKept } from './outbox';
import { noteSignedIn } from './signed-in';

/** Name of the cache of pages that open without a network. */
export const OFFLINE_PAGES = 'bench-pages';

/** Forgets who was signed in and what this browser read of the shop; what waits for the server stays until it is sent. */
export async function forgetReads(): Promise<void> {
  noteSignedIn(undefined);
  await forgetKept();
  if ('caches' in window) await caches.delete(OFFLINE_PAGES);
}
