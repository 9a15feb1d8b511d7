import type { Learned } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import { DRILL_SETS, type DrillPool } from '../drills/drill-sets';
import type { Material } from '../materials/material';
import type { OwnTap } from '../tapping/own-tap';
import type { ShopHabits } from './habits';
import type { Tool } from './tool';
import type { ToolRecord } from './tool-life';

/** What a shop has and how it works: the context in which a question is answered. */
export interface Shop {
  materials: readonly Material[];
  machines: readonly Machine[];
  /** The crib first, then the usual sets. */
  pools: readonly DrillPool[];
  habits: ShopHabits;
  /** Tools beside drills, taps and machines; undefined where the crib is not known, and the usual ones are assumed. */
  tools?: readonly Tool[];
  /** Taps of the crib; undefined where they are not known, and the usual ones are assumed. */
  taps?: readonly OwnTap[];
  /** What it measured of its own work; undefined where the typical figures stand. */
  learned?: Learned;
  /** What its drills and taps have done, by their levels; undefined where nothing was recorded. */
  lives?: Readonly<Record<string, ToolRecord>>;
}

/** A shop without the usual sets of drills, which are known wherever it is read. */
export type ShopWithCrib = Omit<Shop, 'pools'> & { crib: DrillPool };

/** The crib first, then the usual sets. */
export const wholeShop = ({ crib, ...shop }: ShopWithCrib): Shop => ({ ...shop, pools: [crib, ...DRILL_SETS] });
