import type { Phrase } from '../answer/answer';
import type { BoreRole } from '../operation/bore';
import type { Callout, CalloutFeature } from '../threads/callout';
import type { ExistingHole } from './question';

export type ThreadFeature = Extract<CalloutFeature, { kind: 'thread' }>;
export type PlainFeature = Extract<CalloutFeature, { kind: 'hole' }>;

/** A bore as drawn, with its own depth. Lengths in mm from the face. */
export interface DrawnBore {
  role: BoreRole;
  feature: PlainFeature;
  /** Full diameter down to here; the part's thickness where it goes through. */
  fullMm: number;
  through: boolean;
}

/** The thread of a hole. Lengths in mm. */
export interface ResolvedThread {
  feature: ThreadFeature;
  /** Where it begins under the face: the floor of a larger part above it. */
  fromMm: number;
  /** Length of full thread. */
  lengthMm: number;
  /** Its bore goes through the part. */
  through: boolean;
  /** Its drill as the drawing gives it. */
  drawn?: PlainFeature;
}

/** The hole as it will be made: every open point settled, each assumption said. */
export interface ResolvedHole {
  callout: Callout;
  thread?: ResolvedThread;
  /** Bores without a thread, widest first. */
  bores: DrawnBore[];
  /** The deepest bore comes out at the back. */
  through: boolean;
  /** Along the hole, mm. */
  thicknessMm?: number;
  existing?: ExistingHole;
  notes: Phrase[];
}
