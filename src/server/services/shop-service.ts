import type { CaseEntry } from '@/contracts/crib';
import type { Shop } from '@/core/shop/shop';
import { USUAL_HABITS } from '@/core/shop/habits';
import type { Drill } from '@/core/drills/drill';
import { DRILL_SETS, type DrillPool } from '@/core/drills/drill-sets';
import { MATERIALS } from '@/core/materials/materials';
import type { Display } from '@/core/units/show';
import { toolRecords, type ToolFacts, type ToolLife } from '@/core/learning/lives';
import { DRILL_LIFE_HOLES } from '@/core/drills/drill-life';
import { tapLifeHoles, type OwnTap } from '@/core/tapping/own-tap';
import type { Database } from '../database';
import {
  listDrillCases,
  listMachines,
  listMaterials,
  listTaps,
  listTools,
  shopRow,
} from '../repositories/crib-repository';

import { learnedNow, livesNow } from './learned-service';

export interface ShopNow extends Shop {
  name: string;
  units: Display;
}

/** The drills of the cases in use, as one pool. */
export function cribPool(cases: readonly CaseEntry[]): DrillPool {
  const drills: Drill[] = cases
    .filter((c) => c.inUse)
    .flatMap((c) => c.drills.map(({ version: _, ...drill }) => ({ ...drill, where: drill.where || c.name })))
    .sort((a, b) => a.diameterMm - b.diameterMm);
  return { id: 'crib', label: 'The crib', drills };
}

/** What is known of the drills and taps of a crib without their log. */
function factsOf(cases: readonly CaseEntry[], taps: readonly OwnTap[]): (tool: string) => ToolFacts | undefined {
  const facts = new Map<string, ToolFacts>();
  for (const { drills } of cases)
    for (const { id, material = 'hss' } of drills)
      facts.set(`drill ${id}`, { kind: `drill ${material}`, typical: DRILL_LIFE_HOLES[material] });
  for (const { id, steel, geometry } of taps)
    facts.set(`tap ${id}`, { kind: `tap ${steel} ${geometry === 'form'}`, typical: tapLifeHoles(steel, geometry) });
  return (tool) => facts.get(tool);
}

/** Everyday holes that a tap has done by what was recorded. */
const usedHoles = (lives: ReadonlyMap<string, ToolLife>, { id }: OwnTap): number =>
  Math.round(lives.get(`tap ${id}`)?.use ?? 0);

/** What the shop has in use now, for answering questions. Everything in the crib, named sets besides. */
export async function shopNow(db: Database): Promise<ShopNow> {
  const [row, materials, machines, cases, tools, taps, learned, lives] = await Promise.all([
    shopRow(db),
    listMaterials(db),
    listMachines(db),
    listDrillCases(db),
    listTools(db),
    listTaps(db),
    learnedNow(db),
    livesNow(db),
  ]);
  return {
    name: row?.name ?? 'The shop',
    units: row?.units ?? 'mm',
    materials: materials.length > 0 ? materials.map(({ version: _v, ...material }) => material) : MATERIALS,
    machines: machines.filter((m) => m.inUse).map(({ version: _v, inUse: _u, ...machine }) => machine),
    pools: [cribPool(cases), ...DRILL_SETS],
    habits: { ...USUAL_HABITS, ...row?.habits },
    // An empty tool crib is one that nobody has filled in: the usual tools are then taken as there.
    tools: tools.length > 0 ? tools.map(({ version: _v, ...tool }) => tool) : undefined,
    taps:
      taps.length > 0
        ? taps.map(({ version: _v, ...tap }) => ({ ...tap, holesDone: tap.holesDone + usedHoles(lives, tap) }))
        : undefined,
    ...(learned ? { learned } : {}),
    ...(lives.size > 0 ? { lives: toolRecords(lives, factsOf(cases, taps)) } : {}),
  };
}

/** The shop as a view gets it: the usual sets of drills are known there. */
export function shopForView({ materials, machines, habits, tools, taps, pools, learned, lives }: ShopNow) {
  return {
    materials,
    machines,
    habits,
    tools,
    taps,
    crib: pools[0],
    ...(learned ? { learned } : {}),
    ...(lives ? { lives } : {}),
  };
}
