import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import type {
  CaseEntry,
  CribItem,
  CribKind,
  DrillEntry,
  DrillMark,
  MachineEntry,
  MaterialEntry,
  ShopChange,
  TapEntry,
  ToolEntry,
} from '@/contracts/crib';
import { cribRevision, drillCases, drills, machines, materials, shop, taps, tools } from '../schema';
import type { Writer } from '../writing';

export type ShopRow = typeof shop.$inferSelect;

/** A row without the fields that are null. */
function present<T extends object>(row: T): { [K in keyof T]: Exclude<T[K], null> } {
  return Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as never;
}

/** Every machine of the crib, in the shop's order. */
export async function listMachines(db: Writer): Promise<MachineEntry[]> {
  const rows = await db.select().from(machines).orderBy(asc(machines.position), asc(machines.name));
  return rows.map(({ dialTravelMm, dialDivisions, position: _, ...row }) => ({
    ...present(row),
    ...(dialTravelMm && dialDivisions ? { dial: { travelMm: dialTravelMm, divisions: dialDivisions } } : {}),
  })) as MachineEntry[];
}

/** Every drill case with its drills by diameter. */
export async function listDrillCases(db: Writer): Promise<CaseEntry[]> {
  const cases = await db.select().from(drillCases).orderBy(asc(drillCases.position), asc(drillCases.name));
  const all = await db.select().from(drills).orderBy(asc(drills.diameterMm));
  return cases.map(({ position: _, ...row }) => ({
    ...row,
    drills: all.filter((d) => d.caseId === row.id).map(({ caseId: _c, ...drill }) => present(drill) as DrillEntry),
  }));
}

/** Every other tool, by kind and size. */
export async function listTools(db: Writer): Promise<ToolEntry[]> {
  const rows = await db.select().from(tools).orderBy(asc(tools.kind), asc(tools.diameterMm), asc(tools.name));
  return rows.map((row) => present(row) as ToolEntry);
}

/** Every tap, by thread and from the longest chamfer to the shortest. */
export async function listTaps(db: Writer): Promise<TapEntry[]> {
  const rows = await db.select().from(taps).orderBy(asc(taps.thread), desc(taps.chamferThreads), asc(taps.id));
  return rows.map((row) => present(row) as TapEntry);
}

export async function listMaterials(db: Writer): Promise<MaterialEntry[]> {
  const rows = await db.select().from(materials).orderBy(asc(materials.position), asc(materials.id));
  return rows.map((row) => ({ ...row.material, version: row.version }));
}

export async function shopRow(db: Writer): Promise<ShopRow | undefined> {
  return (await db.select().from(shop))[0];
}

/** Rises with every change of the crib or the shop. */
export async function findCribRevision(db: Writer): Promise<number> {
  return (await db.select().from(cribRevision))[0]?.revision ?? 0;
}

const TABLE = { machines, cases: drillCases, drills, tools, taps, materials } as const;

/** A body as the columns of its table; what is left out is emptied. */
function columns<K extends CribKind>(kind: K, item: CribItem<K>): Record<string, unknown> {
  if (kind === 'materials') return { material: item };
  if (kind === 'machines') {
    const { id: _, dial, ...rest } = item as CribItem<'machines'>;
    return {
      quillStrokeMm: null,
      powerW: null,
      depthStop: null,
      pulleys: null,
      chart: null,
      times: null,
      ...rest,
      dialTravelMm: dial?.travelMm ?? null,
      dialDivisions: dial?.divisions ?? null,
    };
  }
  const { id: _, ...rest } = item as { id: string };
  if (kind === 'tools')
    return {
      diameterMm: null,
      smallMm: null,
      stepMm: null,
      angleDeg: null,
      fit: null,
      reachMm: null,
      thread: null,
      fromNm: null,
      toNm: null,
      instrument: null,
      standardMm: null,
      readings: null,
      ...rest,
    };
  if (kind === 'taps') return { makesClass: null, ...rest };
  return kind === 'drills' ? { fluteMm: null, ...rest } : rest;
}

/** Adds an entry; the same id again fails, and the caller is told. */
export async function insertItem<K extends CribKind>(db: Writer, kind: K, item: CribItem<K>): Promise<boolean> {
  const row = {
    id: item.id,
    ...columns(kind, item),
    ...(kind === 'machines' || kind === 'cases' || kind === 'materials' ? { position: 999 } : {}),
  };
  const done = await db
    .insert(TABLE[kind])
    .values(row as never)
    .onConflictDoNothing()
    .returning({ id: TABLE[kind].id });
  return done.length > 0;
}

/** Adds an entry, or changes the one with its id whatever its version. */
export async function putItem<K extends CribKind>(db: Writer, kind: K, item: CribItem<K>): Promise<void> {
  const table = TABLE[kind];
  if (await insertItem(db, kind, item)) return;
  await db
    .update(table)
    .set({ ...columns(kind, item), version: sql`${table.version} + 1` } as never)
    .where(eq(table.id, item.id));
}

/** Changes an entry whose version still holds; says whether it did. */
export async function updateItem<K extends CribKind>(
  db: Writer,
  kind: K,
  item: CribItem<K>,
  version: number,
): Promise<boolean> {
  const table = TABLE[kind];
  const done = await db
    .update(table)
    .set({ ...columns(kind, item), version: version + 1 } as never)
    .where(and(eq(table.id, item.id), eq(table.version, version)))
    .returning({ id: table.id });
  return done.length > 0;
}

/** Whether there is neither a machine nor a case, in use or not. */
export async function isCribEmpty(db: Writer): Promise<boolean> {
  const [machine] = await db.select({ id: machines.id }).from(machines).limit(1);
  if (machine) return false;
  const [found] = await db.select({ id: drillCases.id }).from(drillCases).limit(1);
  return found === undefined;
}

/** Takes an entry out whose version still holds; says whether it did. */
export async function removeItem(db: Writer, kind: CribKind, id: string, version: number): Promise<boolean> {
  const table = TABLE[kind];
  const done = await db
    .delete(table)
    .where(and(eq(table.id, id), eq(table.version, version)))
    .returning({ id: table.id });
  return done.length > 0;
}

/** Puts a machine or case in or out of use, when its version still holds; says whether it did. */
export async function setInUse(
  db: Writer,
  kind: 'machines' | 'cases',
  id: string,
  inUse: boolean,
  version: number,
): Promise<boolean> {
  const table = TABLE[kind];
  const done = await db
    .update(table)
    .set({ inUse, version: sql`${table.version} + 1` })
    .where(and(eq(table.id, id), eq(table.version, version)))
    .returning({ id: table.id });
  return done.length > 0;
}

/** Sound drills of one size in the cases in use. */
export async function drillsOfSize(db: Writer, diameterMm: number): Promise<DrillMark[]> {
  return db
    .select({ id: drills.id, condition: drills.condition })
    .from(drills)
    .innerJoin(drillCases, eq(drillCases.id, drills.caseId))
    .where(
      and(
        eq(drillCases.inUse, true),
        sql`abs(${drills.diameterMm} - ${diameterMm}) < 0.0005`,
        inArray(drills.condition, ['sharp', 'worn']),
      ),
    );
}

/** Marks a drill whatever its version: what hangs in the case counts. */
export async function markDrill(db: Writer, { id, condition }: DrillMark): Promise<void> {
  await db
    .update(drills)
    .set({ condition, version: sql`${drills.version} + 1` })
    .where(eq(drills.id, id));
}

/** Marks taps as broken, whatever their version: what happened counts. Those that are not in the crib are passed over. */
export async function markTapsBroken(db: Writer, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await db
    .update(taps)
    .set({ condition: 'broken', version: sql`${taps.version} + 1` })
    .where(and(inArray(taps.id, [...ids]), inArray(taps.condition, ['sharp', 'worn'])));
}

/** Whether there is such an entry. */
export async function inCrib(db: Writer, kind: CribKind, id: string): Promise<boolean> {
  const table = TABLE[kind];
  return (await db.select({ id: table.id }).from(table).where(eq(table.id, id))).length > 0;
}

/** Changes the shop's habits, when the version still holds; says whether it did. */
export async function updateShop(db: Writer, { version, ...change }: ShopChange): Promise<boolean> {
  const done = await db
    .update(shop)
    .set({ ...change, version: version + 1 })
    .where(eq(shop.version, version))
    .returning({ id: shop.id });
  return done.length > 0;
}
