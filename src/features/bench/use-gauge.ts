import { useSyncExternalStore } from 'react';
import { GAUGES, usualGauge, type Gauge } from '@/core/layout/height-list';
import type { Display } from '@/core/units/show';

const KEY = 'height-gauge';
const listeners = new Set<() => void>();

function listen(onChange: () => void): () => void {
  listeners.add(onChange);
  return () => listeners.delete(onChange);
}

/** The height gauge of this bench, kept by its browser; the usual one for the unit where none was picked. */
export function useGauge(display: Display): [Gauge, (gauge: Gauge) => void] {
  const picked = useSyncExternalStore(
    listen,
    () => localStorage.getItem(KEY),
    () => null,
  );
  const gauge = GAUGES.find(([id]) => id === picked)?.[0] ?? usualGauge(display);
  return [
    gauge,
    (next) => {
      localStorage.setItem(KEY, next);
      for (const tell of listeners) tell();
    },
  ];
}
