import type { Learned } from '../answer/estimate';
import { expectedHoleMm } from '../drills/expected-hole';
import type { HolePlan } from '../hole/hole-plan';
import type { JobFeature, JobHead, Planner } from '../job/plan-in-job';
import { zoneOf } from '../layout/joint-zone';
import { expectedPlace, usualPlacing, type Placing } from '../layout/means-of-layout';
import { expandPlaces } from '../layout/place';
import type { Point } from '../layout/part';
import { toolUse } from '../materials/life-factor';
import { mainOperation } from '../operation/operation';
import { expectedMinor } from '../tap-drill/forming';
import { expectedLean } from '../tapping/expected-tapping';
import { WAY_FACTS } from '../tapping/ways';

/** One kind of hole of a job with everything that decides how it comes out; lengths in mm. */
export interface HoleModel {
  letter: string;
  featureId: string;
  /** Where each of its holes is drawn. */
  points: readonly Point[];
  placing: Placing;
  /** Along one axis, one sigma: the line, and what each hole adds. */
  lineSigma: number;
  ownSigma: number;
  /** A line set off by a whole division: how far, and one in how many. */
  slip: { mm: number; oneIn: number };
  /** A circle that it has to lie in, a diameter; 0 for none. */
  zoneMm: number;
  /** The bolts of these holes go in together. */
  isJoint: boolean;
  /** Hole over the drawn size, and its class; undefined where nothing is drilled, or held to none. */
  size?: { mean: number; sigma: number; min: number; max: number; tool: string; stepMm: number };
  tap?: {
    key: string;
    torqueNm: number;
    breakingNm: number;
    leanMean: number;
    leanSigma: number;
    /** What one hole takes of its life, in lives. */
    wear: number;
    /** Turns are counted by hand in a blind hole. */
    countsTurns: boolean;
  };
  seconds: number;
  isFirstThrough: boolean;
}

/** A tap turns this much harder at the end of its life. */
const WEAR_AT_END = 0.6;
const TAP_LIFE = 500;
/** The drills of an index are this far apart, mm. */
const INDEX_STEP_MM = 0.1;
/** A scale misread by a whole division: one line in so many, by what it is read on. Our judgement. */
const SLIPS = { vernier: 400, dial: 1000 } as const;
const DIVISION_MM = 1;

function sizeOf(plan: HolePlan, learned: Learned | undefined): HoleModel['size'] {
  const drill = mainOperation(plan.operations)?.cut?.spec.drill;
  const { thread, material, start } = plan;
  if (!drill || !thread?.limits) return undefined;
  const { mean, sigma } = expectedHoleMm({ drill, start, material }, learned);
  const { minorMinMm: min, minorMaxMm: max } = thread.limits;
  const tool = drill.id ?? drill.label;
  if (thread.kind === 'cut') return { mean, sigma, min, max, tool, stepMm: INDEX_STEP_MM };
  const minor = expectedMinor({ thread: thread.thread, material }, drill.diameterMm, learned);
  return { mean: minor.mean, sigma: Math.hypot(minor.sigma, sigma), min, max, tool, stepMm: INDEX_STEP_MM };
}

function tapOf(plan: HolePlan, learned: Learned | undefined): HoleModel['tap'] {
  const { thread, material, hole } = plan;
  const worst = thread?.tapping.best.worst;
  if (!thread || !worst?.load) return undefined;
  const { id } = thread.tapping.best;
  const lean = expectedLean(id, learned);
  return {
    key: worst.tap.key,
    torqueNm: worst.load.torque.value,
    breakingNm: worst.load.breaking.value,
    leanMean: lean.mean,
    leanSigma: lean.sigma,
    wear: (WEAR_AT_END * toolUse(material, thread.at.lengthMm, thread.thread.majorMm)) / TAP_LIFE,
    countsTurns: WAY_FACTS[id].byHand && !hole.through,
  };
}

/** What every kind of hole of a job does, as it is planned. Features that can’t be made are left out. */
export function holeModels(
  features: readonly (JobFeature & { id: string; letter: string })[],
  job: JobHead,
  planner: Planner,
  { learned, isFirstThrough }: { learned?: Learned; isFirstThrough: boolean },
): HoleModel[] {
  const { points } = expandPlaces(features.filter((f) => f.place));
  return features.flatMap((feature): HoleModel[] => {
    const planned = planner.plan(feature, job);
    if (!planned.ok) return [];
    const plan = planned.value;
    const placing = usualPlacing(plan.machine?.kind, plan.start);
    const own = points.get(feature.id) ?? [];
    const isPlaced = own.length > 0;
    const { sigma } = expectedPlace(placing, learned);
    const line = expectedPlace({ ...placing, punching: 'glass', starting: 'bushing' }, learned).sigma;
    const lineSigma = placing.means === 'readout' ? 0 : Math.min(line, sigma);
    const diameterMm = plan.thread?.thread.majorMm ?? plan.hole.bores[0]?.feature.diameterMm ?? 0;
    const tapped = plan.thread !== undefined;
    return [
      {
        letter: feature.letter,
        featureId: feature.id,
        points: isPlaced ? own : [{ x: 0, y: 0 }],
        placing,
        lineSigma: isPlaced ? lineSigma : 0,
        ownSigma: isPlaced ? Math.sqrt(Math.max(0, sigma ** 2 - lineSigma ** 2)) : 0,
        slip: { mm: DIVISION_MM, oneIn: placing.means === 'readout' ? Infinity : SLIPS.vernier },
        zoneMm: isPlaced ? zoneOf({ diameterMm, tapped, zoneMm: feature.zoneMm }).value : 0,
        isJoint: own.length > 1,
        size: sizeOf(plan, learned),
        tap: tapOf(plan, learned),
        seconds: plan.seconds,
        isFirstThrough: isFirstThrough && own.length > 1,
      },
    ];
  });
}
