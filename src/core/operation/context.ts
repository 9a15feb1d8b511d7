import type { Machine } from '../cutting/machine';
import type { DrillPool } from '../drills/drill-sets';
import type { StartMeans } from '../drills/expected-hole';
import type { Material } from '../materials/material';
import type { Shop } from '../shop/shop';
import type { Callout, CalloutFeature } from '../threads/callout';

/** What is asked of every operation on a hole. */
export interface Asked {
  material: Material;
  machine?: Machine;
  pool: DrillPool;
  start: StartMeans;
  dry: boolean;
}

/** What the part around a hole gives. Lengths in mm; what is not laid out yet is left out. */
export interface Setting {
  /** Of the part where the hole goes in, along the hole. */
  thicknessMm?: number;
  /** From the hole to the far edge of the part. */
  leverMm?: number;
  /** Tilt of an angled hole from square to the face, degrees. */
  tiltDeg?: number;
  /** Which way it leans on its face: degrees from X, anticlockwise; with a tilt only. */
  towardsDeg?: number;
  /** The hole goes into the round side of a bar or tube. */
  curved?: boolean;
  /** How far the hole lies from the axis of the part; Infinity where its face has none. */
  offAxisMm?: number;
}

/** Asked, shop and setting: everything that an operation is worked out from. */
export interface Context {
  asked: Asked;
  shop: Pick<Shop, 'habits' | 'tools' | 'taps' | 'learned' | 'lives'>;
  setting: Setting;
}

/** The features of a kind that a callout names. */
export const written = <K extends CalloutFeature['kind']>(callout: Callout, kind: K) =>
  callout.features.filter((f): f is Extract<CalloutFeature, { kind: K }> => f.kind === kind);
