import type { Learned } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import type { Material } from '../materials/material';
import type { Thread } from '../threads/thread';
import { blindDepth, blindParts, type BlindDepth, type BlindParts } from './blind-depth';
import type { OwnTap } from './own-tap';
import type { Tap, TapNames, TapToUse } from './tap';
import { measuredTorque } from './tapping-torque';
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
  /** Least minor diameter of the class; undefined where none is held. */
  leastMinorMm?: number;
  /** Bore above the thread. */
  upperMm?: number;
  /** Free space behind a through hole, into which the chamfer of the tap can run. */
  behindMm?: number;
  /** How far it lies from the axis of its part; Infinity where its face has none. */
  offAxisMm?: number;
  /** Longest chamfer of the last tap that the chosen room at the bottom allows. */
  mostChamfer?: number;
}

/** What a crib has for driving taps. Lengths in mm. */
export interface TappingAids {
  springCentre: boolean;
  block: boolean;
  wrenches: readonly { name: string; fromMm: number; toMm: number }[];
  /** Collets, bushings and end-mill holders, by the shanks that they take. */
  holders: readonly { name: string; fromMm: number; toMm: number }[];
  heads: readonly { name: string; fromMm: number; toMm: number; fromNm: number; toNm: number; deepStop: boolean }[];
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
  leftHand?: boolean;
  /** Taps of the crib for any thread; undefined where they are not known, and the usual ones are assumed. */
  taps?: readonly OwnTap[];
  /** Undefined where they are not known, and assumed. */
  aids?: TappingAids;
  /** Keys of the taps to use, in order, where the user has picked. */
  asked?: readonly string[];
  /** The way of driving them that the user has picked. */
  askedWay?: string;
  /** What the shop measured of its own work. */
  learned?: Learned;
}

/**
 * The conditions under which a tap turns: the same for every view of its load.
 * @param byHand turned by hand
 * @param freehand nothing guides it
 * @param takes what taps before it leave it; undefined for the whole thread
 * @param reversing turned back to break its chip, as by hand always
 */
export function tappingConditions(
  q: TappingQuestion,
  tap: TapToUse,
  byHand: boolean,
  freehand = false,
  takes?: TappingConditions['takes'],
  reversing = byHand,
): TappingConditions {
  const { hole, material } = q;
  return {
    measured: q.learned?.torque && measuredTorque(material, q.thread, tap, q.learned),
    thread: q.thread,
    material,
    tap,
    minorMm: hole.minorMm,
    leastMinorMm: hole.leastMinorMm,
    depthMm: hole.depthMm,
    through: hole.through,
    reversing,
    fluid: q.dry && !material.runsDry ? 'dry' : 'right',
    thicknessMm: hole.through && hole.thicknessMm !== undefined ? hole.thicknessMm - hole.fromMm : undefined,
    byHand,
    freehand,
    takes,
    // The hole is drilled with the room for its chips.
    chipRoom: true,
  };
}

/** How deep the hole is drilled for this last tap, with so many pitches of room below it beside the usual. */
export const depthForTap = ({ thread, hole }: TappingQuestion, last: Tap, morePitches = 0): BlindDepth =>
  blindDepth(thread, hole.depthMm, last, hole.drillMm, hole.pointAngleDeg, hole.fromMm, morePitches);

/** The figures of {@link depthForTap}, without their workings. */
export const partsForTap = ({ thread, hole }: TappingQuestion, last: Tap, morePitches = 0): BlindParts =>
  blindParts(thread, hole.depthMm, last, hole.drillMm, hole.pointAngleDeg, hole.fromMm, morePitches);

/** Wall left under the tip, mm; undefined where the thickness is not known. */
export const wallUnder = ({ hole }: TappingQuestion, { fullMm, tipMm }: BlindParts): number | undefined =>
  hole.thicknessMm === undefined ? undefined : hole.thicknessMm - (fullMm + tipMm);
