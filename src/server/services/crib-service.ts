import type { z } from 'zod';
import type { inUseChange, ShopChange } from '@/contracts/crib';
import type { Database } from '../database';
import { inCrib, setInUse, updateShop } from '../repositories/crib-repository';
import { Refusal } from './refusal';

const KIND = { machines: 'machines', cases: 'drillCases' } as const;

const stale = (what: string): Refusal =>
  new Refusal(409, 'Changed meanwhile', `${what} was changed elsewhere.`, [
    { field: 'version', code: 'version-old', detail: 'The version is old.', remedy: 'Load the crib again and repeat.' },
  ]);

/** Puts a machine or drill case in or out of use. */
export async function changeInUse(
  db: Database,
  kind: string,
  id: string,
  change: z.infer<typeof inUseChange>,
): Promise<void> {
  const table = KIND[kind as keyof typeof KIND];
  if (!table || !(await inCrib(db, table, id)))
    throw new Refusal(404, 'Not in the crib', 'There is no such machine or case.', [
      { field: 'id', code: 'crib-unknown', detail: 'Not in the crib.', remedy: 'Open the crib and choose from it.' },
    ]);
  if (!(await setInUse(db, table, id, change.inUse, change.version))) throw stale('This entry');
}

/** Changes the shop's habits. */
export async function changeShop(db: Database, change: ShopChange): Promise<void> {
  if (!(await updateShop(db, change))) throw stale('The shop');
}
