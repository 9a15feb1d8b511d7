import type { Thread } from '../threads/thread';
import { NPT } from '../threads/threads.table';
import { inchToMm } from '../units/length';

/** What the standard lists for a tapered thread. */
export interface TaperRow {
  /** Drill as stamped, and its diameter, mm. */
  label: string;
  diameterMm: number;
  /** Length that goes together by hand, mm. */
  handTightMm: number;
}

/**
 * The listed tap drill and hand-tight length of a tapered pipe thread, ASME B1.20.1.
 * @throws RangeError for a thread that is not listed
 */
export function taperTapDrill(thread: Thread): TaperRow {
  const row = NPT.find((r) => Math.abs(inchToMm(r.outsideIn) - thread.majorMm) < 1e-9);
  if (!row) throw new RangeError(`No tap drill is listed for ${thread.designation}.`);
  return { label: row.drill, diameterMm: inchToMm(row.drillIn), handTightMm: inchToMm(row.handTightIn) };
}
