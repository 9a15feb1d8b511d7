import type { ShopHabits } from './habits';
import type { Machine } from '../cutting/machine';
import type { Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/predicted-hole';
import type { Tool } from '../drills/tool';
import type { Material } from '../materials/material';
import type { LengthUnit } from '../units/length';

/** One hole to tap. Lengths in mm; what is left out is taken from the callout or assumed, and said. */
export interface HoleQuestion {
  callout: string;
  /** Unit of bare lengths in a callout without a thread. */
  bareUnit?: LengthUnit;
  material: Material;
  hole?: 'through' | 'blind';
  threadDepthMm?: number;
  thicknessMm?: number;
  /** Narrowest width or diameter of the part across the hole. */
  stockWidthMm?: number;
  pool: DrillPool;
  /** Other tools of the crib; undefined where it is not known, and the usual ones are taken as there. */
  tools?: readonly Tool[];
  /** A hole that is there already, mm. */
  existingMm?: number;
  /** Lean of an angled hole from square to the face, degrees. */
  tiltDeg?: number;
  /** The hole goes into the round side of a bar or tube. */
  curved?: boolean;
  /** How far the hole lies from the axis of the part, mm; Infinity where its face has none. Undefined: not laid out. */
  offAxisMm?: number;
  /** From the hole to the far edge of the part, mm, where it is laid out. */
  leverMm?: number;
  /** A drill that the user wants to use. */
  drill?: Drill;
  tap?: 'auto' | 'cut' | 'form';
  targetPercent?: number;
  machine?: Machine;
  start?: StartMeans;
  dry?: boolean;
  boltId?: string;
  /** Parts to make. */
  quantity?: number;
  habits?: ShopHabits;
}
