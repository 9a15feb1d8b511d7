import {
  GEOMETRY_LABEL,
  handTapName,
  usualTap,
  type TapGeometry,
  type TapNames,
  type TapPlace,
  type TapRole,
  type TapSteel,
  type TapSurface,
  type TapToUse,
} from './tap';
import { reachOf, usualTapFigures } from './tap-lengths.table';
import type { Thread } from '../threads/thread';

export const TAP_CONDITIONS = ['sharp', 'worn', 'broken', 'lost'] as const;
export type TapCondition = (typeof TAP_CONDITIONS)[number];
export const TAP_CENTRES = ['male', 'female', 'none'] as const;

/** A tap of the crib. Lengths in mm. */
export interface OwnTap {
  id: string;
  /** Designation of its thread: M8x1.25. */
  thread: string;
  hand: 'right' | 'left';
  geometry: TapGeometry;
  place: TapPlace;
  chamferThreads: number;
  flutes: number;
  steel: TapSteel;
  ground: boolean;
  /** Class that it makes, where it is marked: 6H. */
  makesClass?: string;
  surface: TapSurface;
  overallMm: number;
  threadMm: number;
  neckMm: number;
  shankMm: number;
  squareMm: number;
  centre: (typeof TAP_CENTRES)[number];
  condition: TapCondition;
  /** Holes that it has tapped so far. */
  holesDone: number;
  where: string;
}

export const isTapUsable = ({ condition }: Pick<OwnTap, 'condition'>): boolean =>
  condition === 'sharp' || condition === 'worn';

/** Holes after which a tap is near the end of its life, in everyday metal. Our judgement, until the log knows better. */
export const TAP_LIFE_HOLES: Record<TapSteel, number> = { carbon: 150, hss: 500, cobalt: 800, carbide: 2000 };
/** A forming tap lasts so many times as long as one that cuts. Our judgement. */
const FORMS_LONGER = 5;
/**
 * Holes after which a tap is near the end of its life, in everyday metal.
 * @example tapLifeHoles('hss', 'form') // 2500
 */
export const tapLifeHoles = (steel: TapSteel, geometry?: TapGeometry): number =>
  TAP_LIFE_HOLES[steel] * (geometry === 'form' ? FORMS_LONGER : 1);
const WEAR_WHILE_SHARP = 0.3;
const WORN = 1.6;

/**
 * How much harder a tap turns than a new one: up to 1.3 over its life, 1.6 where it is marked worn. Our judgement.
 * @example wearOf({ condition: 'worn', holesDone: 0, steel: 'hss' }) // 1.6
 */
export const wearOf = ({ condition, holesDone, steel }: Pick<OwnTap, 'condition' | 'holesDone' | 'steel'>): number =>
  condition === 'worn' ? WORN : 1 + WEAR_WHILE_SHARP * Math.min(1, holesDone / TAP_LIFE_HOLES[steel]);

/** What a tap of the crib is called beside its thread: plug; spiral-point (gun) tap; rougher. */
export function tapName(tap: Pick<OwnTap, 'geometry' | 'place' | 'chamferThreads'>, names: TapNames): string {
  if (tap.place !== 'complete') return tap.place;
  return tap.geometry === 'straight' ? handTapName(tap.chamferThreads, names) : GEOMETRY_LABEL[tap.geometry];
}

/** A tap for a role with the figures that the standards usually give it. */
export function usualOwnTap(id: string, thread: Thread, role: TapRole): OwnTap {
  const usual = usualTap(role, thread, 'taper-plug-bottoming', true, true);
  return {
    id,
    thread: thread.designation,
    hand: 'right',
    geometry: usual.geometry,
    place: usual.place,
    chamferThreads: usual.chamferThreads,
    flutes: usual.flutes,
    steel: 'hss',
    ground: true,
    surface: 'bright',
    ...usualTapFigures(thread),
    centre: usual.geometry === 'straight' ? 'male' : 'none',
    condition: 'sharp',
    holesDone: 0,
    where: '',
  };
}

/** A tap of the crib as a hole uses it. */
export function tapToUse(own: OwnTap, thread: Thread, names: TapNames): TapToUse {
  const { id, geometry, chamferThreads, flutes, steel, place, surface, ground, threadMm, shankMm, squareMm, where } =
    own;
  return {
    key: id,
    owned: true,
    name: tapName(own, names),
    wear: wearOf(own),
    reachMm: reachOf(own, thread).reachMm,
    ...{ geometry, chamferThreads, flutes, steel, place, surface, ground, threadMm, shankMm, squareMm, where },
  };
}
