import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import type { Callout, CalloutFeature } from '../threads/callout';
import { rowFor, SOCKET_HEADS, WASHERS } from './heads.table';

/** What a feature of a callout asks for, in the imperative. */
function featureOrder(f: CalloutFeature): Phrase {
  const deep = f.extent?.kind === 'through' ? ', through' : f.extent ? ', {deep} deep' : '';
  const values = { deep: depth(f.extent?.kind === 'depth' ? f.extent.mm : 0) };
  if (f.kind === 'thread') return phrase(`Tap {thread}${deep}`, { ...values, thread: f.thread.designation });
  const size = { ...values, size: mm(f.diameterMm) };
  if (f.kind === 'hole')
    return phrase(f.ream ? `Ream {size}${f.fit ? ` ${f.fit}` : ''}${deep}` : `Drill {size}${deep}`, size);
  if (f.kind === 'counterbore') return phrase(`Counterbore {size}${deep}`, size);
  return phrase('Countersink to {size}, {angle}', { ...size, angle: quantity(f.angleDeg, 'deg') });
}

/** A callout in words, feature by feature. */
export const calloutOrders = (callout: Callout): Phrase[] => callout.features.map(featureOrder);

/** Sizes that a callout takes up on a face, mm. */
export interface Footprint {
  /** Thread major, or the hole itself. */
  diameterMm: number;
  /** Widest thing on the face: counterbore, countersink. At least the hole. */
  mouthMm: number;
  /** Head or washer of the screw that goes here; 0 where no screw of that size is listed. */
  headMm: number;
  tapped: boolean;
}

/** What a callout takes up on its face: hole, mouth, and the head or washer of its screw. */
export function footprint(callout: Callout): Footprint {
  const bores = callout.features.filter((f) => f.kind === 'hole' || f.kind === 'thread');
  const thread = callout.features.find((f) => f.kind === 'thread');
  const sizes = bores.map((f) => (f.kind === 'thread' ? f.thread.majorMm : f.diameterMm));
  const all = callout.features.map((f) => (f.kind === 'thread' ? f.thread.majorMm : f.diameterMm));
  const diameterMm = thread ? thread.thread.majorMm : Math.max(...(sizes.length > 0 ? sizes : all));
  const head = thread ? Math.max(rowFor(SOCKET_HEADS, diameterMm)?.[1] ?? 0, rowFor(WASHERS, diameterMm)?.[1] ?? 0) : 0;
  return {
    diameterMm,
    mouthMm: Math.max(...all),
    headMm: Math.max(head, thread ? 0 : Math.max(...all)),
    tapped: thread !== undefined,
  };
}
