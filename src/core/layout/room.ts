import RBush from 'rbush';
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
  /** Outside of the socket that turns a hexagon here; 0 where none is listed or the head sits in a counterbore. */
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
      : phrase('Centre {mm} from the edge; one and a half diameters are {want}, the minimum is {least}.', {
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
  web: 'Only {by} of metal left between the holes.',
  heads: 'Heads or washers foul each other by {by}.',
  socket: 'No room for a socket over a hexagon beside its neighbour, by {by}: use socket head screws or a spanner.',
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

/** Holes that are the same hole twice: the first of each, and every further one with it. */
function sameHoles(holes: readonly RoomHole[]): { firsts: number[]; again: [first: number, other: number][] } {
  const seen = new Map<string, number>();
  const again: [number, number][] = [];
  const firsts = [...holes.keys()].filter((i) => {
    const { at, diameterMm } = holes[i];
    const key = `${at.x.toFixed(6)} ${at.y.toFixed(6)} ${diameterMm.toFixed(6)}`;
    const first = seen.get(key);
    if (first === undefined) seen.set(key, i);
    else again.push([first, i]);
    return first === undefined;
  });
  return { firsts, again };
}

interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
  index: number;
}

/** Every two of some holes that are near enough to each other to be judged, once each. */
function* nearPairs(holes: readonly RoomHole[], indices: readonly number[]): Generator<[number, number]> {
  // Half of what a hole may keep others away by: two holes whose boxes do not meet have nothing to do with each other.
  const boxOf = (index: number): Box => {
    const { at, headMm, socketMm, proudMm, diameterMm } = holes[index];
    const half = Math.max(headMm, socketMm, proudMm, diameterMm + LEAST_WEB_MM) / 2;
    return { minX: at.x - half, maxX: at.x + half, minY: at.y - half, maxY: at.y + half, index };
  };
  const boxes = indices.map(boxOf);
  const tree = new RBush<Box>().load(boxes);
  for (const box of boxes) for (const { index } of tree.search(box)) if (index > box.index) yield [box.index, index];
}

/**
 * What does not fit on a face: edges, neighbours, heads, sockets, walls, wrenches. What stops the work comes first; of
 * many faults the first are listed and all are counted.
 */
export function checkRoom(holes: readonly RoomHole[], shape: FaceShape): RoomFaults {
  const faults = new WorstFirst<RoomFault>();
  const faulty = new Set<number>();
  const add = (fault: RoomFault): void => {
    faulty.add(fault.holes[0]);
    faults.add(Number(fault.level === 'stop'), () => fault);
  };
  const judge = (i: number, j: number): void => {
    const [a, b] = [holes[i], holes[j]];
    const verdict = judgePair(a, b, Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y));
    if (!verdict) return;
    faulty.add(i).add(j);
    faults.add(Number(levelOf(verdict) === 'stop'), () => pairFault(holes, i, j, verdict));
  };
  holes.forEach((hole, i) => [edgeFault(hole, i, shape) ?? [], wallFaults(hole, i, shape)].flat().forEach(add));
  const { firsts, again } = sameHoles(holes);
  for (const [first, other] of again) judge(first, other);
  for (const [i, j] of nearPairs(holes, firsts)) judge(i, j);
  return { ...faults.found(), faulty };
}
