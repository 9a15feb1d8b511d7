'use client';

import { useEffect, useRef, useState } from 'react';
import type { Proposal } from '@/core/rehearsal/proposals';
import type { Rehearsed } from '@/core/rehearsal/rehearse';
import type { RehearsalMessage, RehearsalRequest } from '@/workers/rehearse';

/** The same luck at every look, so that a change is told from chance. */
const SEED = 1;

export type ToRehearse = Omit<RehearsalRequest, 'seed'>;

/** What a rehearsal has come to so far. */
interface Found {
  of: ToRehearse;
  /** 0 to 1. */
  share: number;
  rehearsed?: Rehearsed;
  proposals?: Proposal[];
  fault?: string;
}

/** Rehearses a job beside the page: first figures at once, finer while one looks; ended by cancel, or by another request. */
export function useRehearsal(request: ToRehearse) {
  const [last, setLast] = useState<Found>();
  const worker = useRef<Worker>(undefined);
  useEffect(() => () => worker.current?.terminate(), [request]);
  const found = last?.of === request ? last : undefined;
  const begin = (): void => {
    worker.current?.terminate();
    const own = new Worker(new URL('../workers/rehearse.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    setLast({ of: request, share: 0 });
    const say = (more: Partial<Found>): void =>
      setLast((before) => (worker.current === own ? { share: 0, ...before, of: request, ...more } : before));
    own.onmessage = ({ data }: MessageEvent<RehearsalMessage>) => {
      say(data);
      if (!('share' in data)) own.terminate();
    };
    own.onerror = ({ message }) => say({ fault: message });
    own.postMessage({ ...request, seed: SEED } satisfies RehearsalRequest);
  };
  const cancel = (): void => {
    worker.current?.terminate();
    // One that was ended may still have something to say.
    worker.current = undefined;
    setLast(undefined);
  };
  return { found, isRunning: found !== undefined && !found.proposals && !found.fault, begin, cancel };
}
