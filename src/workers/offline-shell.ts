import { NetworkFirst, Serwist, type PrecacheEntry } from 'serwist';

declare const self: { __SW_MANIFEST?: (PrecacheEntry | string)[] };

/** Name of the cache of pages; a page that is to be there without a network puts itself in. */
const PAGES = 'bench-pages';
/** A network that answers slower than this is as good as none, s. */
const PATIENCE_S = 0.6;

/** A worker's script reads its settings out of the address that it came by, which an answer from here would leave out. */
const isWorker = (url: string): boolean => url.includes('turbopack-worker');

/** The bench, its checks and practice open without a network; everything else goes straight to the server. */
new Serwist({
  precacheEntries: self.__SW_MANIFEST?.filter((entry) => !isWorker(typeof entry === 'string' ? entry : entry.url)),
  skipWaiting: true,
  clientsClaim: true,
  navigationPreload: false,
  runtimeCaching: [
    {
      matcher: ({ request, url }) =>
        request.mode === 'navigate' &&
        /^(\/jobs\/[\w-]+\/(bench|check)|\/practice(\/(tap|press|punch|why))?)$/.test(url.pathname),
      handler: new NetworkFirst({
        cacheName: PAGES,
        networkTimeoutSeconds: PATIENCE_S,
        matchOptions: { ignoreSearch: true, ignoreVary: true },
      }),
    },
  ],
}).addEventListeners();
