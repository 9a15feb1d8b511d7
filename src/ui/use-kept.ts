'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Sent } from './send';

interface History<T> {
  past: T[];
  now: T;
  future: T[];
}

const MOST_STEPS = 200;
const SAVE_AFTER_MS = 600;

/** A value with undo and redo. */
export function useHistory<T>(first: T) {
  const [history, setHistory] = useState<History<T>>({ past: [], now: first, future: [] });
  const edit = useCallback((change: (value: T) => T) => {
    setHistory(({ past, now }) => ({ past: [...past.slice(-MOST_STEPS), now], now: change(now), future: [] }));
  }, []);
  const undo = useCallback(
    () =>
      setHistory((h) =>
        h.past.length === 0
          ? h
          : { past: h.past.slice(0, -1), now: h.past[h.past.length - 1], future: [h.now, ...h.future] },
      ),
    [],
  );
  const redo = useCallback(
    () =>
      setHistory((h) =>
        h.future.length === 0 ? h : { past: [...h.past, h.now], now: h.future[0], future: h.future.slice(1) },
      ),
    [],
  );
  return { now: history.now, edit, undo, redo, canUndo: history.past.length > 0, canRedo: history.future.length > 0 };
}

/**
 * Keeps a value on the server a moment after each edit, one write after the other, and at once when the page goes.
 * @param write sends a value made from a known version; its answer carries the next
 */
export function useKept<T>(
  value: T,
  first: number,
  write: (value: T, version: number, leaving: boolean) => Promise<Sent<{ version: number }>>,
): { kept: boolean; fault?: string } {
  const [lastKept, setLastKept] = useState(value);
  const [fault, setFault] = useState<string>();
  const queue = useRef(Promise.resolve());
  const version = useRef(first);
  const wanted = useRef(value);
  const sent = useRef<T | undefined>(value);
  const keep = useCallback(
    (leaving = false): void => {
      const next = wanted.current;
      if (next === sent.current) return;
      sent.current = next;
      queue.current = queue.current.then(async () => {
        const got = await write(next, version.current, leaving);
        if (got.ok) {
          version.current = got.value.version;
          setLastKept(next);
          setFault(undefined);
        } else {
          // Not kept: the next edit, or leaving the page, tries again.
          sent.current = undefined;
          setFault(got.fault);
        }
      });
    },
    [write],
  );
  useEffect(() => {
    wanted.current = value;
    if (value === sent.current) return undefined;
    const timer = setTimeout(() => keep(), SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [value, keep]);
  useEffect(() => {
    const hide = (): void => keep(true);
    window.addEventListener('pagehide', hide);
    return () => {
      window.removeEventListener('pagehide', hide);
      keep();
    };
  }, [keep]);
  return { kept: value === lastKept, fault };
}

/** Ctrl or command with Z and Y, outside of fields. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).matches('input, textarea')) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
