'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { DATA_MARK } from '@/contracts/data-mark';
import type { FeatureInput, Job, JobFeature } from '@/contracts/job';
import { useUndoKeys } from '@/ui/use-undo-keys';
import { putFeatures } from './job-document';
import { storeOf } from './job-store';
import { whenSaved } from './tabs';

/** How often it is asked what others changed, ms. */
const ASK_MS = 4000;

/** The job as the server has it, and which data that is of; what this reader has already is not sent again. */
async function load(id: string, version: number): Promise<{ job?: Job; mark: string; gone?: boolean }> {
  const response = await fetch(`/api/v1/jobs/${id}`, { headers: { 'if-none-match': `"${version}"` } });
  const mark = response.headers.get(DATA_MARK) ?? '';
  if (response.status === 304) return { mark };
  if (response.status === 404) return { mark, gone: true };
  if (!response.ok) throw new Error(`The server answered ${response.status}.`);
  return { job: (await response.json()) as Job, mark };
}

/** What of a job is laid out: its part and its features in their order. */
export interface Laid<F extends FeatureInput = JobFeature> {
  part: Job['part'];
  holes: F[];
}

/**
 * A job that a view edits: one state, with undo, for all views of it in this tab. Edits are kept in the browser at once,
 * sent soon, and again until the server has them.
 */
export function useJob(first: Job) {
  const [store] = useState(() => storeOf(first));
  const state = useSyncExternalStore(store.subscribe, store.getState, store.getState);
  const key = ['job', first.id];
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: key,
    queryFn: async () => {
      const { job, mark, gone } = await load(first.id, store.version);
      const whole = store.isOtherData(mark) && !job && !gone ? (await load(first.id, -1)).job : job;
      store.heard(mark, whole, gone);
      return whole ?? client.getQueryData<Job>(key) ?? first;
    },
    initialData: first,
    refetchInterval: ASK_MS,
    staleTime: 0,
  });
  useEffect(() => store.receive(first), [store, first]);
  useEffect(() => store.receive(data), [store, data]);
  useEffect(() => {
    void store.takeUp();
    const online = (): void => store.flush();
    const leave = (): void => store.flush(true);
    window.addEventListener('online', online);
    window.addEventListener('pagehide', leave);
    const stop = whenSaved((id) => id === first.id && void client.invalidateQueries({ queryKey: ['job', id] }));
    return () => {
      window.removeEventListener('online', online);
      window.removeEventListener('pagehide', leave);
      stop();
      store.flush();
    };
  }, [store, client, first.id]);
  useUndoKeys(store.undo, store.redo);

  /** Changes part and features as a whole; what differs becomes the change. */
  const editLaid = useCallback(
    (change: (laid: Laid) => Laid<FeatureInput>, typing = false) =>
      store.edit((draft) => {
        const { part, holes } = store.getState().job;
        const next = change({ part, holes });
        if (next.part !== part) draft.head.part = next.part;
        putFeatures(draft, next.holes);
      }, typing),
    [store],
  );
  return { ...state, store, edit: store.edit, editLaid, undo: store.undo, redo: store.redo };
}

export type JobInHand = ReturnType<typeof useJob>;
