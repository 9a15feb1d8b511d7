import { answer, mm, phrase, quantity, type Answer, type Quantity } from '../answer/answer';
import { expected, toolLevels, type Expected, type Learned, type Spread } from '../answer/estimate';
import { isHard, type Material } from '../materials/material';
import { percentOfThread } from '../threads/percent-of-thread';
import { formOf, type Thread } from '../threads/thread';
import { GEOMETRY_LABEL, type Tap, type TapGeometry } from './tap';

/**
 * Area in mm² of one thread space between the hole (mm) and the major diameter. Model: flat of P/8 at the top.
 * @example threadArea(M8, 6.8) // 0.6 × (1.25 ÷ 8 + 0.6 × tan 30°) = 0.302
 */
export function threadArea(thread: Thread, holeMm: number): number {
  const h = (thread.majorMm - holeMm) / 2;
  return h * (thread.pitchMm / 8 + h * formOf(thread).halfAngleTan);
}

export const FLUIDS = ['right', 'poor', 'dry'] as const;
export type Fluid = (typeof FLUIDS)[number];
const FLUID_FACTOR: Record<Fluid, number> = { right: 1, poor: 1.25, dry: 1.5 };
const GEOMETRY_FACTOR: Record<TapGeometry, number> = {
  straight: 1,
  'spiral-point': 0.8,
  'spiral-flute': 1,
  form: 1.6,
  pipe: 1,
};

/**
 * How much a full thread rubs: 1 up to 75 percent, more than double near 100. Model.
 * @example rubFactor(100) // 1 + 1.2 × 1² = 2.2
 */
export const rubFactor = (percent: number): number => 1 + 1.2 * Math.max(0, (percent - 75) / 25) ** 2;

/**
 * Torque over that of steel in metals that spring back and hold the tap, 1 to 1.8. Our judgement.
 * @example gripFactor(mildSteel) // 1
 */
export function gripFactor(m: Material): number {
  if (m.group === 'titanium') return 1.8;
  if (m.group === 'nickel') return 1.6;
  return m.group === 'stainless' && m.chips === 'stringy' ? 1.2 : 1;
}

export interface TappingConditions {
  thread: Thread;
  material: Material;
  tap: Tap;
  /** Predicted hole; for forming taps the finished minor diameter. mm */
  minorMm: number;
  /** Least minor diameter of the class: a hole under it is never calm to tap. */
  leastMinorMm?: number;
  depthMm: number;
  through: boolean;
  /** The tap is turned back to break the chip. */
  reversing: boolean;
  fluid?: Fluid;
  /** Part of the thread that taps before this one leave it: of its area, and of its height on one tooth. */
  takes?: { area: number; height: number };
  thicknessMm?: number;
  /** A spiral point in a blind hole has the room for its chips. */
  chipRoom?: boolean;
  /** Torque over the model’s, as this shop measured it; undefined where it did not. */
  measured?: Expected;
  /** Turned by hand; `freehand` with nothing that guides it. */
  byHand?: boolean;
  freehand?: boolean;
}

/**
 * Torque over that of free flutes as chips crowd them deeper than one diameter: 1 and up, 1.5 for a spiral point without chip
 * room. Our judgement.
 */
export function packingFactor({
  material,
  tap,
  thread,
  depthMm,
  through,
  reversing,
  chipRoom,
}: TappingConditions): number {
  if (tap.geometry === 'form') return 1;
  if (tap.geometry === 'spiral-point') return through || chipRoom ? 1 : 1.5;
  const c = { short: 0.05, powder: 0.05, long: 0.08, stringy: 0.15 }[material.chips];
  const share = tap.geometry === 'spiral-flute' ? 1 / 3 : reversing ? 1 : 2;
  return 1 + c * share * Math.max(0, depthMm / thread.majorMm - 1);
}

/** Torque with this fluid over that with the right one, 1 to 1.5. Our judgement. */
export const fluidFactor = ({ fluid = 'right' }: TappingConditions): number => FLUID_FACTOR[fluid];

/** Chamfer threads that cut at once: no more than the plate is thick, in pitches. */
const cutting = ({ tap, thicknessMm, thread }: TappingConditions): number =>
  Math.max(
    1,
    thicknessMm === undefined ? tap.chamferThreads : Math.min(tap.chamferThreads, thicknessMm / thread.pitchMm),
  );

/** Chip thickness on one tooth of the chamfer, mm: the second risk beside torque. */
export function toothLoad(c: TappingConditions): number {
  return ((c.takes?.height ?? 1) * (c.thread.majorMm - c.minorMm)) / 2 / (cutting(c) * c.tap.flutes);
}

/** Tooth load in mm above which teeth chip: 0.06 in stainless, titanium and hard metal, 0.1 elsewhere. */
export const toothLoadLimit = (m: Material): number =>
  m.group === 'stainless' || m.group === 'titanium' || m.group === 'nickel' || isHard(m) ? 0.06 : 0.1;

/** Under this a chip takes no more force for being finer, mm. */
const FINEST_CHIP_MM = 0.02;

/** What the torque is made of: area left to this tap (mm²), chip on a tooth (mm), cutting force (MPa). */
function torqueParts(c: TappingConditions): { area: number; chip: number; kc: number; bareNm: number } {
  const { thread, material, minorMm } = c;
  const area = (c.takes?.area ?? 1) * threadArea(thread, minorMm);
  const chip = toothLoad(c);
  const kc = material.kc11 * Math.max(chip, FINEST_CHIP_MM) ** -material.mc;
  return { area, chip, kc, bareNm: (kc * area * (thread.majorMm + minorMm)) / 4 / 1000 };
}

/** What makes it turn harder: rubbing, geometry, fluid, wear, grip, packing, what was measured. */
const factorsOf = (c: TappingConditions): readonly number[] => [
  rubFactor(percentOfThread(c.thread, c.minorMm)),
  GEOMETRY_FACTOR[c.tap.geometry],
  fluidFactor(c),
  c.tap.wear ?? 1,
  gripFactor(c.material),
  packingFactor(c),
  c.measured?.mean ?? 1,
];

/** One sigma of a tap’s torque as a share of the model’s. Our judgement. */
const TORQUE_SIGMA = 0.15;
/** Torque of a tap over the model’s, before any was measured. */
export const TYPICAL_TORQUE: Spread = { mean: 1, sigma: TORQUE_SIGMA };
/** Levels at which torque pools: the metal, then the thread in it. */
export const torqueLevels = (material: Material, thread: Thread): [string, string] => [
  material.id,
  `${material.id}|${thread.designation}`,
];
/** This very tap: one of the crib, else the usual one of its thread. */
export const tapLevel = ({ key, owned }: { key: string; owned: boolean }, thread: Thread): string =>
  owned ? `tap ${key}` : `tap ${key} ${thread.designation}`;

/** Torque of a tap over the model’s, as this shop measured it; undefined where it did not. */
export function measuredTorque(
  material: Material,
  thread: Thread,
  tap: { key: string; owned: boolean },
  learned: Learned | undefined,
): Expected | undefined {
  const levelsOf = (): string[] => {
    const levels = torqueLevels(material, thread);
    return [...levels, ...toolLevels(tapLevel(tap, thread), levels[1])];
  };
  const found = expected('torque', TYPICAL_TORQUE, levelsOf, learned);
  return found.n > 0 ? found : undefined;
}

const product = (factors: readonly number[], of: number): number => factors.reduce((a, b) => a * b, of);

/** The value of {@link tappingTorque} alone, Nm. */
export const tappingTorqueNm = (c: TappingConditions): number => product(factorsOf(c), torqueParts(c).bareNm);

/** Torque to turn a tap, Nm. Model: an estimate for comparing, never a rating. */
export function tappingTorque(c: TappingConditions): Answer {
  const { thread, material, minorMm, tap } = c;
  const { area, chip, kc, bareNm } = torqueParts(c);
  const factors = factorsOf(c);
  const labels = [
    'rubbing of a full thread',
    GEOMETRY_LABEL[tap.geometry],
    'fluid',
    'wear',
    'grip of the metal',
    'chips packing',
    `measured over ${c.measured?.n} holes here`,
  ];
  return answer(product(factors, bareNm), 'Nm', {
    rule: 'Tapping torque',
    formula: 'kc × thread area × (major + hole) ÷ 4000 × factors; kc = kc1.1 × chip^−mc',
    inchFormula: '250 × kc × thread area × (major + hole) × factors; kc = kc1.1 × chip^−mc, chip in mm',
    inputs: [
      ['thread height', mm((thread.majorMm - minorMm) / 2)],
      [c.takes ? 'thread area left to this tap' : 'thread area', quantity(area, 'mm2')],
      ['chip on one tooth', mm(chip)],
      [`cutting force kc, ${material.label}`, quantity(kc, 'MPa')],
      [tap.geometry === 'form' ? 'finished minor' : 'predicted hole', mm(minorMm)],
      ...factors.flatMap((factor, i): [string, Quantity][] =>
        factor === 1 ? [] : [[labels[i], quantity(factor, 'ratio')]],
      ),
    ],
    source: { kind: 'model', name: 'our cutting-force estimate' },
    assumptions: [
      phrase(tap.wear === undefined || tap.wear < 1.5 ? 'Sharp tap, {fluid}.' : 'Worn tap, {fluid}.', {
        fluid: c.fluid === 'dry' ? 'dry' : material.lubricant,
      }),
    ],
  });
}
