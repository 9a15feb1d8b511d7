'use client';

import { createContext, useContext, useSyncExternalStore, type ReactNode } from 'react';
import { shopTime } from '@/core/units/shop-time';

const Zone = createContext('UTC');

/** The zone whose clock hangs in the shop: all dates on all pages are by it. */
export function ShopClock({ zone, children }: { zone: string; children: ReactNode }) {
  return <Zone.Provider value={zone}>{children}</Zone.Provider>;
}
export const useShopZone = (): string => useContext(Zone);

/** A moment that was recorded or saved, as the shop says it. @param iso ISO 8601 */
export function useShopTime(): (iso: string, as: Parameters<typeof shopTime>[2]) => string {
  const zone = useShopZone();
  return (iso, as) => shopTime(Date.parse(iso), zone, as);
}

const LOOK_MS = 60_000;
const everyMinute = (look: () => void): (() => void) => {
  const timer = setInterval(look, LOOK_MS);
  return () => clearInterval(timer);
};

/** Today in the shop, 2026-11-30; undefined until the page is in the browser, as only there it is known for good. */
export function useToday(): string | undefined {
  const zone = useShopZone();
  return useSyncExternalStore(
    everyMinute,
    () => shopTime(Date.now(), zone, 'date'),
    () => undefined,
  );
}
