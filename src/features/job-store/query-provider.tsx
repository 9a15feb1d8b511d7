'use client';

import { hashKey, QueryClient, type QueryKey } from '@tanstack/react-query';
import { PersistQueryClientProvider, type PersistedClient, type Persister } from '@tanstack/react-query-persist-client';
import { useState, type ReactNode } from 'react';
import { inStore } from './outbox';

const KEY = 'queries';
const WEEK_MS = 7 * 24 * 3600 * 1000;

/** What was read is written at most so often, ms: a large route takes its time. */
const WRITE_MS = 1000;
let unwritten: PersistedClient | undefined;
let writes: ReturnType<typeof setTimeout> | undefined;

/** What was read is kept in the browser's own store, so that a view has it before the server answers. */
const persister: Persister = {
  persistClient: (client) => {
    unwritten = client;
    writes ??= setTimeout(() => {
      writes = undefined;
      const value = unwritten;
      void inStore((store) => store.cache.put({ key: KEY, value }));
    }, WRITE_MS);
  },
  restoreClient: async () => (await inStore((store) => store.cache.get(KEY)))?.value as PersistedClient | undefined,
  removeClient: async () => void (await inStore((store) => store.cache.delete(KEY))),
};

/** Whether the answers to some queries are in the browser's own store by now. */
export async function isKept(keys: readonly QueryKey[]): Promise<boolean> {
  const queries = (await persister.restoreClient())?.clientState.queries;
  return keys.every((key) => queries?.some((q) => q.queryHash === hashKey(key)));
}

/** What has data is written, also where asking for it anew has failed since; what is kept apart is not written with the rest. */
const isWrittenHere = ({ meta, state }: { meta?: Record<string, unknown>; state: { data: unknown } }): boolean =>
  state.data !== undefined && meta?.keptApart !== true;

/** Reads of the views of a job: one cache for them, kept over reloads. */
export function QueryProvider({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { gcTime: WEEK_MS, retry: false, networkMode: 'always' } } }),
  );
  return (
    <PersistQueryClientProvider
      client={client}
      persistOptions={{ persister, maxAge: WEEK_MS, dehydrateOptions: { shouldDehydrateQuery: isWrittenHere } }}
    >
      {children}
    </PersistQueryClientProvider>
  );
}
