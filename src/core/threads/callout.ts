import type { Phrase } from '../answer/answer';
import type { LengthUnit } from '../units/length';
import type { Thread } from './thread';

/** How deep a feature goes; undefined in the callout when it does not say. */
export type Extent = { kind: 'through' } | { kind: 'depth'; mm: number };

export type OutsideKind = 'rod' | 'stud';

export type CalloutFeature =
  | {
      kind: 'thread';
      thread: Thread;
      className?: string;
      leftHand: boolean;
      /** On a rod: to fit a tapped hole, or the inner end of a stud, which stays in. Undefined in a hole. */
      outside?: OutsideKind;
      extent?: Extent;
    }
  | {
      kind: 'hole';
      diameterMm: number;
      ream: boolean;
      fit?: string;
      /** The cone of a drill of this size stays in the wider part. */
      counterdrill?: true;
      extent?: Extent;
    }
  | { kind: 'counterbore'; diameterMm: number; extent?: Extent }
  | { kind: 'countersink'; diameterMm: number; angleDeg: number; extent?: Extent };

/** A depth written without its unit: which was assumed, and where the number stands in the text, end exclusive. */
export interface BareDepth {
  mm: number;
  unit: LengthUnit;
  at: { start: number; end: number };
}

/** A drawing's callout, read: features in the order written. */
export interface Callout {
  count: number;
  features: CalloutFeature[];
  /** What was assumed without being written, so that nothing is silent. */
  notes: Phrase[];
  /** The deepest depth without a unit. */
  bareDepth?: BareDepth;
}
