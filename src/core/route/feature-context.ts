import type { DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/predicted-hole';
import type { Tool } from '../drills/tool';
import type { Callout, CalloutFeature } from '../threads/callout';
import type { ChosenDrill } from './choose-plain-drill';
import type { CutContext } from './cut';

/** One hole as it is to be made: the bores of its stack, what is worked on its mouth, and what the shop has for it. */
export interface FeatureContext extends CutContext {
  callout: Callout;
  start: StartMeans;
  pool: DrillPool;
  /** Undefined where the crib is not known: the usual tools are then taken as there. */
  tools?: readonly Tool[];
  through: boolean;
  /** Tool that the user wants for a large or thin plain hole: `drill`, `annular`, `saw`, `step-drill`. */
  wish?: string;
  /** The hole that is there serves as it is. */
  serves?: boolean;
  /** The hole goes into the round side of a bar or tube. */
  curved?: boolean;
  /** How far the hole lies from the axis of the part, mm; undefined where it is not laid out. */
  offAxisMm?: number;
  /** Lean of an angled hole from square to the face, degrees. */
  tiltDeg?: number;
  /** The hole that is tapped, reamed or left plain: its drill, and how far down at full diameter, mm from the face. */
  main: { chosen: ChosenDrill; fullMm: number };
  /** Larger part above it, from the face. */
  clearance?: { diameterMm: number; depthMm: number };
  /** Mouth that opens the first thread; undefined where there is no thread. */
  chamferMm?: number;
}

/** The features of a kind that a callout names. */
export const written = <K extends CalloutFeature['kind']>(callout: Callout, kind: K) =>
  callout.features.filter((f): f is Extract<CalloutFeature, { kind: K }> => f.kind === kind);
