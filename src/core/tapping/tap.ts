export type TapGeometry = 'straight' | 'spiral-point' | 'spiral-flute' | 'form';

export const GEOMETRY_LABEL: Record<TapGeometry, string> = {
  straight: 'straight-flute hand tap',
  'spiral-point': 'spiral-point (gun) tap',
  'spiral-flute': 'spiral-flute tap',
  form: 'forming tap',
};

/** Names of hand taps differ by country, so the number of chamfer threads always stands beside them. */
export type TapNames = 'taper-plug-bottoming' | 'taper-second-plug';

export interface Tap {
  geometry: TapGeometry;
  /** Threads ground away at the front. */
  chamferThreads: number;
  flutes: number;
  name: string;
}

const HAND_NAMES: Record<TapNames, readonly [string, string, string]> = {
  'taper-plug-bottoming': ['taper', 'plug', 'bottoming'],
  'taper-second-plug': ['taper', 'second', 'plug'],
};
export const HAND_CHAMFER = { taper: 8, plug: 4, bottoming: 2 } as const;

/** Flutes when the crib does not say: by geometry and diameter in mm. Forming taps have lobes, taken as 4. */
export function usualFlutes(geometry: TapGeometry, majorMm: number): number {
  if (geometry === 'straight') return majorMm < 6 ? 3 : 4;
  if (geometry === 'spiral-point') return majorMm < 5 ? 2 : 3;
  return geometry === 'spiral-flute' ? 3 : 4;
}

/** A hand tap of a set, named the way the shop names it. */
export function handTap(kind: keyof typeof HAND_CHAMFER, majorMm: number, names: TapNames): Tap {
  const index = { taper: 0, plug: 1, bottoming: 2 }[kind];
  return {
    geometry: 'straight',
    chamferThreads: HAND_CHAMFER[kind],
    flutes: usualFlutes('straight', majorMm),
    name: HAND_NAMES[names][index],
  };
}

/** A machine tap with its usual chamfer: spiral point 4, spiral flute 2.5, forming 4 through and 2.5 blind. */
export function machineTap(geometry: Exclude<TapGeometry, 'straight'>, majorMm: number, blind: boolean): Tap {
  const chamferThreads = geometry === 'spiral-point' || (geometry === 'form' && !blind) ? 4 : 2.5;
  return { geometry, chamferThreads, flutes: usualFlutes(geometry, majorMm), name: GEOMETRY_LABEL[geometry] };
}
