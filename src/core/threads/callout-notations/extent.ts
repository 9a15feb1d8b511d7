import { MEASURE, sticky, type CalloutCursor } from '../callout-cursor';
import type { Extent } from '../callout';

const THROUGH = sticky(String.raw`(?:thru|through|thro)(?:\s+all|\s+hole)?\b`);
export const DEPTH_AFTER = sticky(String.raw`(?:x\s*)?(${MEASURE})\s*(?:deep|dp\b|depth|long\b|full\s+thread)`);
const DEPTH_BEFORE = sticky(String.raw`(?:↧|deep|depth|dp\b|to)\s*(${MEASURE})(?:\s*(?:deep|depth))?`);
const BARE_DEPTH = sticky(String.raw`[x/]\s*(${MEASURE})(?![\d°])`);

function setExtent(c: CalloutCursor, extent: Extent, match: RegExpExecArray): true {
  const feature = c.last();
  if (!feature)
    return c.stop('extent-first', match, 'The depth comes before the thing it belongs to.', 'Name the thread first.');
  feature.extent ??= extent;
  return true;
}

/** `THRU`, `16 DEEP`, the depth sign, or a bare `x 16` after a feature that has no depth yet. */
export function readExtent(c: CalloutCursor): boolean {
  const through = c.take(THROUGH);
  if (through) return setExtent(c, { kind: 'through' }, through);
  const deep = c.take(DEPTH_AFTER) ?? c.take(DEPTH_BEFORE);
  if (deep) return setExtent(c, { kind: 'depth', mm: c.depth(deep) }, deep);
  const feature = c.last();
  if (!feature || feature.extent || feature.kind === 'countersink') return false;
  const bare = c.take(BARE_DEPTH);
  if (!bare) return false;
  c.note('{text} after the {kind} is read as its depth.', { text: bare[1], kind: feature.kind });
  return setExtent(c, { kind: 'depth', mm: c.depth(bare) }, bare);
}
