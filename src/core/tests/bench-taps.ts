import { THREADS } from '../threads/standards';
import type { Thread } from '../threads/thread';
import { usualFlutes, type TapGeometry } from '../tapping/tap';
import { usualTapFigures } from '../tapping/tap-lengths.table';
import type { OwnTap } from '../tapping/own-tap';
import type { Shop } from '../shop/shop';
import type { Tool } from '../shop/tool';
import { shop } from './bench-shop';

const thread = (name: string): Thread => THREADS.find((t) => t.designation === name) as Thread;

/** A sound tap of usual figures; its id says what it is: `M8x1.25 plug`. */
export function ownTap(
  name: string,
  kind: string,
  geometry: TapGeometry,
  chamferThreads: number,
  over: Partial<OwnTap> = {},
): OwnTap {
  const t = thread(name);
  return {
    id: `${name} ${kind}`,
    thread: name,
    hand: 'right',
    geometry,
    place: 'complete',
    chamferThreads,
    flutes: usualFlutes(geometry, t.majorMm),
    steel: 'hss',
    ground: true,
    surface: 'bright',
    ...usualTapFigures(t),
    centre: 'male',
    condition: 'sharp',
    holesDone: 0,
    where: '',
    ...over,
  };
}

const handSet = (name: string): OwnTap[] => [
  ownTap(name, 'taper', 'straight', 8),
  ownTap(name, 'plug', 'straight', 4),
  ownTap(name, 'bottoming', 'straight', 2),
];

/** Hand sets, some machine taps, two forming; M10 without its bottoming tap. */
export const TAPS: readonly OwnTap[] = [
  ...['M3x0.5', 'M4x0.7', 'M5x0.8', 'M6x1', 'M8x1.25', 'M10x1.5', 'M12x1.75', '1/4-20 UNC'].flatMap(handSet),
  ...['M3x0.5', 'M4x0.7', 'M5x0.8', 'M6x1', 'M8x1.25'].map((n) => ownTap(n, 'spiral-point', 'spiral-point', 4)),
  ...['M4x0.7', 'M5x0.8', 'M6x1'].map((n) => ownTap(n, 'spiral-flute', 'spiral-flute', 2.5)),
  ...['M2.5x0.45', 'M5x0.8'].map((n) => ownTap(n, 'form', 'form', 2.5)),
  ownTap('2 BA', 'plug', 'straight', 4),
].filter((t) => t.id !== 'M10x1.5 bottoming');

const TOOLS: readonly Tool[] = [
  { id: 'w1', kind: 'tap-wrench', name: 'T-handle', smallMm: 2, diameterMm: 5 },
  { id: 'w2', kind: 'tap-wrench', name: 'Tap wrench 280', smallMm: 4, diameterMm: 12, reachMm: 280 },
  { id: 'sc', kind: 'spring-centre', name: 'Spring centre' },
  { id: 'tb', kind: 'tapping-block', name: 'Tapping block', diameterMm: 12 },
  { id: 'th', kind: 'tapping-head', name: 'Tapping head', smallMm: 5, diameterMm: 12, fromNm: 2, toNm: 40 },
];

/** The shop with its taps and what drives them. */
export const tapShop = (taps: readonly OwnTap[] = TAPS): Shop => ({
  ...shop,
  taps,
  tools: [...TOOLS],
});
