import type { Learned } from '../answer/estimate';
import { caution, depth, mm, type Caution } from '../answer/answer';
import { nameToBuy, toBuyFor } from '../cutting/suited-drills';
import { ALL_DRILLS, drillName, isUsable, METRIC_DRILLS, sizedDrill, type Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';
import type { Material } from '../materials/material';
import { expectedHoleMm, type DrilledHole } from '../drills/expected-hole';

export interface ChosenDrill {
  drill: Drill;
  owned: boolean;
  cautions: Caution[];
}

/** How much larger than drawn a plain hole may be drilled when its own drill is missing, mm. Our judgement. */
export const MOST_OVER_MM = 0.25;

const inPool = (pool: DrillPool): Drill[] => pool.drills.filter(isUsable);

/**
 * The drill for a plain hole: its own size, else the next larger within a quarter of a millimetre, else the one to get.
 * A hole with a fit takes its own size only.
 */
export function choosePlainDrill(diameterMm: number, pool: DrillPool, fitted: boolean, metal: Material): ChosenDrill {
  const own = inPool(pool);
  const exact = own.find((d) => Math.abs(d.diameterMm - diameterMm) < 0.011);
  if (exact) return { drill: exact, owned: true, cautions: [] };
  const over = own
    .filter((d) => d.diameterMm > diameterMm && d.diameterMm <= diameterMm + MOST_OVER_MM)
    .sort((a, b) => a.diameterMm - b.diameterMm)[0];
  if (over && !fitted)
    return {
      drill: over,
      owned: true,
      cautions: [
        caution('warn', 'drill-missing', '{size} is not in “{pool}”; {drill} is the next size up, {over} over.', {
          size: mm(diameterMm),
          pool: pool.label,
          drill: drillName(over),
          over: mm(over.diameterMm - diameterMm),
        }),
      ],
    };
  const size = ALL_DRILLS.find((d) => Math.abs(d.diameterMm - diameterMm) < 0.011) ?? sizedDrill(diameterMm);
  const made = toBuyFor(size, metal);
  return {
    drill: made,
    owned: false,
    cautions: [
      caution('warn', 'drill-to-buy', 'No drill in “{pool}” makes {size}: you need {drill}.', {
        pool: pool.label,
        size: mm(diameterMm),
        drill: nameToBuy(made),
      }),
    ],
  };
}

/**
 * What to leave for a reamer, mm on the diameter of the hole as it comes out. Trade rule.
 * @example reamAllowance(8) // 0.25
 */
export const reamAllowance = (diameterMm: number): number =>
  diameterMm <= 3 ? 0.1 : diameterMm <= 6 ? 0.2 : diameterMm <= 13 ? 0.25 : 0.4;

/** Upper limit of H7 over nominal, ISO 286, micrometres, by the largest diameter in mm that it holds for. */
const H7_UM = [
  [3, 10],
  [6, 12],
  [10, 15],
  [18, 18],
  [30, 21],
  [50, 25],
  [80, 30],
  [120, 35],
] as const;

/**
 * Upper limit of H7 over nominal, ISO 286, mm; undefined over 120 mm, where none is in the list.
 * @example h7UpperMm(8) // 0.015
 */
export function h7UpperMm(diameterMm: number): number | undefined {
  const um = H7_UM.find(([to]) => diameterMm <= to)?.[1];
  return um === undefined ? undefined : um / 1000;
}

/** @example isH7('h 7') // true */
export const isH7 = (fit: string | undefined): boolean => fit?.replace(/\s/g, '').toUpperCase() === 'H7';

/** What a reamer may be left, as shares of its allowance. Our judgement. */
const LEAST_LEFT = 0.5;
const MOST_LEFT = 2.5;

/** The drill whose hole comes nearest to leaving the reamer its allowance, between half and two and a half of it. */
export function chooseReamDrill(
  diameterMm: number,
  pool: DrillPool,
  { start, material }: Pick<DrilledHole, 'start' | 'material'>,
  learned?: Learned,
): ChosenDrill {
  const leave = reamAllowance(diameterMm);
  const left = (d: Drill): number => diameterMm - expectedHoleMm({ drill: d, start, material }, learned).mean;
  // A hole is never a tenth of its drill over it: the rest need no prediction.
  const near = (d: Drill): boolean => d.diameterMm < diameterMm && d.diameterMm > 0.85 * diameterMm - 2 * leave;
  const best = (list: readonly Drill[]): Drill | undefined =>
    list.filter(near).reduce<{ drill: Drill; off: number } | undefined>((a, drill) => {
      const leaves = left(drill);
      const off = Math.abs(leaves - leave);
      return leaves >= LEAST_LEFT * leave && leaves <= MOST_LEFT * leave && (!a || off < a.off) ? { drill, off } : a;
    }, undefined)?.drill;
  const own = best(inPool(pool));
  if (own) return { drill: own, owned: true, cautions: [] };
  const made = toBuyFor(best(METRIC_DRILLS) ?? METRIC_DRILLS[0], material);
  return {
    drill: made,
    owned: false,
    cautions: [
      caution('warn', 'drill-to-buy', 'No drill in “{pool}” leaves the reamer {leave}: you need {drill}.', {
        pool: pool.label,
        leave: depth(leave),
        drill: nameToBuy(made),
      }),
    ],
  };
}
