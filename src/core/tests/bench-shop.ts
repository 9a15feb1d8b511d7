import type { Machine } from '../cutting/machine';
import type { Drill } from '../drills/drill';
import { DRILL_SETS, type DrillPool } from '../drills/drill-sets';
import { BLANK_FORM, type AskForm } from '../hole/form';
import { allCautions, type HolePlan } from '../hole/hole-plan';
import { planForm } from '../hole/read-form';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import type { Setting } from '../operation/context';
import { withEdits, type OperationEdits } from '../operation/edits';
import { USUAL_HABITS } from '../shop/habits';
import type { Shop } from '../shop/shop';
import { tell } from '../units/show';

/** A plain machine of a kind with these steps, or this range, rev/min. */
export function machineOf(
  id: string,
  kind: Machine['kind'],
  rpm: readonly number[] | { minRpm: number; maxRpm: number },
  over: Partial<Machine> = {},
): Machine {
  return {
    id,
    name: id,
    kind,
    speeds: Array.isArray(rpm)
      ? { kind: 'steps', steps: rpm.map((r) => ({ rpm: r, label: `step ${r}` })) }
      : { kind: 'range', ...(rpm as { minRpm: number; maxRpm: number }) },
    reversible: kind === 'mill' || kind === 'lathe',
    tappingHead: false,
    coastRevolutions: 1,
    coastAtRpm: 140,
    chuckMm: 13,
    ...over,
  };
}

export const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
export const pool = (id: string): DrillPool => DRILL_SETS.find((s) => s.id === id) as DrillPool;
export const METRIC_INDEX = pool('metric-1-13-by-0.1');
export const without = (...labels: string[]): Drill[] => METRIC_INDEX.drills.filter((d) => !labels.includes(d.label));

export const PRESS_STEPS = [140, 210, 270, 330, 420, 560, 740, 980, 1250, 1700, 2350, 3300];

/** The shop in which holes are planned by hand: a press, a mill, a lathe, a cordless drill; 6.8 is missing. */
export const shop: Shop = {
  materials: MATERIALS,
  machines: [
    machineOf('press', 'drill-press', PRESS_STEPS, { coastRevolutions: 1.5 }),
    machineOf('mill', 'mill', [65, 110, 180, 300, 590, 1000, 1640, 2720], { coastRevolutions: 0.8, coastAtRpm: 65 }),
    machineOf('lathe', 'lathe', [45, 75, 120, 190, 300, 470, 740, 1150, 1800], {
      coastRevolutions: 0.6,
      coastAtRpm: 45,
    }),
    machineOf('cordless', 'hand-drill', [450, 1600]),
    machineOf('head', 'drill-press', [140, 560, 1250], { tappingHead: true }),
  ],
  pools: [
    { id: 'crib', label: 'the crib', drills: [...without('6.8'), ...pool('inch-fraction-29').drills] },
    ...DRILL_SETS,
  ],
  habits: USUAL_HABITS,
};

/** The plan of a form on the press, or its problems as an error. */
export function planned(
  over: Partial<AskForm>,
  { at = shop, edits = {}, setting }: { at?: Shop; edits?: OperationEdits; setting?: Setting } = {},
): HolePlan {
  const result = planForm({ ...BLANK_FORM, machine: 'press', ...over }, at, setting, withEdits(edits));
  if (!result.ok) throw new Error(result.problems.map((p) => tell(p, 'mm')).join(' '));
  return result.value;
}

/** Codes and fields of what can’t be done; empty where a plan came out. */
export function refused(over: Partial<AskForm>, at: Shop = shop): string[] {
  const result = planForm({ ...BLANK_FORM, machine: 'press', ...over }, at);
  return result.ok ? [] : result.problems.map((p) => `${p.code}@${p.field}`);
}

/** Codes of everything to watch. */
export const codesOf = (plan: HolePlan): string[] => allCautions(plan).map((c) => c.code);
