'use client';

import { useCallback, useSyncExternalStore } from 'react';
import { remember, remembered } from '@/ui/browser-memory';

/** How this bench is set: kept in this browser. */
export interface BenchSettings {
  theme: 'light' | 'dark';
  /** Sound and flash at the last safe turn. */
  signals: boolean;
  /** Name of a further key that means done: that of a foot switch. */
  pedal: string;
}

const KEY = 'jolly-bit-bench';
const USUAL: BenchSettings = { theme: 'light', signals: true, pedal: '' };
const heard = new Set<() => void>();
let cached: { text: string | null; settings: BenchSettings } = { text: null, settings: USUAL };

function stored(): BenchSettings {
  const text = remembered(KEY);
  if (text !== cached.text)
    try {
      cached = { text, settings: { ...USUAL, ...(JSON.parse(text ?? '{}') as Partial<BenchSettings>) } };
    } catch {
      cached = { text, settings: USUAL };
    }
  return cached.settings;
}

const subscribe = (on: () => void): (() => void) => {
  heard.add(on);
  return () => void heard.delete(on);
};

export function useBenchSettings(): [BenchSettings, (change: Partial<BenchSettings>) => void] {
  const settings = useSyncExternalStore(subscribe, stored, () => USUAL);
  const change = useCallback((part: Partial<BenchSettings>): void => {
    remember(KEY, JSON.stringify({ ...stored(), ...part }));
    heard.forEach((on) => on());
  }, []);
  return [settings, change];
}
