import type { Thread } from '../threads/thread';
import { NPT, RC } from '../threads/threads.table';
import { inchToMm } from '../units/length';

/** What the standard lists for a tapered thread. */
export interface TaperRow {
  /** Drill as stamped, and its diameter, mm. */
  label: string;
  diameterMm: number;
  /** Length that goes together by hand, mm. */
  handTightMm: number;
  /** Effective thread: what a sound joint takes of the wall, mm. */
  effectiveMm: number;
}

const LISTED: ReadonlyMap<string, TaperRow> = new Map([
  ...NPT.map(({ size, tpi, drill, drillIn, handTightIn, effectiveIn }): [string, TaperRow] => [
    `${size}-${tpi} NPT`,
    {
      label: drill,
      diameterMm: inchToMm(drillIn),
      handTightMm: inchToMm(handTightIn),
      effectiveMm: inchToMm(effectiveIn),
    },
  ]),
  ...RC.map(({ size, drillMm, handTightMm, effectiveMm }): [string, TaperRow] => [
    `Rc ${size}`,
    { label: `${drillMm}`, diameterMm: drillMm, handTightMm, effectiveMm },
  ]),
]);

/**
 * The listed tap drill and hand-tight length of a tapered pipe thread: ASME B1.20.1, ISO 7-1.
 * @throws RangeError for a thread that is not listed
 * @example taperTapDrill({ designation: '1/8-27 NPT' }).label // 'R'
 */
export function taperTapDrill({ designation }: Thread): TaperRow {
  const row = LISTED.get(designation);
  if (!row) throw new RangeError(`No tap drill is listed for ${designation}.`);
  return row;
}
