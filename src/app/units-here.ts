import { cookies } from 'next/headers';
import { DISPLAYS, type Display } from '@/core/units/show';
import { shopRow } from '@/server/repositories/crib-repository';
import { database } from '@/server/start';
import { UNITS_COOKIE } from '@/ui/units-cookie';

/** The unit that this browser was last switched to, else the shop's. */
export async function unitsHere(): Promise<Display> {
  const chosen = (await cookies()).get(UNITS_COOKIE)?.value;
  const known = DISPLAYS.find((d) => d === chosen);
  return known ?? (await shopRow(await database()))?.units ?? 'mm';
}
