import { SIZE, sticky, type CalloutCursor } from '../callout-cursor';
import { inchThreadOf } from './inch';

const SERIES_FIRST = sticky(
  String.raw`(nptf|npt|bspp|bspt|bsp|rc|rp|g)\s*(${SIZE})(?:\s*(?:"|in\b))?(?:\s*-\s*(\d{1,2}(?:\.\d)?))?\s*([ab]\b)?`,
);

/** `G 1/4`, `NPT 1/8`, `BSPP 1/2`: the series stands before the size. */
export function readSeriesFirst(c: CalloutCursor): boolean {
  const match = c.take(SERIES_FIRST);
  if (!match) return false;
  if (match[4] === 'a' || match[4] === 'b')
    c.note('Classes A and B of G threads belong to the external thread; the hole has one class.');
  return inchThreadOf(c, match, match[2], match[1], match[3]);
}
