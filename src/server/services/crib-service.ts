import { z } from 'zod';
import {
  CRIB_INPUT,
  versionField,
  type cribImport,
  type CribItem,
  type CribKind,
  type inUseChange,
  type missingDrill,
  type ShopChange,
} from '@/contracts/crib';
import type { Database } from '../database';
import {
  drillsOfSize,
  inCrib,
  insertItem,
  markDrill,
  putItem,
  removeItem,
  setInUse,
  updateItem,
  updateShop,
} from '../repositories/crib-repository';
import { writing } from '../writing';
import { Refusal } from '../refusal';

const stale = (what: string): Refusal =>
  new Refusal(409, 'Changed elsewhere', `${what} was changed elsewhere.`, [
    { field: 'version', code: 'version-old', detail: 'The version is old.', remedy: 'Reload the crib and repeat.' },
  ]);
const unknown = (): Refusal =>
  new Refusal(404, 'Not in the crib', 'There is no such entry.', [
    { field: 'id', code: 'crib-unknown', detail: 'Not in the crib.', remedy: 'Open the crib and pick from it.' },
  ]);
const taken = (id: string): Refusal =>
  new Refusal(409, 'In the crib already', `The id ${id} is in use.`, [
    { field: 'id', code: 'crib-exists', detail: 'This id is in use.', remedy: 'Send a new id, or change the entry.' },
  ]);

/** The kind of entry that an address names. @throws Refusal 404 */
export function cribKind(kind: string): CribKind {
  if (!Object.hasOwn(CRIB_INPUT, kind)) throw unknown();
  return kind as CribKind;
}

/** Body of a change: the entry whole, with the version that it was made from. */
export const changeSchema = (kind: CribKind) => z.strictObject({ ...CRIB_INPUT[kind].shape, ...versionField.shape });

/** Puts a machine or drill case in or out of use. */
export async function changeInUse(
  db: Database,
  kind: string,
  id: string,
  change: z.infer<typeof inUseChange>,
): Promise<void> {
  await writing(db, async (tx) => {
    if ((kind !== 'machines' && kind !== 'cases') || !(await inCrib(tx, kind, id))) throw unknown();
    if (!(await setInUse(tx, kind, id, change.inUse, change.version))) throw stale('This entry');
  });
}

/** Adds an entry under an id that its maker chose. @throws Refusal 409 when the id is in use, 404 for a drill without its case */
export async function addItem<K extends CribKind>(db: Database, kind: K, item: CribItem<K>): Promise<void> {
  await writing(db, async (tx) => {
    if (kind === 'drills' && !(await inCrib(tx, 'cases', (item as CribItem<'drills'>).caseId))) throw unknown();
    if (!(await insertItem(tx, kind, item))) throw taken(item.id);
  });
}

/** Changes an entry made from a known version. */
export async function changeItem<K extends CribKind>(
  db: Database,
  kind: K,
  { version, ...item }: CribItem<K> & { version: number },
): Promise<void> {
  await writing(db, async (tx) => {
    if (!(await inCrib(tx, kind, item.id))) throw unknown();
    if (!(await updateItem(tx, kind, item as unknown as CribItem<K>, version))) throw stale('This entry');
  });
}

/** Takes an entry out; adding it again under its id undoes that. */
export async function takeOut(db: Database, kind: CribKind, id: string, version: number): Promise<void> {
  await writing(db, async (tx) => {
    if (!(await inCrib(tx, kind, id))) throw unknown();
    if (!(await removeItem(tx, kind, id, version))) throw stale('This entry');
  });
}

/** Adds drills, tools and taps together: all of them, or none. Those whose id is there already are changed. */
export async function importCrib(db: Database, { drills, tools, taps }: z.infer<typeof cribImport>): Promise<void> {
  await writing(db, async (tx) => {
    for (const [kind, list] of [
      ['drills', drills],
      ['tools', tools],
      ['taps', taps],
    ] as const)
      for (const item of list) {
        if (kind === 'drills' && !(await inCrib(tx, 'cases', (item as CribItem<'drills'>).caseId))) throw unknown();
        await putItem(tx, kind, item as never);
      }
  });
}

/** Marks every sound drill of a size in use as lost, or marks drills as they were before; answers with how they were. */
export async function markMissing(db: Database, { diameterMm, restore }: z.infer<typeof missingDrill>) {
  return writing(db, async (tx) => {
    const marks = diameterMm === undefined ? [] : await drillsOfSize(tx, diameterMm);
    for (const { id } of marks) await markDrill(tx, { id, condition: 'lost' });
    for (const mark of restore) await markDrill(tx, mark);
    return { marks };
  });
}

/** Changes the shop's habits. */
export async function changeShop(db: Database, change: ShopChange): Promise<void> {
  await writing(db, async (tx) => {
    if (!(await updateShop(tx, change))) throw stale('The shop');
  });
}
