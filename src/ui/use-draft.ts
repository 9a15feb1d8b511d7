'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { remember, remembered } from './browser-memory';

const PREFIX = 'jolly-bit-draft ';
const listeners = new Set<() => void>();

const read = (key: string): string => remembered(PREFIX + key) ?? '';

function write(key: string, text: string): void {
  remember(PREFIX + key, text === '' ? null : text);
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
