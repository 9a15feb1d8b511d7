import { mmToInch } from '../units/length';
import { trimmed } from '../units/show';
import { isMetric } from './thread';
import type { Callout, CalloutFeature, Extent } from './callout';

const OUTSIDE = { rod: ' OUTSIDE', stud: ' STUD END' } as const;

/** A callout as a drawing would write it; reading it again gives the same features. */
export function writeCallout({ count, features }: Callout): string {
  const thread = features.find((f) => f.kind === 'thread');
  // Beside a thread bare lengths are in its own system; what is no even figure there, and a plain hole, is in mm.
  const length = (mm: number): string => {
    if (thread && isMetric(thread.thread)) return trimmed(mm, 4);
    const sixtyFourths = mmToInch(mm) * 64;
    const thousandths = mmToInch(mm) * 1000;
    const even = [sixtyFourths, thousandths].some((n) => Math.abs(n - Math.round(n)) < 1e-6);
    return thread && even ? trimmed(mmToInch(mm), 6) : `${trimmed(mm, 4)} mm`;
  };
  const deep = (extent: Extent | undefined): string =>
    extent === undefined ? '' : extent.kind === 'through' ? ' THRU' : ` x ${length(extent.mm)} DEEP`;
  const one = (f: CalloutFeature): string => {
    switch (f.kind) {
      case 'thread':
        return `${f.thread.designation}${f.className ? `-${f.className}` : ''}${f.leftHand ? ' LH' : ''}${f.outside ? deep(f.extent).replace('DEEP', 'LONG') + OUTSIDE[f.outside] : deep(f.extent)}`;
      case 'hole':
        return `${f.counterdrill ? 'CDRILL ' : ''}ø${length(f.diameterMm)}${f.fit ? ` ${f.fit}` : ''}${f.ream ? ' REAM' : ''}${deep(f.extent)}`;
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
