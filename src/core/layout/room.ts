import { depth, phrase, type Phrase } from '../answer/answer';
import { outlineDistance } from './outline';
import { SIDES, type FaceShape, type Point, type Side } from './part';
import { WorstFirst, type Found } from './worst-first';

/** A hole with what sits on it. Diameters in mm. */
export interface RoomHole {
  id: string;
  at: Point;
  /** Hole, or major diameter of the thread. */
  diameterMm: number;
  /** Largest of head and washer over it; 0 for none. */
  headMm: number;
  /** Outside of the socket that turns a hexagon here; 0 where none is listed or the head lies in a counterbore. */
  socketMm: number;
  /** What stands over the face there: a head or washer that is not sunk; 0 for none. */
  proudMm: number;
  /** Tap that goes here: how high its square stands over the face at full depth, and what its wrench sweeps. */
  tap?: { standsMm: number; swingMm: number };
}

export interface RoomFault {
  code: 'outside' | 'edge' | 'overlap' | 'web' | 'heads' | 'socket' | 'wall' | 'swing' | 'same-place';
  level: 'warn' | 'stop';
  /** Holes concerned, by index. */
  holes: number[];
  reason: Phrase;
  /** The smallest move of the first hole that cures it. */
  cure?: Point;
}

/** Least web between two holes, mm. */
const LEAST_WEB_MM = 1;

/** Distance from a place to the nearest edge and the direction inward, from the lower left corner or the centre. */
export function edgeDistance(at: Point, shape: FaceShape): { mm: number; inward: Point } {
  if (shape.kind === 'circle') {
    const r = Math.hypot(at.x, at.y);
    return { mm: shape.diameterMm / 2 - r, inward: r === 0 ? { x: 0, y: 0 } : { x: -at.x / r, y: -at.y / r } };
  }
  if (shape.outline) return outlineDistance(at, shape.outline);
  const sides: [mm: number, inward: Point][] = [
    [at.x, { x: 1, y: 0 }],
    [shape.widthMm - at.x, { x: -1, y: 0 }],
    [at.y, { x: 0, y: 1 }],
    [shape.heightMm - at.y, { x: 0, y: -1 }],
  ];
  const [mm, inward] = sides.reduce((a, b) => (b[0] < a[0] ? b : a));
  return { mm, inward };
}

const scaled = (p: Point, by: number): Point => ({ x: p.x * by, y: p.y * by });

function edgeFault(hole: RoomHole, index: number, shape: FaceShape): RoomFault | undefined {
  const { mm, inward } = edgeDistance(hole.at, shape);
  const least = hole.diameterMm + LEAST_WEB_MM;
  const want = 1.5 * hole.diameterMm;
  if (mm >= Math.max(want, least) - 1e-9) return undefined;
  const stop = mm < least - 1e-9;
  const goal = stop ? Math.max(least, want) : want;
  const outside = mm - hole.diameterMm / 2 < 0;
  return {
    code: outside ? 'outside' : 'edge',
    level: stop ? 'stop' : 'warn',
    holes: [index],
    reason: outside
      ? phrase('The hole breaks out of the edge: its centre is {mm} from it.', { mm: depth(mm) })
      : phrase('Centre {mm} from the edge; one and a half diameters are {want}, the least is {least}.', {
          mm: depth(mm),
          want: depth(want),
          least: depth(least),
        }),
    cure: scaled(inward, goal - mm),
  };
}

const INWARD: Record<Side, Point> = {
  left: { x: 1, y: 0 },
  right: { x: -1, y: 0 },
  bottom: { x: 0, y: 1 },
  top: { x: 0, y: -1 },
};

/** What a standing wall leaves no room for: the head, the socket over it, the sweep of the tap wrench. */
function wallFaults(hole: RoomHole, index: number, shape: FaceShape): RoomFault[] {
  if (shape.kind !== 'rectangle' || !shape.walls) return [];
  const to: Record<Side, number> = {
    left: hole.at.x,
    right: shape.widthMm - hole.at.x,
    bottom: hole.at.y,
    top: shape.heightMm - hole.at.y,
  };
  return SIDES.flatMap((side): RoomFault[] => {
    const wall = shape.walls?.[side] ?? 0;
    if (wall <= 0) return [];
    const values = { side, mm: depth(to[side]), wall: depth(wall) };
    const fault = (code: 'wall' | 'swing', radius: number, text: string): RoomFault[] =>
      to[side] >= radius - 1e-9
        ? []
        : [
            {
              code,
              level: code === 'wall' ? 'stop' : 'warn',
              holes: [index],
              reason: phrase(text, { ...values, radius: depth(radius) }),
              cure: scaled(INWARD[side], radius - to[side]),
            },
          ];
    const widest = Math.max(hole.headMm, hole.socketMm) / 2;
    return [
      ...fault('wall', widest, 'The wall on the {side} is {mm} away; head and socket need {radius}.'),
      ...(hole.tap && wall > hole.tap.standsMm
        ? fault(
            'swing',
            hole.tap.swingMm,
            'The tap wrench sweeps {radius} and the wall on the {side}, {wall} tall, is {mm} away: use a ratchet handle or an extension.',
          )
        : []),
    ];
  });
}

export interface RoomFaults extends Found<RoomFault> {
  /** Holes that any fault concerns, listed or not, by index. */
  faulty: ReadonlySet<number>;
}

type PairCode = 'same-place' | 'overlap' | 'web' | 'heads' | 'socket';

/** What two holes do to each other: by how much, mm, and how far the first must move. */
interface PairVerdict {
  code: PairCode;
  byMm: number;
  moveMm: number;
}

function judgePair(a: RoomHole, b: RoomHole, apart: number): PairVerdict | undefined {
  const web = apart - (a.diameterMm + b.diameterMm) / 2;
  if (apart < 1e-6 && Math.abs(a.diameterMm - b.diameterMm) < 1e-6)
    return { code: 'same-place', byMm: -web, moveMm: a.diameterMm + LEAST_WEB_MM };
  if (web < 0) return { code: 'overlap', byMm: -web, moveMm: LEAST_WEB_MM - web };
  if (web < LEAST_WEB_MM) return { code: 'web', byMm: web, moveMm: LEAST_WEB_MM - web };
  const heads = apart - (a.headMm + b.headMm) / 2;
  if (a.headMm > 0 && b.headMm > 0 && heads < 0) return { code: 'heads', byMm: -heads, moveMm: -heads };
  const over = (one: RoomHole, other: RoomHole): number =>
    one.socketMm > 0 && other.proudMm > 0 ? (one.socketMm + other.proudMm) / 2 : 0;
  const socket = apart - Math.max(over(a, b), over(b, a));
  return socket < 0 ? { code: 'socket', byMm: -socket, moveMm: -socket } : undefined;
}

const PAIR_REASON: Record<PairCode, string> = {
  'same-place': 'Two equal holes are in one place.',
  overlap: 'The holes run into each other by {by}.',
  web: 'Only {by} of metal stands between the holes.',
  heads: 'Heads or washers foul each other by {by}.',
  socket: 'No room for a socket over a hexagon beside its neighbour, by {by}: take socket head screws or a spanner.',
};

const levelOf = ({ code }: PairVerdict): RoomFault['level'] =>
  code === 'heads' || code === 'socket' ? 'warn' : 'stop';

function pairFault(holes: readonly RoomHole[], i: number, j: number, verdict: PairVerdict): RoomFault {
  const dx = holes[i].at.x - holes[j].at.x;
  const dy = holes[i].at.y - holes[j].at.y;
  const apart = Math.hypot(dx, dy);
  return {
    code: verdict.code,
    level: levelOf(verdict),
    holes: [i, j],
    reason: phrase(PAIR_REASON[verdict.code], { by: depth(verdict.byMm) }),
    cure: scaled(apart < 1e-6 ? { x: 1, y: 0 } : { x: dx / apart, y: dy / apart }, verdict.moveMm),
  };
}

/**
 * What does not fit on a face: edges, neighbours, heads, sockets, walls, wrenches. What stops the work comes first; of
 * many faults the first are listed and all are counted.
 * Holes are sorted along x, so that each is compared only with those within reach.
 */
export function checkRoom(holes: readonly RoomHole[], shape: FaceShape): RoomFaults {
  const faults = new WorstFirst<RoomFault>();
  const faulty = new Set<number>();
  const add = (fault: RoomFault): void => {
    faulty.add(fault.holes[0]);
    faults.add(Number(fault.level === 'stop'), () => fault);
  };
  holes.forEach((hole, i) => [edgeFault(hole, i, shape) ?? [], wallFaults(hole, i, shape)].flat().forEach(add));
  const order = [...holes.keys()].sort((a, b) => holes[a].at.x - holes[b].at.x);
  const widest = holes.reduce((w, h) => Math.max(w, h.headMm, h.socketMm, h.diameterMm + 2 * LEAST_WEB_MM), 0);
  for (let i = 0; i < order.length; i++)
    for (let j = i + 1; j < order.length && holes[order[j]].at.x - holes[order[i]].at.x < widest; j++) {
      const [a, b] = [holes[order[i]], holes[order[j]]];
      if (Math.abs(a.at.y - b.at.y) >= widest) continue;
      const verdict = judgePair(a, b, Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y));
      if (!verdict) continue;
      faulty.add(order[i]).add(order[j]);
      faults.add(Number(levelOf(verdict) === 'stop'), () => pairFault(holes, order[i], order[j], verdict));
    }
  return { ...faults.found(), faulty };
}
