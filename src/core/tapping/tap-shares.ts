import type { Thread } from '../threads/thread';
import type { TapToUse } from './tap';
import { threadArea } from './tapping-torque';

/** What one tap of a sequence finds left to cut: of the thread’s area, and of its height on one tooth. */
export interface TapShare {
  area: number;
  height: number;
}

const WHOLE: TapShare = { area: 1, height: 1 };

/** How serial taps share the area of a thread, by how many there are. Our judgement. */
const SERIAL: Record<number, readonly number[]> = { 1: [1], 2: [0.65, 0.35], 3: [0.5, 0.3, 0.2] };

/**
 * What a complete tap cuts in its last turn where one with a longer chamfer has gone to the same depth: on each thread of
 * its chamfer, what that one and its own turn before have left.
 */
function afterLonger(thread: Thread, minorMm: number, before: number, own: number): TapShare {
  const height = (thread.majorMm - minorMm) / 2;
  const area = (share: number): number => threadArea(thread, thread.majorMm - 2 * height * Math.min(1, share));
  const teeth = Math.max(1, Math.round(own));
  let left = 0;
  let heights = 0;
  for (let x = 1; x <= teeth; x++) {
    const cut = Math.max((x - 1) / own, x / before);
    left += Math.max(0, area(x / own) - area(cut));
    heights += Math.max(0, x / own - cut);
  }
  // A tooth takes the mean of them: it cuts so for a turn or two only.
  return { area: Math.min(1, left / area(1)), height: Math.min(1, heights) };
}

/**
 * What each tap of a sequence cuts of the thread: serial taps their share, complete ones what the longer chamfer before
 * them has left at the bottom; the first the whole. Model.
 * @param minorMm predicted hole, mm
 */
export function tapShares(thread: Thread, minorMm: number, taps: readonly TapToUse[]): TapShare[] {
  const serial = SERIAL[taps.length];
  if (serial && taps.every((t) => t.place !== 'complete'))
    return serial.map((area) => (area === 1 ? WHOLE : { area, height: area }));
  return taps.map((tap, i) =>
    i === 0 ? WHOLE : afterLonger(thread, minorMm, taps[i - 1].chamferThreads, tap.chamferThreads),
  );
}
