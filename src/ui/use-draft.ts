'use client';

import { useCallback, useSyncExternalStore } from 'react';

const PREFIX = 'jolly-bit-draft ';
const listeners = new Set<() => void>();
/** What the browser would not keep, so that typing goes on. */
const unkept = new Map<string, string>();

function read(key: string): string {
  try {
    return unkept.get(key) ?? localStorage.getItem(PREFIX + key) ?? '';
  } catch {
    return unkept.get(key) ?? '';
  }
}

function write(key: string, text: string): void {
  try {
    unkept.delete(key);
    if (text === '') localStorage.removeItem(PREFIX + key);
    else localStorage.setItem(PREFIX + key, text);
  } catch {
    unkept.set(key, text);
  }
  listeners.forEach((listener) => listener());
}

/** Also told of what another tab keeps, so that neither writes over it. */
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
};

/** A line that is being typed: it survives a reload until it is set to nothing. */
export function useDraft(key: string): [text: string, setText: (text: string) => void] {
  const text = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => '',
  );
  return [text, useCallback((next: string) => write(key, next), [key])];
}
