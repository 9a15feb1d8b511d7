import { shopTime } from '@/core/units/shop-time';
import type { Database } from '../database';
import { shopRow } from '../repositories/crib-repository';

/** The zone of this computer, which is that of the shop until somebody names another. */
export const zoneOfServer = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** IANA name of the zone whose clock hangs in the shop. */
export const zoneNow = async (db: Database): Promise<string> => (await shopRow(db))?.timeZone ?? zoneOfServer();

/**
 * When a day begins in the shop.
 * @param date 2026-11-30
 * @param zone IANA name of the zone of the shop
 * @returns ms since 1970
 */
export function dayBegins(date: string, zone: string): number {
  const utc = Date.parse(`${date}T00:00Z`);
  const offset = (ms: number): number => Date.parse(`${shopTime(ms, zone, 'time').replace(' ', 'T')}Z`) - ms;
  // Clocks are changed in the small hours: the guess may lie on the other side of that.
  return utc - offset(utc - offset(utc));
}
