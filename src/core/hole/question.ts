import type { Machine } from '../cutting/machine';
import type { Drill } from '../drills/drill';
import type { DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/expected-hole';
import type { Material } from '../materials/material';
import type { RoomId } from '../tapping/room-below';
import type { WayId } from '../tapping/ways';
import type { LengthUnit } from '../units/length';

/** What is there already: a plain hole, to open or to leave, or an old thread, to keep. */
export type ExistingHole = { kind: 'plain'; diameterMm: number } | { kind: 'thread' };

/** One hole as it is asked for. Lengths in mm; what is left out comes from the callout, the part, or is assumed and said. */
export interface HoleQuestion {
  callout: string;
  /** Unit of bare lengths in a callout without a thread. */
  bareUnit?: LengthUnit;
  material: Material;
  /** Without one the ideal speed is shown. */
  machine?: Machine;
  pool: DrillPool;
  hole?: 'through' | 'blind';
  /** Of thread, or of a hole without one. */
  depthMm?: number;
  /** The depth was typed without a unit: this one was assumed. */
  depthUnit?: LengthUnit;
  thicknessMm?: number;
  /** Narrowest width or diameter of the part across the hole. */
  stockWidthMm?: number;
  existing?: ExistingHole;
  /** A drill that the user wants for the main bore. */
  drill?: Drill;
  tap: 'auto' | 'cut' | 'form';
  /** A way of driving the tap that the user wants. */
  way?: WayId;
  /** Keys of the taps that the user wants, in order. */
  taps?: readonly string[];
  /** How the user wants the room at the bottom made. */
  room?: RoomId;
  /** Free space behind a through hole. */
  behindMm?: number;
  targetPercent?: number;
  start?: StartMeans;
  dry: boolean;
  boltId?: string;
  /** Parts to make. */
  parts: number;
}
