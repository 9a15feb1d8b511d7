import { CORE_VERSION, phrase, type Caution, type Phrase } from '../answer/answer';
import { allCautions, mainCut, refusals, type HolePlan } from '../hole/hole-plan';
import { KINDS } from '../operation/kinds';
import type { OperationCode } from '../operation/operation';
import type { JobFeature, JobHead, Planner } from './plan-in-job';

/** A feature of a job in a line: what to do, or why there is nothing to do. */
export interface HoleLine {
  id: string;
  name: string;
  callout: string;
  /** Holes of this kind in one part. */
  count: number;
  steps: OperationCode[];
  drill?: { name: string; toBuy: boolean };
  /** Undefined where the machine has none; rev/min. */
  speed?: { rpm: number; label: string };
  /** Full diameter and stop from touch, mm. */
  depth?: { fullMm: number; stopMm: number; through: boolean };
  /** How it is tapped, reamed or headed. */
  then: Phrase[];
  /** Version of the rules that answered it when it was saved, where that is an older one. */
  savedBy?: string;
  /** Why it cannot be made or answered, then every caution that is more than a note, the worst first; each once. */
  troubles: Phrase[];
}

/** A feature as the line of it needs to know it. */
export interface NamedFeature extends JobFeature {
  id: string;
  name: string;
  question: JobFeature['question'] & { coreVersion?: string };
}

function planned(plan: HolePlan): Pick<HoleLine, 'drill' | 'speed' | 'depth' | 'then' | 'troubles'> {
  const main = mainCut(plan);
  const best = plan.thread?.tapping.best;
  const at = (level: Caution['level']): Caution[] => allCautions(plan).filter((c) => c.level === level);
  const said: Phrase[] = [...refusals(plan), ...plan.problems, ...at('stop'), ...at('warn')];
  const once = new Map(said.map(({ text, values }) => [JSON.stringify([text, values]), { text, values }]));
  return {
    ...(main && {
      drill: {
        name: main.spec.tool.name,
        toBuy: plan.thread ? plan.thread.tapDrill.because === 'to-buy' : !main.spec.tool.owned,
      },
      depth: { fullMm: main.spec.fullMm, stopMm: main.stopMm, through: main.spec.through },
      ...(main.speed.ok ? { speed: { rpm: main.speed.value.rpm, label: main.speed.value.label } } : {}),
    }),
    then: best
      ? [phrase(`${best.label}: ${best.taps.map((t) => `${t.name} (${t.chamferThreads})`).join(', ')}.`)]
      : plan.operations.filter((op) => KINDS[op.code].finishes).map((op) => op.order),
    troubles: [...once.values()],
  };
}

/** The line of one feature, planned in its job. */
export function holeLine(feature: NamedFeature, job: JobHead, planner: Planner): HoleLine {
  const { id, name, question } = feature;
  const result = planner.plan(feature, job);
  return {
    id,
    name,
    callout: question.callout,
    count: result.ok ? result.value.callout.count : 1,
    savedBy: question.coreVersion === CORE_VERSION ? undefined : question.coreVersion,
    steps: result.ok ? result.value.operations.map((s) => s.code) : [],
    ...(result.ok
      ? planned(result.value)
      : { then: [], troubles: result.problems.map(({ text, values }) => ({ text, values })) }),
  };
}
