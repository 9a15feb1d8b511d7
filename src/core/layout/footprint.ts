import type { Callout } from '../threads/callout';
import { SQUARE_MM, usualTapFigures } from '../tapping/tap-lengths.table';
import type { Thread } from '../threads/thread';
import { boltThrough, rowFor, SOCKET_HEADS } from './heads.table';
import { HEXAGONS, socketOutside, WASHERS } from './hexagons.table';

/** Sizes that a callout takes up on a face, mm. */
export interface Footprint {
  /** Thread major, or the hole itself. */
  diameterMm: number;
  /** Widest thing on the face: counterbore, countersink. At least the hole. */
  mouthMm: number;
  /** Head or washer of the screw that goes here; 0 where no screw of that size is listed. */
  headMm: number;
  /** Outside of the socket over a hexagon of that size; 0 where none is listed, or the head sits in a counterbore. */
  socketMm: number;
  /** Head or washer that stands over the face; 0 where it is sunk or none is listed. */
  proudMm: number;
  tapped: boolean;
  /** How high the square of the tap stands over the face when the thread is cut, and the sweep of its wrench. */
  tap?: { standsMm: number; swingMm: number };
}

/** Sweep of a T-handle, for taps to 6 mm, and of a two-handed wrench above. Trade rule. mm */
const SWING_MM = { small: 40, large: 125 } as const;

function tapRoom(thread: Thread, depthMm: number): Footprint['tap'] {
  return {
    standsMm: Math.max(0, usualTapFigures(thread).overallMm - depthMm - SQUARE_MM),
    swingMm: thread.majorMm <= 6 ? SWING_MM.small : SWING_MM.large,
  };
}

/**
 * What a callout takes up on its face: hole, mouth, the head or washer of its screw, socket and tap wrench.
 * @param threadEndMm where its full thread ends, from the face; as drawn, else one and a half diameters, where not given
 */
export function footprint(callout: Callout, threadEndMm?: number): Footprint {
  const bores = callout.features.filter((f) => f.kind === 'hole' || f.kind === 'thread');
  const thread = callout.features.find((f) => f.kind === 'thread');
  const sizes = bores.map((f) => (f.kind === 'thread' ? f.thread.majorMm : f.diameterMm));
  const all = callout.features.map((f) => (f.kind === 'thread' ? f.thread.majorMm : f.diameterMm));
  const diameterMm = thread ? thread.thread.majorMm : Math.max(...(sizes.length > 0 ? sizes : all));
  const mouthMm = Math.max(...all);
  const sunk = callout.features.some((f) => f.kind === 'counterbore' || f.kind === 'countersink');
  const fitted = bores.some((f) => f.kind === 'hole' && (f.ream || f.fit !== undefined));
  const bolt = sunk || fitted ? undefined : thread ? diameterMm : boltThrough(diameterMm);
  const row = <R extends readonly [boltMm: number, ...rest: number[]]>(rows: readonly R[]): number =>
    (bolt !== undefined && rowFor(rows, bolt)?.[1]) || 0;
  const acrossFlats = row(HEXAGONS);
  const drawnMm = thread?.extent?.kind === 'depth' ? thread.extent.mm : undefined;
  return {
    diameterMm,
    mouthMm,
    headMm: Math.max(row(SOCKET_HEADS), row(WASHERS), thread && !sunk ? 0 : mouthMm),
    proudMm: Math.max(row(SOCKET_HEADS), row(WASHERS)),
    socketMm: acrossFlats > 0 ? socketOutside(acrossFlats) : 0,
    tapped: thread !== undefined && !thread.outside,
    ...(thread && !thread.outside ? { tap: tapRoom(thread.thread, threadEndMm ?? drawnMm ?? 1.5 * diameterMm) } : {}),
  };
}
