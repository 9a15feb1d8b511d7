import { answer, depth, mm, phrase, quantity, type Answer, caution } from '../answer/answer';
import type { Material } from '../materials/material';
import { inchToMm, mmToInch } from '../units/length';
import { classLimits } from './class-limits';
import { unifiedPitchTolerance2A } from './standards/unified';
import { isMetric, isUnified, type Thread } from './thread';

export interface BoltClass {
  id: string;
  label: string;
  tensileMPa: number;
}

/** Tensile strength of the usual bolts, ISO 898-1, ISO 3506-1 and SAE J429. */
export const BOLT_CLASSES: readonly BoltClass[] = [
  { id: '4.6', label: '4.6', tensileMPa: 400 },
  { id: '8.8', label: '8.8', tensileMPa: 800 },
  { id: '10.9', label: '10.9', tensileMPa: 1040 },
  { id: '12.9', label: '12.9', tensileMPa: 1220 },
  { id: 'A2-70', label: 'A2-70 stainless', tensileMPa: 700 },
  { id: 'SAE 2', label: 'SAE grade 2', tensileMPa: 510 },
  { id: 'SAE 5', label: 'SAE grade 5', tensileMPa: 827 },
  { id: 'SAE 8', label: 'SAE grade 8', tensileMPa: 1034 },
];

/** The bolt assumed when none is named: 8.8 for metric, SAE 5 for unified, 4.6 for the old series. */
export const usualBolt = (thread: Thread): BoltClass =>
  BOLT_CLASSES.find((b) => b.id === (isMetric(thread) ? '8.8' : isUnified(thread) ? 'SAE 5' : '4.6')) as BoltClass;

/**
 * Tensile stress area of the bolt in mm², ISO 898-1 (metric) or ASME B1.1 (inch).
 * @example boltStressArea(M8) // 36.6
 */
export function boltStressArea(thread: Thread): number {
  const reduced = isUnified(thread) ? 0.9743 : 0.938194;
  return (Math.PI / 4) * (thread.majorMm - reduced * thread.pitchMm) ** 2;
}

/**
 * Area that shears when the tapped hole's thread strips, mm² for each mm of engagement.
 * @example nutStripArea(1.25, 8, 7.188) // 21.99
 */
export const nutStripArea = (pitchMm: number, boltMajorMm: number, nutPitchDiameterMm: number): number =>
  ((Math.PI * boltMajorMm) / pitchMm) * (pitchMm / 2 + 0.57735 * (boltMajorMm - nutPitchDiameterMm));

/**
 * Area that shears when the bolt's thread strips, mm² for each mm of engagement.
 * @example boltStripArea(1.25, 7.188, 6.8) // 14.51
 */
export const boltStripArea = (pitchMm: number, boltPitchDiameterMm: number, holeMm: number): number =>
  ((Math.PI * holeMm) / pitchMm) * (pitchMm / 2 + 0.57735 * (boltPitchDiameterMm - holeMm));

/** Smallest bolt that the usual class (6g, 2A) allows, in mm; undefined for the old series. */
export function leastMaterialBolt(thread: Thread): { majorMm: number; pitchDiameterMm: number } | undefined {
  const { majorMm: d, pitchMm: p } = thread;
  const basicPitch = d - 0.649519 * p;
  if (isMetric(thread)) {
    const allowance = (15 + 11 * p) / 1000;
    const limits = classLimits(thread, usualClassNoFiner(thread));
    if (!limits.ok || limits.value.pitchDiameterMaxMm === undefined) return undefined;
    const nutTolerance = limits.value.pitchDiameterMaxMm - limits.value.pitchDiameterMinMm;
    return {
      majorMm: d - allowance - (180 * Math.cbrt(p) ** 2 - 3.15 / Math.sqrt(p)) / 1000,
      pitchDiameterMm: basicPitch - allowance - nutTolerance / 1.32,
    };
  }
  if (!isUnified(thread)) return undefined;
  const pitchTolerance = unifiedPitchTolerance2A(thread);
  const allowance = 0.3 * pitchTolerance;
  return {
    majorMm: d - inchToMm(allowance + 0.06 * Math.cbrt(mmToInch(p)) ** 2),
    pitchDiameterMm: basicPitch - inchToMm(allowance + pitchTolerance),
  };
}

const usualClassNoFiner = (thread: Thread): string => (thread.pitchMm < 0.25 ? '5H' : '6H');

/** Margin on nominal sizes where the least-material sizes are not known. */
const NOMINAL_MARGIN = 1.5;
/** Shear strength of a bolt as a share of its tensile strength. Trade rule. */
const BOLT_SHEAR_SHARE = 0.6;

export interface Engagement {
  /** Length at which the bolt breaks before either thread strips. */
  needed: Answer;
  /** The same on nominal sizes, which flatter. */
  nominalMm: number;
  oneDiameterMm: number;
  oneAndAHalfDiametersMm: number;
  nutHeightMm: number;
  /** A nut's height is a fair rule only where the part is about as strong as the bolt. */
  nutHeightApplies: boolean;
  bolt: BoltClass;
  stressAreaMm2: number;
}

interface Sizes {
  nutMajorMm: number;
  nutPitchMm: number;
  boltPitchMm: number;
}

/** Sizes of bolt and hole with the least metal that the usual classes allow, mm; undefined where they are not in the list. */
function leastMaterial(thread: Thread): Sizes | undefined {
  const bolt = leastMaterialBolt(thread);
  const limits = classLimits(thread);
  const nutPitchMm = limits.ok ? limits.value.pitchDiameterMaxMm : undefined;
  return bolt && nutPitchMm !== undefined
    ? { nutMajorMm: bolt.majorMm, nutPitchMm, boltPitchMm: bolt.pitchDiameterMm }
    : undefined;
}

/** A thread that is short by less is not called short. Our judgement. */
const SHORT_FROM = 0.95;

const ON_LEAST_SIZES = phrase('Smallest bolt and largest thread that the usual classes allow (6g or 2A in 6H or 2B).');
const ON_NOMINAL_SIZES = phrase(
  'Nominal sizes with a margin of {margin}, as the least-material sizes are not in the list.',
  {
    margin: NOMINAL_MARGIN,
  },
);
const STEADY_PULL = phrase(
  'A steady pull on a sound bolt. Lifting, pressure and safety threads: drawing and code decide.',
);

/**
 * Length of thread at which the bolt breaks before the thread strips, FED-STD-H28/2.
 * @param holeMm predicted minor diameter of the tapped hole
 * @param engagedMm thread length planned; shorter than needed brings a caution
 */
export function engagement(
  thread: Thread,
  material: Material,
  bolt: BoltClass,
  holeMm: number,
  engagedMm?: number,
): Engagement {
  const { majorMm: d, pitchMm: p } = thread;
  const stressAreaMm2 = boltStressArea(thread);
  const breakN = bolt.tensileMPa * stressAreaMm2;
  const basicPitch = d - 0.649519 * p;
  const length = ({ nutMajorMm, nutPitchMm, boltPitchMm }: Sizes): number =>
    Math.max(
      breakN / (material.shearMPa * nutStripArea(p, nutMajorMm, nutPitchMm)),
      breakN / (BOLT_SHEAR_SHARE * bolt.tensileMPa * boltStripArea(p, boltPitchMm, holeMm)),
    );
  const nominalMm = length({ nutMajorMm: d, nutPitchMm: basicPitch, boltPitchMm: basicPitch });
  const least = leastMaterial(thread);
  const neededMm = least ? length(least) : nominalMm * NOMINAL_MARGIN;
  const short = engagedMm !== undefined && engagedMm < SHORT_FROM * neededMm;
  const values = { engaged: depth(engagedMm ?? 0), bolt: bolt.label, needed: depth(neededMm) };
  return {
    needed: answer(
      neededMm,
      'mm',
      {
        rule: 'Enough thread',
        formula: 'bolt tensile strength × stress area ÷ (shear strength × strip area per length), the weaker thread',
        inputs: [
          [`bolt ${bolt.label}, tensile strength`, quantity(bolt.tensileMPa, 'MPa')],
          ['bolt stress area', quantity(stressAreaMm2, 'mm2')],
          [`${material.label}, shear strength`, quantity(material.shearMPa, 'MPa')],
          ['strip area of the hole per length, nominal', quantity(nutStripArea(p, d, basicPitch), 'mm2/mm')],
          ['hole', mm(holeMm)],
        ],
        source: { kind: 'standard', name: 'FED-STD-H28/2, ISO 898-1, SAE J429' },
        assumptions: [least ? ON_LEAST_SIZES : ON_NOMINAL_SIZES, STEADY_PULL],
      },
      short
        ? [
            caution(
              'warn',
              'thread-short',
              '{engaged} of thread strips before its {bolt} bolt breaks; {needed} would hold its full strength.',
              values,
            ),
          ]
        : [],
    ),
    nominalMm,
    oneDiameterMm: d,
    oneAndAHalfDiametersMm: 1.5 * d,
    nutHeightMm: 0.8 * d,
    nutHeightApplies: material.tensileMPa >= 0.75 * bolt.tensileMPa,
    bolt,
    stressAreaMm2,
  };
}
