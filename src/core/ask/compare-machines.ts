import type { Problem, Result } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { FeaturePlan } from './plan-feature';

/** What a machine makes of a hole, in the figures that differ from one to the next. */
export interface MachineFigures {
  machine: Machine;
  start: string;
  /** Set speed of the main drill, rpm; undefined where the machine has none for it. */
  rpm?: number;
  percentOfIdeal?: number;
  stop?: string;
  /** How far the hole comes out over its drill, mm. Model. */
  oversizeMm?: number;
  tapping?: string;
  operations: number;
  /** For one hole, s. */
  seconds: number;
  warnings: string[];
  problems: Problem[];
}

const START: Record<string, string> = {
  hand: 'punch, split point',
  punch: 'punch mark',
  'centre-drill': 'centre drill',
  spot: 'spot drill',
  bushing: 'bushing',
};

/** One machine's figures from its plan, or why there is none. */
export function machineFigures(machine: Machine, planned: Result<FeaturePlan>): MachineFigures {
  if (!planned.ok) return { machine, start: '', operations: 0, seconds: 0, warnings: [], problems: planned.problems };
  const plan = planned.value;
  const main = plan.operations.find((op) => ['drill', 'annular', 'saw', 'step-drill'].includes(op.code));
  const speed = main?.cut?.speed;
  const set = speed && 'rpm' in speed ? speed : undefined;
  const used = plan.thread?.tapDrill.used;
  return {
    machine,
    start: plan.ctx.existingMm === undefined ? START[plan.ctx.start] : 'the hole that is there',
    rpm: set?.rpm,
    percentOfIdeal: set?.percentOfIdeal,
    stop: main?.cut?.stop[0]?.kind,
    oversizeMm: used && used.hole.value - used.drill.diameterMm,
    tapping: plan.thread?.tapping.best.label,
    operations: plan.operations.length,
    seconds: plan.seconds,
    warnings: [
      ...new Set(plan.operations.flatMap((op) => op.cautions.filter((c) => c.level !== 'note').map((c) => c.code))),
    ],
    problems: speed && !('rpm' in speed) ? [speed] : [],
  };
}
