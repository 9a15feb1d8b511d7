import type { Caution, Problem, Result } from '../answer/answer';
import type { DepthStopKind, Machine } from '../cutting/machine';
import type { StartMeans } from '../drills/expected-hole';
import { allCautions, mainCut, refusals, type HolePlan } from './hole-plan';

/** What a machine makes of a hole, in the figures that differ from one to the next. */
export interface MachineFigures {
  machine: Machine;
  /** Undefined where an existing hole is opened. */
  start?: StartMeans;
  /** Set speed of the main drill, rev/min; undefined where the machine has none for it. */
  rpm?: number;
  percentOfIdeal?: number;
  stop?: DepthStopKind;
  /** Oversize of the hole over its drill, mm. Model. */
  oversizeMm?: number;
  tapping?: string;
  operations: number;
  /** For one hole, s. */
  seconds: number;
  /** What is more than a note, each once. */
  warnings: Caution[];
  problems: Problem[];
}

const NONE = { operations: 0, seconds: 0, warnings: [] };

/** One machine's figures from its plan, or why there is none. */
export function machineFigures(machine: Machine, planned: Result<HolePlan>): MachineFigures {
  if (!planned.ok) return { machine, ...NONE, problems: planned.problems };
  const plan = planned.value;
  const cut = mainCut(plan);
  const set = cut?.speed.ok ? cut.speed.value : undefined;
  const tapDrill = plan.thread?.tapDrill;
  return {
    machine,
    start: plan.hole.existing === undefined ? plan.start : undefined,
    rpm: set?.rpm,
    percentOfIdeal: set?.percentOfIdeal,
    stop: cut?.stop[0]?.kind,
    oversizeMm: tapDrill && tapDrill.hole.value - tapDrill.used.drill.diameterMm,
    tapping: plan.thread?.tapping.best.label,
    operations: plan.operations.length,
    seconds: plan.seconds,
    warnings: allCautions(plan).filter((c) => c.level !== 'note'),
    problems: refusals(plan),
  };
}
