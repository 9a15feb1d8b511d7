import { v7 as uuidv7 } from 'uuid';
import { remember, remembered } from '@/ui/browser-memory';

const DEVICE = 'jolly-bit-device';
const SEQUENCE = 'jolly-bit-sequence';
let last = 0;

/** This browser, as its records name it. */
function deviceId(): string {
  const known = remembered(DEVICE);
  if (known) return known;
  const made = uuidv7();
  remember(DEVICE, made);
  return made;
}

/** Who made a record and in which order: it rises with every record of this browser, in whatever tab, whatever its clock says. */
export function nextOfDevice(): { device: string; sequence: number } {
  const before = Number(remembered(SEQUENCE) ?? 0);
  last = Math.max(last, Number.isSafeInteger(before) ? before : 0) + 1;
  remember(SEQUENCE, String(last));
  return { device: deviceId(), sequence: last };
}

/** A moment by a measure that no setting of the clock changes; it can be told only while this page is open. */
export interface Measured {
  page: string;
  ms: number;
}
const page = uuidv7();
export const measuredNow = (): Measured => ({ page, ms: performance.now() });

/** How long ago a moment was, ms; undefined where it was measured by a page that is gone. */
export const agoOf = (at: Measured | undefined): number | undefined =>
  at?.page === page ? Math.max(0, performance.now() - at.ms) : undefined;
