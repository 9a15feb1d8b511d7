import { expected, expectedTime, inSigmas, TYPICAL_TIME, type LearnedFigure, type Spread } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import { drillLevel, holeLevels, typicalHoleMm, type StartMeans } from '../drills/expected-hole';
import type { CheckKind } from '../gauging/checks-of';
import { tiltOf } from '../gauging/squareness';
import type { HolePlan } from '../hole/hole-plan';
import { placeLevels, typicalPlace, usualPlacing } from '../layout/means-of-layout';
import type { Point } from '../layout/part';
import type { Planner } from '../job/plan-in-job';
import { toolUse } from '../materials/life-factor';
import { mainOperation, type Operation } from '../operation/operation';
import { clampLevels } from '../route/machine-times';
import { runSteps, type RunStep } from '../route/run-steps';
import { expectedMinor, formedLevels, typicalShift } from '../tap-drill/forming';
import { coastAtMeasured, typicalCoast } from '../tapping/stopping-room';
import { tapLevel, torqueLevels, TYPICAL_TORQUE } from '../tapping/tapping-torque';
import { turnLevels, TYPICAL_TURNS } from '../tapping/rhythm';
import { leanLevels, tapTimeLevels, typicalLean } from '../tapping/expected-tapping';
import type { WayId } from '../tapping/ways';
import { holeOf, type BenchRecord, type HoleAt, type TapFeel } from './bench-record';
import type { IssuedWork } from './issued-work';
import { followRun, type FollowedRun } from './run-of-issue';

/** What was read, felt or timed at a hole. */
export type Observed =
  | { what: 'gauged'; check: CheckKind; values: Readonly<Record<string, number>>; verdict: string; instrument?: string }
  | {
      what: 'made';
      operation: string;
      /** Level of the drill or tap that made it, and what it took of its life. */
      tool?: string;
      use?: number;
      feel?: TapFeel;
      seconds?: number;
      usualS: number;
    }
  | { what: 'felt'; sign: string }
  | { what: 'broken'; tap: string; tool?: string; use?: number; turns?: number }
  | { what: 'renewed'; tool: string };

/** A reading of a figure that the shop learns, with what is typical for it. */
export interface Figured {
  figure: LearnedFigure;
  /** From the most general to the most particular. */
  levels: readonly string[];
  /** The tool, or the hand, whose own it is. */
  tool?: string;
  /** Of a place: which way. */
  axis?: 'x' | 'y';
  value: number;
  typical: Spread;
}

/** One observation with everything that it belongs to, as the hole was made by then: a record alone does not hold that. */
export interface Observation {
  recordId: string;
  at: HoleAt;
  happenedAt: string;
  who?: string;
  observed: Observed;
  /** What is learned of it. */
  figures: readonly Figured[];
  material: string;
  machine?: Machine['id'];
  /** Undefined where nothing was drilled. */
  start?: StartMeans;
  /** Level, name, steel and size (mm) of the drill of the main bore; undefined where nothing was drilled. */
  drill?: { level: string; name: string; steel: string; diameterMm: number };
  /** Keys of its taps, and how they were driven. */
  taps: readonly string[];
  way?: WayId;
  /** Designation of its thread. */
  thread?: string;
  /** Of the main bore to its full diameter, mm. */
  depthMm?: number;
}

/** What differs from hand to hand. */
export const OF_HANDS: ReadonlySet<LearnedFigure> = new Set(['seconds', 'turns', 'lean', 'place']);

/** What somebody does, by name, as a level. */
export const handLevel = (who: string): string => `hand ${who}`;
export const isHand = (level: string): boolean => level.startsWith('hand ');

/** What a plan says of how a hole was made. */
function madeOf(
  plan: HolePlan,
): Pick<Observation, 'material' | 'machine' | 'start' | 'drill' | 'depthMm' | 'taps' | 'way' | 'thread'> {
  const cut = mainOperation(plan.operations)?.cut;
  const { thread } = plan;
  return {
    material: plan.material.id,
    machine: plan.machine?.id,
    start: plan.start,
    ...(cut?.spec.drill
      ? {
          drill: {
            level: drillLevel(cut.spec.drill),
            name: cut.spec.tool.name,
            steel: cut.spec.drill.material ?? 'hss',
            diameterMm: cut.spec.diameterMm,
          },
          depthMm: cut.spec.fullMm,
        }
      : {}),
    taps: thread?.tapping.best.taps.map((t) => t.key) ?? [],
    way: thread?.tapping.best.id,
    thread: thread?.thread.designation,
  };
}

/** The tap of an operation, as it is planned. */
function tapOf({ thread }: HolePlan, op: Operation) {
  const use = op.tap && thread?.tapping.best.each[op.tap.place - 1];
  return use && thread ? { use, level: tapLevel(use.tap, thread.thread), depthMm: thread.at.lengthMm } : undefined;
}

/** What an operation takes of the life of its tool. */
function usedTool(plan: HolePlan, op: Operation): { tool: string; use: number } | undefined {
  const tap = tapOf(plan, op);
  if (tap && plan.thread)
    return { tool: tap.level, use: toolUse(plan.material, tap.depthMm, plan.thread.thread.majorMm) };
  const spec = op.cut?.spec;
  if (!spec?.drill) return undefined;
  return { tool: drillLevel(spec.drill), use: toolUse(plan.material, spec.fullMm - spec.fromMm, spec.diameterMm) };
}

function observedIn(r: BenchRecord, plan: HolePlan, op: Operation | undefined): Observed | undefined {
  switch (r.kind) {
    case 'checked': {
      const { check, values, verdict, instrument } = r.body;
      return { what: 'gauged', check, values, verdict, ...(instrument ? { instrument } : {}) };
    }
    case 'step-done': {
      const { seconds, feel } = r.body;
      if (!op) return undefined;
      return { what: 'made', operation: op.code, ...usedTool(plan, op), feel, seconds, usualS: op.time.value };
    }
    case 'tap-felt':
      return { what: 'felt', sign: r.body.sign };
    case 'tap-broken': {
      const { tap, tapId, turns } = r.body;
      const each = plan.thread?.tapping.best.each ?? [];
      const use = each.find((u) => u.tap.key === tapId) ?? each[0];
      const tool = tapId !== undefined ? `tap ${tapId}` : use && plan.thread && tapLevel(use.tap, plan.thread.thread);
      return { what: 'broken', tap, tool, turns };
    }
    case 'drill-dull': {
      const drill = plan.operations.flatMap(({ cut }) =>
        cut?.spec.drill && cut.spec.tool.name === r.body.tool ? [cut.spec.drill] : [],
      )[0];
      return drill && { what: 'renewed', tool: drillLevel(drill) };
    }
    default:
      return undefined;
  }
}

/** A pinned diameter, mm: halfway between the pin that enters and the one that does not. */
export const pinned = ({ in: inMm, out }: Readonly<Record<string, number>>): number | undefined =>
  inMm === undefined ? undefined : out === undefined ? inMm : (inMm + out) / 2;

/** The hole that its drill left, as it was read; undefined where something else made it since. */
function holeRead(plan: HolePlan, holeMm: number): Figured[] {
  const drill = mainOperation(plan.operations)?.cut?.spec.drill;
  if (!drill || plan.operations.some((op) => op.code === 'ream')) return [];
  const hole = { drill, start: plan.start, material: plan.material };
  const [kind, started] = holeLevels(hole);
  return [
    {
      figure: 'oversize',
      levels: [kind, started],
      tool: drillLevel(drill),
      value: holeMm,
      typical: typicalHoleMm(hole),
    },
  ];
}

/** What was learned from a gauging. */
function figuresOfCheck(
  plan: HolePlan,
  { check, values }: { check: CheckKind; values: Readonly<Record<string, number>> },
): Figured[] {
  const { thread, material } = plan;
  if (check === 'minor' && thread) {
    const minor = pinned(values);
    if (minor === undefined) return [];
    if (thread.kind === 'cut') return holeRead(plan, minor);
    const formed = { thread: thread.thread, material };
    const typical = typicalShift(formed);
    const plainMm = expectedMinor(formed, thread.tapDrill.used.drill.diameterMm).mean - typical.mean;
    return [{ figure: 'formed-minor', levels: formedLevels(formed), value: minor - plainMm, typical }];
  }
  if (check === 'size' && !thread && values.size !== undefined) return holeRead(plan, values.size);
  if (check === 'square' && thread && values.height > 0) {
    const value = tiltOf({ frontMm: values.front, sideMm: values.side, heightMm: values.height }).value;
    const { id } = thread.tapping.best;
    return [{ figure: 'lean', levels: leanLevels(id), value, typical: typicalLean(id) }];
  }
  return [];
}

/** How far a hole lies off, both ways. */
function figuresOfPlace(
  plan: HolePlan,
  { x, y }: Readonly<Record<string, number>>,
  drawn: Point | undefined,
): Figured[] {
  if (!drawn || x === undefined || y === undefined) return [];
  const placing = usualPlacing(plan.machine?.kind, plan.start);
  const of = { figure: 'place' as const, levels: placeLevels(placing), typical: typicalPlace(placing) };
  return [
    { ...of, axis: 'x', value: x - drawn.x },
    { ...of, axis: 'y', value: y - drawn.y },
  ];
}

/** What was learned from work that was done. */
function figuresOfWork(
  plan: HolePlan,
  op: Operation,
  body: Extract<BenchRecord, { kind: 'step-done' }>['body'],
  work: IssuedWork,
): Figured[] {
  const { machine, thread, material } = plan;
  const figures: Figured[] = [];
  const levels =
    op.tap && thread ? tapTimeLevels(thread.tapping.best.id) : [op.code, `${op.code}|${machine?.id ?? ''}`];
  const usualS = op.time.value / expectedTime(() => levels, work.shop.learned).mean;
  if (body.seconds !== undefined && body.seconds > 0 && usualS > 0)
    figures.push({ figure: 'seconds', levels, value: body.seconds / usualS, typical: TYPICAL_TIME });
  const tap = tapOf(plan, op);
  const { turns, torqueNm, coast } = body;
  if (tap && thread) {
    const { use, level } = tap;
    if (turns !== undefined && turns > 0) {
      const planned =
        use.turns.value / expected('turns', TYPICAL_TURNS, () => turnLevels(use.tap), work.shop.learned).mean;
      figures.push({ figure: 'turns', levels: turnLevels(use.tap), value: turns / planned, typical: TYPICAL_TURNS });
    }
    if (torqueNm !== undefined && use.load)
      figures.push({
        figure: 'torque',
        levels: torqueLevels(material, thread.thread),
        tool: level,
        value: (torqueNm / use.load.torque.value) * (use.conditions.measured?.mean ?? 1),
        typical: TYPICAL_TORQUE,
      });
  }
  if (coast && machine)
    figures.push({
      figure: 'coast',
      levels: [machine.id],
      value: coastAtMeasured(machine, coast),
      typical: typicalCoast(machine),
    });
  return figures.filter((f) => Number.isFinite(inSigmas(f.figure, f.value, f.typical)));
}

/** Tells of each record, before the run counts it, what it observes of its hole as that is made by then. */
export function observer(
  work: IssuedWork,
  run: Pick<FollowedRun, 'planAt' | 'settingFor'>,
): (r: BenchRecord) => Observation | undefined {
  const steps = new Map(runSteps(work.route).map((s) => [s.key, s]));
  const figuresIn = (r: BenchRecord, plan: HolePlan, op: Operation | undefined): Figured[] => {
    if (r.kind === 'step-done') return op ? figuresOfWork(plan, op, r.body, work) : [];
    if (r.kind !== 'checked') return [];
    const at = holeOf(r);
    return r.body.check === 'position' && at
      ? figuresOfPlace(plan, r.body.values, run.settingFor(at, plan).drawn)
      : figuresOfCheck(plan, r.body);
  };
  return (r) => {
    const clamping = clampingOf(r, steps, work);
    if (clamping) return clamping;
    const at = holeOf(r) ?? holeOfStep(r, steps);
    const planned = at && run.planAt(at);
    if (!at || !planned?.ok) return undefined;
    const plan = planned.value;
    const op =
      'step' in r.body
        ? plan.operations.find((o) => o.key === steps.get((r.body as { step: string }).step)?.item?.opKey)
        : undefined;
    const observed = observedIn(r, plan, op);
    if (!observed) return undefined;
    return {
      recordId: r.id,
      at,
      happenedAt: r.happenedAt,
      ...(r.who ? { who: r.who } : {}),
      observed,
      figures: figuresIn(r, plan, op).map((figure) =>
        r.who !== undefined && r.who !== '' && OF_HANDS.has(figure.figure)
          ? { ...figure, tool: handLevel(r.who) }
          : figure,
      ),
      ...madeOf(plan),
    };
  };
}

/**
 * Everything that was observed while an issued route was made, each with what it belongs to by then: through remedies and
 * threads that were decided otherwise. What a later record corrects is left out.
 * @param records of the job, in the order in which they happened
 */
export function observationsOf(work: IssuedWork, records: readonly BenchRecord[], planner: Planner): Observation[] {
  const run = followRun(work, planner);
  const observe = observer(work, run);
  const corrected = new Set(records.flatMap((r) => r.corrects ?? []));
  return records.flatMap((r): Observation[] => {
    const seen = observe(r);
    run.add([r]);
    return seen && !corrected.has(r.id) ? [seen] : [];
  });
}

/** A clamping that was timed: of the part, and of no hole. */
function clampingOf(r: BenchRecord, steps: ReadonlyMap<string, RunStep>, work: IssuedWork): Observation | undefined {
  if (r.kind !== 'step-done') return undefined;
  const step = steps.get(r.body.step);
  const setUp = step?.kind === 'clamp' ? work.route.setUps[step.setUp] : undefined;
  const { seconds } = r.body;
  if (!step || !setUp?.machine || seconds === undefined || seconds <= 0 || setUp.clampS <= 0) return undefined;
  const levels = clampLevels(setUp.machine);
  const usualS = setUp.clampS / expectedTime(() => levels, work.shop.learned).mean;
  const figure: Figured = { figure: 'seconds', levels, value: seconds / usualS, typical: TYPICAL_TIME };
  return {
    recordId: r.id,
    at: { featureId: '', holeNumber: 0, part: step.part },
    happenedAt: r.happenedAt,
    ...(r.who ? { who: r.who } : {}),
    observed: { what: 'made', operation: 'clamp', seconds, usualS },
    figures: [r.who ? { ...figure, tool: handLevel(r.who) } : figure],
    material: work.job.materialId,
    machine: setUp.machine.id,
    taps: [],
  };
}

/** A step names its hole. */
function holeOfStep(r: BenchRecord, steps: ReadonlyMap<string, RunStep>): HoleAt | undefined {
  const step = 'step' in r.body ? steps.get(r.body.step) : undefined;
  return step?.item && { featureId: step.item.featureId, holeNumber: step.item.hole, part: step.part };
}
