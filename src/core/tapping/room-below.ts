import { FLAT_DEG } from '../drills/drill';
import type { Thread } from '../threads/thread';
import { blindParts, STOP_REPEATS_MM, thinWallMm } from './blind-depth';
import { handTap, type TapNames } from './tap';

/** Ways to make room for the tap at the bottom of a blind hole, in the order in which they are tried. */
export const ROOMS = ['deeper', 'point-135', 'bottoming', 'ground-bottoming', 'flat'] as const;
export type RoomId = (typeof ROOMS)[number];

export const ROOM_LABEL: Record<RoomId, string> = {
  deeper: 'Drill deeper, plug tap alone',
  'point-135': '135° drill point',
  bottoming: 'Bottoming tap last',
  'ground-bottoming': 'Ground bottoming tap last',
  flat: 'Flat-bottomed drill, bottoming tap last',
};

/** One way to make the room, with what it comes to. Lengths in mm. */
export interface Room {
  id: RoomId;
  pointAngleDeg: number;
  /** Longest chamfer of the last tap. */
  mostChamfer: number;
  /** From where the tip touches. */
  totalMm: number;
  /** Undefined where the thickness is not known; at or below 0 the hole breaks through. */
  wallMm?: number;
  /** Longest full thread that leaves a sound wall; undefined where the thickness is not known, 0 where none does. */
  mostThreadMm?: number;
  /** How much less deep than drilling deeper for the plug tap. */
  gainMm: number;
  /** Leaves a wall that does not bulge. */
  fits: boolean;
}

interface HoleBelow {
  thread: Thread;
  lengthMm: number;
  fromMm: number;
  thicknessMm?: number;
  drillMm: number;
  pointAngleDeg: number;
  names: TapNames;
}

/** Every way to make the room at the bottom of a blind hole, with what each gains over drilling deeper. */
export function roomsBelow(h: HoleBelow): Room[] {
  const totalOf = (kind: 'plug' | 'bottoming' | 'ground-bottoming', point: number): number => {
    const tap = handTap(kind, h.thread.majorMm, h.names);
    const { fullMm, tipMm } = blindParts(h.thread, h.lengthMm, tap, h.drillMm, point, h.fromMm);
    return fullMm + tipMm;
  };
  const split = Math.max(135, h.pointAngleDeg);
  const made: Record<RoomId, [totalMm: number, pointAngleDeg: number, mostChamfer: number]> = {
    deeper: [totalOf('plug', h.pointAngleDeg), h.pointAngleDeg, 5],
    'point-135': [totalOf('plug', split), split, 5],
    bottoming: [totalOf('bottoming', h.pointAngleDeg), h.pointAngleDeg, 2.5],
    'ground-bottoming': [totalOf('ground-bottoming', h.pointAngleDeg), h.pointAngleDeg, 1.5],
    flat: [totalOf('bottoming', FLAT_DEG), FLAT_DEG, 2.5],
  };
  const [deepest] = made.deeper;
  return ROOMS.map((id) => {
    const [totalMm, pointAngleDeg, mostChamfer] = made[id];
    const wallMm = h.thicknessMm === undefined ? undefined : h.thicknessMm - totalMm;
    // Whatever is left of the wall beyond a sound one may be thread, and so may what the thread takes now.
    const mostThreadMm =
      wallMm === undefined ? undefined : Math.max(0, h.lengthMm + wallMm - thinWallMm(h.thread.majorMm));
    return {
      id,
      pointAngleDeg,
      mostChamfer,
      totalMm,
      wallMm,
      mostThreadMm,
      gainMm: deepest - totalMm,
      fits: wallMm === undefined || wallMm >= thinWallMm(h.thread.majorMm) - STOP_REPEATS_MM,
    };
  });
}
