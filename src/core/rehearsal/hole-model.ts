import type { Learned } from '../answer/estimate';
import { drillLevel, expectedHoleMm } from '../drills/expected-hole';
import type { HolePlan } from '../hole/hole-plan';
import type { JobFeature, JobHead, Planner } from '../job/plan-in-job';
import { zoneOf } from '../layout/joint-zone';
import { expectedPlace, usualPlacing, type Placing } from '../layout/means-of-layout';
import { expandPlaces } from '../layout/place';
import type { FaceId, Point } from '../layout/part';
import { toolUse } from '../materials/life-factor';
import { mainOperation } from '../operation/operation';
import type { ToolRecord } from '../shop/tool-life';
import type { Shop } from '../shop/shop';
import { tapLifeHoles } from '../tapping/own-tap';
import { expectedMinor } from '../tap-drill/forming';
import { expectedLean } from '../tapping/expected-tapping';
import { tappingTorqueNm, type TappingConditions } from '../tapping/tapping-torque';
import { WAY_FACTS } from '../tapping/ways';

/** How the bore of a hole comes out, mm: for a cut thread the drilled hole, for a formed one its finished minor diameter. */
export interface SizeModel {
  mean: number;
  /** One sigma of what belongs to the drill, the same in every hole of a job, and of what each hole adds. */
  drillSigma: number;
  holeSigma: number;
  min: number;
  max: number;
  /** The drill, by its level. */
  tool: string;
  /** To the next drill of an index. */
  stepMm: number;
  /** Drilled again where it came out small, s. */
  againS: number;
}

/** How its last loaded tap fares. */
export interface TapModel {
  key: string;
  torqueNm: number;
  /** At least what it holds. */
  breakingNm: number;
  /** Torque rises by this much of itself for each mm that the hole is smaller. */
  perMm: number;
  leanMean: number;
  leanSigma: number;
  /** What one hole takes of its life, in holes two diameters deep in mild steel, and what it has done. */
  use: number;
  life: ToolRecord;
  /** Width of the class of its pitch diameter, mm; undefined where it has none. */
  pitchTolMm?: number;
  /** Turns are counted by hand in a blind hole. */
  countsTurns: boolean;
}

/** One kind of hole of a job with everything that decides how it comes out, as plain data; lengths in mm. */
export interface HoleModel {
  letter: string;
  featureId: string;
  callout: string;
  face: FaceId;
  /** Where each of its holes is drawn; undefined where they are not laid out. */
  points: readonly Point[];
  isPlaced: boolean;
  placing: Placing;
  /** Along one axis, one sigma: the line, and what each hole adds. */
  lineSigma: number;
  ownSigma: number;
  /** A line set off by a whole division: how far, and one in how many. */
  slip: { mm: number; oneIn: number };
  /** A circle that it has to lie in, a diameter; 0 for none. */
  zoneMm: number;
  /** What counts is that the bolts of these holes go in together: no zone is drawn. */
  isJoint: boolean;
  /** Undefined where nothing is drilled, or held to no limits. */
  size?: SizeModel;
  tap?: TapModel;
  /** Each hole, s. */
  seconds: number;
  /** One hole goes through to the gauge before the rest. */
  isFirstThrough: boolean;
}

/** A scale misread by a whole division: one line in so many, by what it is read on. Our judgement. */
const SLIP_ONE_IN = 400;
const DIVISION_MM = 1;
/** The drills of an index are this far apart, mm. */
const INDEX_STEP_MM = 0.1;
/** Half of the variance of holes belongs to the drill while nothing is known of it; then as much as its readings leave. */
const DRILL_SHARE = 0.5;
const PRIOR_READINGS = 3;
/** Over this the slope of torque is taken, mm. */
const SLOPE_MM = 0.02;

/** What is unknown of a drill shrinks with each of its holes that were pinned. */
function parted(sigma: number, readings: number): Pick<SizeModel, 'drillSigma' | 'holeSigma'> {
  const drill = (DRILL_SHARE * PRIOR_READINGS) / (PRIOR_READINGS + readings);
  return { drillSigma: sigma * Math.sqrt(drill), holeSigma: sigma * Math.sqrt(1 - drill) };
}

function sizeOf(plan: HolePlan, learned: Learned | undefined): SizeModel | undefined {
  const main = mainOperation(plan.operations);
  const drill = main?.cut?.spec.drill;
  const { thread, material, start } = plan;
  if (!drill || !thread?.limits) return undefined;
  const { mean, sigma } = expectedHoleMm({ drill, start, material }, learned);
  const tool = drillLevel(drill);
  const known = {
    ...parted(sigma, learned?.oversize?.[tool]?.n ?? 0),
    min: thread.limits.minorMinMm,
    max: thread.limits.minorMaxMm,
    tool,
    stepMm: INDEX_STEP_MM,
    againS: main.time.value,
  };
  if (thread.kind === 'cut') return { mean, ...known };
  const minor = expectedMinor({ thread: thread.thread, material }, drill.diameterMm, learned);
  return { ...known, mean: minor.mean, holeSigma: Math.hypot(minor.sigma, known.holeSigma) };
}

/** How much of itself torque loses for each mm that the hole is larger. */
function slopeOf(conditions: TappingConditions): number {
  const at = (mm: number): number => tappingTorqueNm({ ...conditions, minorMm: conditions.minorMm + mm });
  return Math.log(at(-SLOPE_MM) / at(SLOPE_MM)) / (2 * SLOPE_MM);
}

function tapOf(
  plan: HolePlan,
  { learned, taps, lives }: Pick<Shop, 'learned' | 'taps' | 'lives'>,
): TapModel | undefined {
  const { thread, material, hole } = plan;
  const worst = thread?.tapping.best.worst;
  if (!thread || !worst?.load) return undefined;
  const { id } = thread.tapping.best;
  const lean = expectedLean(id, learned);
  const { tap, load, conditions } = worst;
  const own = taps?.find((t) => t.id === tap.key);
  const typical = tapLifeHoles(tap.steel ?? 'hss', tap.geometry);
  const { pitchDiameterMinMm: from, pitchDiameterMaxMm: to } = thread.limits ?? {};
  return {
    key: tap.key,
    torqueNm: load.torque.value,
    breakingNm: load.breaking.value,
    perMm: slopeOf(conditions),
    leanMean: lean.mean,
    leanSigma: lean.sigma,
    use: toolUse(material, thread.at.lengthMm, thread.thread.majorMm),
    life: lives?.[`tap ${tap.key}`] ?? { typical, squares: 0, failures: 0, done: own?.holesDone ?? 0 },
    ...(from === undefined || to === undefined ? {} : { pitchTolMm: to - from }),
    countsTurns: WAY_FACTS[id].byHand && !hole.through,
  };
}

/** What every kind of hole of a job does, as it is planned. Features that can’t be made are left out. */
export function holeModels(
  features: readonly (JobFeature & { id: string; letter: string })[],
  job: JobHead,
  planner: Planner,
  shop: Pick<Shop, 'learned' | 'taps' | 'lives'>,
  isFirst: (featureId: string) => boolean,
): HoleModel[] {
  const { learned } = shop;
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
        callout: feature.question.callout,
        face: feature.face,
        points: isPlaced ? own : [{ x: 0, y: 0 }],
        isPlaced,
        placing,
        lineSigma: isPlaced ? lineSigma : 0,
        ownSigma: isPlaced ? Math.sqrt(Math.max(0, sigma ** 2 - lineSigma ** 2)) : 0,
        slip: { mm: DIVISION_MM, oneIn: placing.means === 'readout' || !isPlaced ? Infinity : SLIP_ONE_IN },
        zoneMm: isPlaced ? zoneOf({ diameterMm, tapped, zoneMm: feature.zoneMm }).value : 0,
        isJoint: feature.zoneMm === undefined,
        size: sizeOf(plan, learned),
        tap: tapOf(plan, shop),
        seconds: plan.seconds,
        isFirstThrough: own.length * job.quantity > 1 && isFirst(feature.id),
      },
    ];
  });
}
