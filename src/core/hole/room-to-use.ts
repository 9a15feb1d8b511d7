import { depth, problem, type Problem } from '../answer/answer';
import { isUsable, pointAngleOf, type Drill } from '../drills/drill';
import type { ShopHabits } from '../shop/habits';
import { thinWallMm } from '../tapping/blind-depth';
import { roomsBelow, type Room } from '../tapping/room-below';
import { isTapered } from '../threads/thread';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';

/** Ways to make the room at the bottom of a blind thread; none through or for a thread that is stopped by the gauge. */
function roomsOf(hole: ResolvedHole, at: ResolvedThread, drill: Drill, habits: ShopHabits): Room[] {
  const { thread } = at.feature;
  if (at.through || isTapered(thread)) return [];
  return roomsBelow({
    thread,
    lengthMm: at.lengthMm,
    fromMm: at.fromMm,
    thicknessMm: hole.thicknessMm,
    drillMm: drill.diameterMm,
    pointAngleDeg: pointAngleOf(drill),
    names: habits.tapNames,
  });
}

/** Rooms that need no tool of their own kind. */
const USUAL_ROOMS: readonly string[] = ['deeper', 'point-135', 'bottoming'];

/** Under this a wall is none, mm. Trade rule. */
const noWallMm = (sizeMm: number): number => Math.max(0.5, 0.1 * sizeMm);
/** A wall that is warned of, and better than tools that a crib seldom has, mm. Our judgement. */
const THIN_YET_SOUND_MM = 0.9;

/** The one that leaves the thickest wall, over the least that it may be, mm. */
const thickest = (among: readonly Room[], leastMm: number): Room | undefined =>
  among.reduce<Room | undefined>(
    (a, r) => ((r.wallMm ?? 0) > Math.max(leastMm - 1e-9, (a?.wallMm ?? 0) + 1e-9) ? r : a),
    undefined,
  );

export interface RoomToUse {
  /** None through. */
  rooms: Room[];
  room?: Room;
  /** Not even the shallowest leaves a wall. */
  noWall?: Problem;
}

/**
 * Ways to make the room at the bottom of a blind thread, and the one to use; none through. The room asked for; else the
 * first that leaves a sound wall with usual tools, or a thin one; else with any tool, sound or the thickest.
 */
export function roomToUse(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  drill: Drill,
  habits: ShopHabits,
): RoomToUse {
  const rooms = roomsOf(hole, at, drill, habits);
  const hasSplit = q.pool.drills.some(
    (d) => isUsable(d) && Math.abs(d.diameterMm - drill.diameterMm) < 1e-3 && pointAngleOf(d) >= 135,
  );
  const usual = rooms.filter((r) => USUAL_ROOMS.includes(r.id) && (r.id !== 'point-135' || hasSplit));
  const walled = (): Room | undefined =>
    usual.find((r) => r.fits) ??
    thickest(usual, Math.max(THIN_YET_SOUND_MM, noWallMm(drill.diameterMm))) ??
    rooms.find((r) => r.fits) ??
    thickest(rooms, noWallMm(drill.diameterMm)) ??
    rooms.find((r) => r.id === 'bottoming');
  const asked = rooms.find((r) => r.id === q.room);
  const room = asked ?? (rooms[0]?.wallMm === undefined ? usual[0] : walled());
  const { thread } = at.feature;
  const { thicknessMm = 0 } = hole;
  const least = Math.min(...rooms.map((r) => r.totalMm));
  if (rooms.length === 0 || least <= thicknessMm - noWallMm(thread.majorMm)) return { rooms, room };
  const most = at.lengthMm - (least - thicknessMm) - thinWallMm(thread.majorMm);
  const noWall = problem(
    'wall-zero',
    'threadDepth',
    'A blind thread {depth} deep needs a hole {total} deep to the tip; the plate is {thickness}.',
    most > thread.pitchMm
      ? 'Thread at most {most} deep, or go through.'
      : 'Go through, or use thicker stock: no room for a usable blind thread.',
    {
      depth: depth(at.lengthMm),
      total: depth(least),
      thickness: depth(thicknessMm),
      most: depth(Math.max(most, 0)),
    },
  );
  return { rooms, room, noWall };
}
