import type { Job } from '@/contracts/job';
import { allCautions, mainCut, refusals, type HolePlan } from '@/core/hole/hole-plan';
import type { OperationCode } from '@/core/operation/operation';
import { toAddress } from '@/core/hole/form';
import { plannerFor, questionInJob } from '@/core/job/plan-in-job';
import type { Shop } from '@/core/shop/shop';
import { CORE_VERSION, depth, quantity, type Caution } from '@/core/answer/answer';
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
  /** Version of the rules that answered it when it was saved, where that is an older one. */
  savedBy?: string;
  /** Why it cannot be made or answered, then every caution that is more than a note, the worst first. */
  troubles: string[];
}

function lineOf(
  plan: HolePlan,
  display: Display,
): Pick<HoleLine, 'drill' | 'speed' | 'depth' | 'tapping' | 'troubles'> {
  const main = mainCut(plan);
  const best = plan.thread?.tapping.best;
  const at = (level: Caution['level']): Caution[] => allCautions(plan).filter((c) => c.level === level);
  const said = [...refusals(plan), ...plan.problems, ...at('stop'), ...at('warn')].map((p) => tell(p, display));
  const toBuy = plan.thread ? plan.thread.tapDrill.because === 'to-buy' : main && !main.spec.tool.owned;
  return {
    drill: main && main.spec.tool.name + (toBuy ? ', to get' : ''),
    speed:
      main &&
      (main.speed.ok
        ? `${showText(quantity(main.speed.value.rpm, 'rpm'), display)}, ${main.speed.value.label}`
        : 'not on this machine'),
    depth:
      main &&
      (main.spec.through
        ? `through ${showText(depth(main.spec.fullMm), display)}`
        : `${showText(depth(main.spec.fullMm), display)}, stop ${showText(depth(main.travel.value), display)}`),
    tapping: best
      ? `${best.label}: ${best.taps.map((t) => `${t.name} (${t.chamferThreads})`).join(', ')}`
      : plan.operations
          .filter((op) => ['ream', 'counterbore', 'countersink', 'chase'].includes(op.code))
          .map((op) => tell(op.order, display).replace(/\.$/, ''))
          .join('; '),
    troubles: [...new Set(said)],
  };
}

/** The holes of a job, each with its line. */
export function holeLines(job: Job, shop: Shop, display: Display): HoleLine[] {
  const planner = plannerFor(shop);
  return job.holes.map((hole) => {
    const result = planner.plan(hole, job);
    const base = {
      id: hole.id,
      name: hole.name,
      callout: hole.question.callout,
      count: result.ok ? result.value.callout.count : 1,
      address: `/?${toAddress({ ...questionInJob(hole.question, job), units: display })}&job=${job.id}&jobHole=${hole.id}`,
      savedBy: hole.question.coreVersion === CORE_VERSION ? undefined : hole.question.coreVersion,
      steps: result.ok ? result.value.operations.map((s) => s.code) : [],
    };
    return result.ok
      ? { ...base, ...lineOf(result.value, display) }
      : { ...base, troubles: result.problems.map((p) => tell(p, display)) };
  });
}
