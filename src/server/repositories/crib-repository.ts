import { and, asc, eq, sql } from 'drizzle-orm';
import type { Machine } from '@/core/cutting/machine';
import type { Drill } from '@/core/drills/drill';
import type { Material } from '@/core/materials/material';
import type { ShopChange } from '@/contracts/crib';
import { drillCases, drills, machines, materials, shop } from '../schema';
import type { Writer } from './job-repository';

export interface CribMachine extends Machine {
  version: number;
  inUse: boolean;
}
export interface DrillCase {
  id: string;
  version: number;
  name: string;
  setId: string | null;
  inUse: boolean;
  drills: (Drill & { id: string })[];
}
export type ShopRow = typeof shop.$inferSelect;

/** Every machine of the crib, in the shop's order. */
export async function listMachines(db: Writer): Promise<CribMachine[]> {
  const rows = await db.select().from(machines).orderBy(asc(machines.position));
  return rows.map(({ quillStrokeMm, powerW, dialTravelMm, dialDivisions, position: _, ...row }) => ({
    ...row,
    quillStrokeMm: quillStrokeMm ?? undefined,
    powerW: powerW ?? undefined,
    ...(dialTravelMm && dialDivisions ? { dial: { travelMm: dialTravelMm, divisions: dialDivisions } } : {}),
  }));
}

/** Every drill case with its drills by diameter. */
export async function listDrillCases(db: Writer): Promise<DrillCase[]> {
  const cases = await db.select().from(drillCases).orderBy(asc(drillCases.position));
  const all = await db.select().from(drills).orderBy(asc(drills.diameterMm));
  return cases.map(({ id, version, name, setId, inUse }) => ({
    id,
    version,
    name,
    setId,
    inUse,
    drills: all
      .filter((d) => d.caseId === id)
      .map(({ id: drillId, series, label, diameterMm, pointAngleDeg, material, condition }) => ({
        id: drillId,
        series,
        label,
        diameterMm,
        pointAngleDeg,
        material,
        condition,
      })),
  }));
}

export async function listMaterials(db: Writer): Promise<Material[]> {
  return (await db.select().from(materials).orderBy(asc(materials.position))).map((row) => row.material);
}

export async function shopRow(db: Writer): Promise<ShopRow | undefined> {
  return (await db.select().from(shop))[0];
}

const TABLE = { machines, drillCases } as const;

/** Puts a machine or case in or out of use, when its version still holds; says whether it did. */
export async function setInUse(
  db: Writer,
  kind: keyof typeof TABLE,
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

/** Whether there is such a machine or case. */
export async function inCrib(db: Writer, kind: keyof typeof TABLE, id: string): Promise<boolean> {
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
