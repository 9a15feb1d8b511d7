import type { Database } from '../database';
import { shopRow } from '../repositories/crib-repository';

/** The zone of this computer, which is that of the shop until somebody names another. */
export const zoneOfServer = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** IANA name of the zone whose clock hangs in the shop. */
export const zoneNow = async (db: Database): Promise<string> => (await shopRow(db))?.timeZone ?? zoneOfServer();
