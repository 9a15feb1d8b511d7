import type { Machine } from '../cutting/machine';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';
import { blindDepth, blindTotalMm, type BlindDepth } from './blind-depth';
import type { Tap, TapNames } from './tap';
import type { TappingConditions } from './tapping-torque';

/** The hole that a tap goes into. Lengths in mm. */
export interface HoleToTap {
  through: boolean;
  /** Length of full thread. */
  depthMm: number;
  /** Where the thread begins under the face; 0 without a larger part above it. */
  fromMm: number;
  thicknessMm?: number;
  drillMm: number;
  pointAngleDeg: number;
  /** Predicted hole; for forming the finished minor diameter. */
  minorMm: number;
}

/** How a shop taps, where practice differs. */
export interface TappingHabits {
  tapNames: TapNames;
  firstTap: 'by-hole' | 'taper' | 'plug';
  /** Turns before turning back that the shop always takes; undefined where the metal decides. */
  bite?: number;
  /** The shop never taps blind holes under power. */
  neverBlind: boolean;
  tailstock: 'free' | 'cranked' | 'locked';
}

export interface TappingQuestion {
  thread: Thread;
  material: Material;
  machine?: Machine;
  hole: HoleToTap;
  forming: boolean;
  /** Holes in all parts. */
  holes: number;
  dry: boolean;
  habits: TappingHabits;
}

/** The conditions under which a tap turns: the same for every view of its load. */
export function tappingConditions(q: TappingQuestion, tap: Tap, reversing: boolean): TappingConditions {
  const { hole, material } = q;
  return {
    thread: q.thread,
    material,
    tap,
    minorMm: hole.minorMm,
    depthMm: hole.depthMm,
    through: hole.through,
    reversing,
    fluid: q.dry && !material.runsDry ? 'dry' : 'right',
    thicknessMm: hole.through && hole.thicknessMm !== undefined ? hole.thicknessMm - hole.fromMm : undefined,
  };
}

/** How deep the hole is drilled for this last tap. */
export const depthForTap = ({ thread, hole }: TappingQuestion, last: Tap): BlindDepth =>
  blindDepth(thread, hole.depthMm, last, hole.drillMm, hole.pointAngleDeg, hole.fromMm);

/** Wall left under the tip with this last tap, mm; undefined where the thickness is not known. */
export function wallUnderTap({ thread, hole }: TappingQuestion, last: Tap): number | undefined {
  const { thicknessMm, depthMm, drillMm, pointAngleDeg, fromMm } = hole;
  return thicknessMm === undefined
    ? undefined
    : thicknessMm - blindTotalMm(thread, depthMm, last, drillMm, pointAngleDeg, fromMm);
}
