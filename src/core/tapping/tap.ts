import { isTapered, type Thread } from '../threads/thread';
import { usualFigures, type UsualFigures } from './tap-lengths.table';

export const TAP_GEOMETRIES = ['straight', 'spiral-point', 'spiral-flute', 'form', 'pipe'] as const;
export type TapGeometry = (typeof TAP_GEOMETRIES)[number];

export const GEOMETRY_LABEL: Record<TapGeometry, string> = {
  straight: 'straight-flute hand tap',
  'spiral-point': 'spiral-point (gun) tap',
  'spiral-flute': 'spiral-flute tap',
  form: 'forming tap',
  pipe: 'taper pipe tap',
};

/** Names of hand taps differ by country, so the number of chamfer threads always stands beside them. */
export type TapNames = 'taper-plug-bottoming' | 'taper-second-plug';

/** Place in a serial set, in which each tap cuts its own share; a complete tap cuts the whole thread. */
export const TAP_PLACES = ['complete', 'rougher', 'intermediate', 'finisher'] as const;
export type TapPlace = (typeof TAP_PLACES)[number];
export const TAP_STEELS = {
  carbon: 'carbon steel',
  hss: 'high-speed steel',
  cobalt: 'cobalt',
  carbide: 'carbide',
} as const;
export type TapSteel = keyof typeof TAP_STEELS;
export const TAP_SURFACES = ['bright', 'nitrided', 'steam-oxide', 'coated'] as const;
export type TapSurface = (typeof TAP_SURFACES)[number];

/** What a tap's load depends on. */
export interface Tap {
  geometry: TapGeometry;
  /** Threads ground away at the front. */
  chamferThreads: number;
  flutes: number;
  name: string;
  /** High-speed steel where it is not said. */
  steel?: TapSteel;
  /** 1 when new to 1.6 at the end of its life. */
  wear?: number;
}

/** A tap that a hole can be tapped with: one of the crib, or a usual one. Lengths in mm. */
export interface TapToUse extends Tap {
  /** Id in the crib, or the role of a usual tap: `plug`. */
  key: string;
  /** Hangs in the crib; a usual one where the crib’s taps are not known. */
  owned: boolean;
  place: TapPlace;
  surface?: TapSurface;
  ground: boolean;
  threadMm: number;
  /** How deep it goes below the face. */
  reachMm: number;
  shankMm: number;
  squareMm: number;
  /** Its place in the crib. */
  where?: string;
}

const HAND_NAMES: Record<TapNames, readonly [string, string, string]> = {
  'taper-plug-bottoming': ['taper', 'plug', 'bottoming'],
  'taper-second-plug': ['taper', 'second', 'plug'],
};
/** What a tap is for in a hole. */
export const TAP_ROLES = [
  'taper',
  'plug',
  'bottoming',
  'ground-bottoming',
  'spiral-point',
  'spiral-flute',
  'form',
  'pipe',
  'rougher',
  'intermediate',
  'finisher',
] as const;
export type TapRole = (typeof TAP_ROLES)[number];
export const HAND_CHAMFER = { taper: 8, plug: 4, bottoming: 2, 'ground-bottoming': 1.5 } as const;
type HandRole = keyof typeof HAND_CHAMFER;

/**
 * Flutes when the crib does not say: by geometry and diameter in mm. Forming taps have lobes, taken as 4.
 * @example usualFlutes('straight', 8) // 4
 */
export function usualFlutes(geometry: TapGeometry, majorMm: number): number {
  if (geometry === 'straight') return majorMm < 6 ? 3 : 4;
  if (geometry === 'spiral-point') return majorMm < 5 ? 2 : 3;
  return geometry === 'spiral-flute' && majorMm < 14 ? 3 : 4;
}

/**
 * Name of a hand tap with this many chamfer threads, the way the shop names it.
 * @example handTapName(4, 'taper-plug-bottoming') // 'plug'
 */
export function handTapName(chamferThreads: number, names: TapNames): string {
  const [taper, second, third] = HAND_NAMES[names];
  if (chamferThreads >= 6) return taper;
  return chamferThreads >= 3 ? second : third;
}

/** A hand tap of a set, named the way the shop names it. */
export function handTap(kind: HandRole, majorMm: number, names: TapNames): Tap {
  const chamferThreads = HAND_CHAMFER[kind];
  return {
    geometry: 'straight',
    chamferThreads,
    flutes: usualFlutes('straight', majorMm),
    name: `${kind === 'ground-bottoming' ? 'ground ' : ''}${handTapName(chamferThreads, names)}`,
  };
}

/** A machine tap with its usual chamfer: spiral point 4, spiral flute 2.5, forming 4 through and 2.5 blind. */
export function machineTap(geometry: 'spiral-point' | 'spiral-flute' | 'form', majorMm: number, blind: boolean): Tap {
  const chamferThreads = geometry === 'spiral-point' || (geometry === 'form' && !blind) ? 4 : 2.5;
  return { geometry, chamferThreads, flutes: usualFlutes(geometry, majorMm), name: GEOMETRY_LABEL[geometry] };
}

const isHandRole = (role: TapRole): role is HandRole => role in HAND_CHAMFER;

/** A usual tap for a role, with the figures of the standards. */
export function usualTap(
  role: TapRole,
  thread: Thread,
  names: TapNames,
  blind: boolean,
  owned: boolean,
  figures: UsualFigures = usualFigures(thread),
): TapToUse {
  const { majorMm } = thread;
  const cut: Tap = isHandRole(role)
    ? handTap(role, majorMm, names)
    : role === 'spiral-point' || role === 'spiral-flute' || role === 'form'
      ? machineTap(role, majorMm, blind)
      : {
          geometry: role === 'pipe' ? 'pipe' : 'straight',
          chamferThreads: role === 'pipe' || role === 'finisher' ? 2.5 : role === 'rougher' ? 6 : 4,
          flutes: 4,
          name: role === 'pipe' ? GEOMETRY_LABEL.pipe : role,
        };
  const { threadMm, shankMm, squareMm, reachMm } = figures;
  const { geometry, chamferThreads, flutes, name } = cut;
  return {
    geometry,
    chamferThreads,
    flutes,
    name,
    key: role,
    owned,
    place: role === 'rougher' || role === 'intermediate' || role === 'finisher' ? role : 'complete',
    ground: true,
    threadMm,
    shankMm,
    squareMm,
    reachMm,
  };
}

/** What a tap is for, by its make. */
export function roleOf(
  tap: Pick<TapToUse, 'geometry' | 'chamferThreads' | 'place' | 'ground'>,
  thread: Thread,
): TapRole {
  if (isTapered(thread)) return 'pipe';
  if (tap.place !== 'complete') return tap.place;
  if (tap.geometry !== 'straight') return tap.geometry;
  if (tap.chamferThreads >= 6) return 'taper';
  if (tap.chamferThreads >= 3) return 'plug';
  return tap.ground && tap.chamferThreads <= 1.5 ? 'ground-bottoming' : 'bottoming';
}
