'use client';

import { useSyncExternalStore } from 'react';

/** Changes that the server will not take as they are, each with its job: somebody has to choose there. */
const undecided = new Map<string, string>();
const listeners = new Set<() => void>();
let jobs: ReadonlySet<string> = new Set();
const NONE: ReadonlySet<string> = new Set();

function tell(): void {
  jobs = new Set(undecided.values());
  listeners.forEach((listener) => listener());
}

export const isUndecided = (id: string): boolean => undecided.has(id);

/** A change waits until its job is opened; it is not sent again before. */
export function leaveUndecided(id: string, jobId: string): void {
  undecided.set(id, jobId);
  tell();
}

/** These wait no longer. */
export function decided(ids: readonly string[]): void {
  if (ids.filter((id) => undecided.delete(id)).length > 0) tell();
}

/** Only these still wait: what another tab has decided is not told here any more. */
export function stillWaiting(ids: readonly string[]): void {
  decided([...undecided.keys()].filter((id) => !ids.includes(id)));
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Jobs in which somebody has to choose between a change that was left behind here and what is there now. */
export const useUndecidedJobs = (): ReadonlySet<string> =>
  useSyncExternalStore(
    subscribe,
    () => jobs,
    () => NONE,
  );
