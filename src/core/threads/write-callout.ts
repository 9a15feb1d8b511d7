import { trimmed } from '../units/show';
import { isMetric } from './thread';
import type { Callout, CalloutFeature, Extent } from './callout';

/** A callout as a drawing would write it; reading it again gives the same features. */
export function writeCallout({ count, features }: Callout): string {
  const thread = features.find((f) => f.kind === 'thread');
  // Beside a metric thread bare lengths are millimetres; elsewhere the unit is written.
  const unit = thread && isMetric(thread.thread) ? '' : ' mm';
  const length = (mm: number): string => `${trimmed(mm, 4)}${unit}`;
  const deep = (extent: Extent | undefined): string =>
    extent === undefined ? '' : extent.kind === 'through' ? ' THRU' : ` x ${length(extent.mm)} DEEP`;
  const one = (f: CalloutFeature): string => {
    switch (f.kind) {
      case 'thread':
        return `${f.thread.designation}${f.className ? `-${f.className}` : ''}${f.leftHand ? ' LH' : ''}${deep(f.extent)}`;
      case 'hole':
        return `ø${length(f.diameterMm)}${f.fit ? ` ${f.fit}` : ''}${f.ream ? ' REAM' : ''}${deep(f.extent)}`;
      case 'counterbore':
        return `CBORE ø${length(f.diameterMm)}${deep(f.extent)}`;
      case 'countersink':
        return `CSK ø${length(f.diameterMm)} x ${f.angleDeg}°`;
    }
  };
  return `${count > 1 ? `${count}x ` : ''}${features.map(one).join(' ')}`;
}

/** The callout with one feature's depth changed, mm from the face. */
export const withDepth = (callout: Callout, feature: CalloutFeature, mm: number): Callout => ({
  ...callout,
  features: callout.features.map((f) => (f === feature ? { ...f, extent: { kind: 'depth', mm } } : f)),
});
