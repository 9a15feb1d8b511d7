'use client';

import { QueryClient } from '@tanstack/react-query';
import { PersistQueryClientProvider, type PersistedClient, type Persister } from '@tanstack/react-query-persist-client';
import { useState, type ReactNode } from 'react';
import { browserStore } from './outbox';

const KEY = 'queries';
const WEEK_MS = 7 * 24 * 3600 * 1000;

/** What was read is kept in the browser's own store, so that a view has it before the server answers. */
const persister: Persister = {
  persistClient: async (client) => void (await (await browserStore())?.cache.put({ key: KEY, value: client })),
  restoreClient: async () => (await (await browserStore())?.cache.get(KEY))?.value as PersistedClient | undefined,
  removeClient: async () => void (await (await browserStore())?.cache.delete(KEY)),
};

/** Reads of the views of a job: one cache for them, kept over reloads. */
export function QueryProvider({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { gcTime: WEEK_MS, retry: false, networkMode: 'always' } } }),
  );
  return (
    <PersistQueryClientProvider client={client} persistOptions={{ persister, maxAge: WEEK_MS }}>
      {children}
    </PersistQueryClientProvider>
  );
}
