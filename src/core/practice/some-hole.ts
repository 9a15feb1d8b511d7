import { BLANK_FORM, type AskForm } from '../hole/form';
import type { HolePlan } from '../hole/hole-plan';
import { planForm } from '../hole/read-form';
import type { Shop } from '../shop/shop';
import type { Chance } from './chance';

/** What exercises are made from: the shop, and the holes of a job where one is rehearsed. */
export interface PracticeSource {
  shop: Shop;
  /** Questions of a job’s own holes. */
  holes?: readonly AskForm[];
}

const THREADS = ['M3', 'M4', 'M5', 'M6', 'M8', 'M10', 'M12', '1/4-20', '5/16-18', '3/8-16'] as const;
const METALS = [
  'steel-low-carbon',
  'aluminium-wrought-6000',
  'stainless-austenitic',
  'brass-free-cutting',
  'iron-grey',
  'steel-alloy-annealed',
] as const;

/** What is asked of a hole that an exercise is about. */
export interface Wanted {
  blind?: boolean;
  machines?: readonly string[];
  metals?: readonly string[];
  form?: Partial<AskForm>;
  fits: (plan: HolePlan) => boolean;
}

const majorOf: Record<string, number> = { '1/4-20': 6.35, '5/16-18': 7.94, '3/8-16': 9.53 };
const MOST_TRIES = 60;

/**
 * A hole of the job, or one that the shop could get any day, planned; the first of some that fits what is asked.
 * @returns undefined where none of many does
 */
export function someHole({ shop, holes = [] }: PracticeSource, chance: Chance, wanted: Wanted): HolePlan | undefined {
  const machines = shop.machines.filter((m) => !wanted.machines || wanted.machines.includes(m.kind));
  const metals = METALS.filter(
    (id) => shop.materials.some((m) => m.id === id) && (wanted.metals?.includes(id) ?? true),
  );
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const own = tries < holes.length ? holes[(chance.whole(0, holes.length - 1) + tries) % holes.length] : undefined;
    const plan = planForm(
      own
        ? { ...own, ...wanted.form }
        : anyForm(
            chance,
            wanted,
            machines.map((m) => m.id),
            metals,
          ),
      shop,
    );
    if (plan.ok && wanted.fits(plan.value)) return plan.value;
  }
  return undefined;
}

function anyForm(chance: Chance, wanted: Wanted, machines: readonly string[], metals: readonly string[]): AskForm {
  const thread = chance.pick(THREADS);
  const major = majorOf[thread] ?? Number(thread.slice(1));
  const blind = wanted.blind ?? chance.even() < 0.5;
  const deep = Math.round(major * (1 + chance.even()));
  return {
    ...BLANK_FORM,
    callout: blind ? `${thread} x ${deep} mm DEEP` : `${thread} THRU`,
    material: chance.pick(metals),
    thickness: `${blind ? deep + Math.ceil(2 * major) + 6 : Math.max(4, deep)} mm`,
    machine: machines.length > 0 ? chance.pick(machines) : '',
    ...wanted.form,
  };
}
