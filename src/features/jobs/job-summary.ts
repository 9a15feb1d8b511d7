import type { Job } from '@/contracts/job';
import type { FeaturePlan } from '@/core/ask/plan-feature';
import type { OperationCode } from '@/core/route/operation';
import { toAddress } from '@/core/ask/ask-form';
import { planInJob, questionInJob } from '@/core/ask/job-questions';
import type { Shop } from '@/core/ask/read-form';
import { depth, quantity } from '@/core/answer/answer';
import { showText, tell, type Display } from '@/core/units/show';

/** A hole of a job as the list shows it: a line of what to do, or why there is none. */
export interface HoleLine {
  id: string;
  name: string;
  callout: string;
  count: number;
  address: string;
  steps: OperationCode[];
  drill?: string;
  speed?: string;
  depth?: string;
  tapping?: string;
  /** Has a thread, so that Ask can answer for it. */
  threaded: boolean;
  /** The most serious caution, or why the question cannot be answered. */
  trouble?: string;
}

function lineOf(
  plan: FeaturePlan,
  display: Display,
): Pick<HoleLine, 'drill' | 'speed' | 'depth' | 'tapping' | 'trouble'> {
  const main = plan.operations.find((op) => ['drill', 'annular', 'saw', 'step-drill'].includes(op.code))?.cut;
  const best = plan.thread?.tapping.best;
  const all = [...plan.cautions, ...plan.operations.flatMap((op) => op.cautions)];
  const serious = all.find((c) => c.level === 'stop') ?? all.find((c) => c.level === 'warn');
  const refusal = plan.thread?.refusals[0] ?? plan.problems[0];
  const toGet = plan.thread ? plan.thread.tapDrill.because === 'to-buy' : main && !main.spec.tool.owned;
  return {
    drill: main && main.spec.tool.name + (toGet ? ', to get' : ''),
    speed:
      main && 'rpm' in main.speed
        ? `${showText(quantity(main.speed.rpm, 'rpm'), display)}, ${main.speed.label}`
        : 'not on this machine',
    depth: main?.spec.through
      ? `through ${showText(depth(plan.thicknessMm ?? main.spec.fullMm), display)}`
      : `${showText(depth(main?.spec.fullMm ?? 0), display)}, stop ${showText(depth(main?.travel.value ?? 0), display)}`,
    tapping: best
      ? `${best.label}: ${best.taps.map((t) => `${t.name} (${t.chamferThreads})`).join(', ')}`
      : plan.operations
          .filter((op) => ['ream', 'counterbore', 'countersink'].includes(op.code))
          .map((op) => tell(op.order, display).replace(/\.$/, ''))
          .join('; '),
    trouble: refusal ? tell(refusal, display) : serious && tell(serious, display),
  };
}

/** The holes of a job, each with its line. */
export function holeLines(job: Job, shop: Shop, display: Display): HoleLine[] {
  return job.holes.map((hole) => {
    const result = planInJob(hole, job, shop);
    const base = {
      id: hole.id,
      name: hole.name,
      callout: hole.question.callout,
      count: result.ok ? result.value.callout.count : 1,
      threaded: !result.ok || result.value.thread !== undefined,
      address: `/?${toAddress({ ...questionInJob(hole.question, job), units: display })}&job=${job.id}&jobHole=${hole.id}`,
      steps: result.ok ? result.value.operations.map((s) => s.code) : [],
    };
    return result.ok
      ? { ...base, ...lineOf(result.value, display) }
      : { ...base, trouble: result.problems.map((p) => tell(p, display)).join(' ') };
  });
}
