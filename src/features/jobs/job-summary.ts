import type { Job } from '@/contracts/job';
import type { HolePlan } from '@/core/ask/hole-plan';
import type { OperationCode } from '@/core/route/operation';
import { toAddress } from '@/core/ask/ask-form';
import { questionInJob } from '@/core/ask/job-questions';
import { answerForm, type Shop } from '@/core/ask/read-form';
import { depth, quantity } from '@/core/answer/answer';
import { drillName } from '@/core/drills/drill';
import { calloutOrders } from '@/core/layout/describe-callout';
import { readCallout } from '@/core/threads/callout';
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
  /** A hole without a thread, in words. */
  plain?: string;
  /** The most serious caution, or why the question cannot be answered. */
  trouble?: string;
}

/** Answers one hole of a job in the shop as it is now. */
export function holePlan(job: Job, hole: Job['holes'][number], shop: Shop) {
  return answerForm(questionInJob(hole.question, job), shop);
}

function lineOf(plan: HolePlan, display: Display): Pick<HoleLine, 'drill' | 'speed' | 'depth' | 'tapping' | 'trouble'> {
  const { speed } = plan.drilling;
  const { best } = plan.tapping;
  const serious = plan.cautions.find((c) => c.level === 'stop') ?? plan.cautions.find((c) => c.level === 'warn');
  const refusal = plan.refusals[0];
  return {
    drill: drillName(plan.tapDrill.used.drill) + (plan.tapDrill.because === 'to-buy' ? ', to get' : ''),
    speed: 'rpm' in speed ? `${showText(quantity(speed.rpm, 'rpm'), display)}, ${speed.label}` : 'not on this machine',
    depth: best.depth
      ? `${showText(depth(best.depth.fullDiameter.value), display)}, stop ${showText(depth(best.depth.total.value), display)}`
      : `through ${showText(depth(plan.hole.thicknessMm ?? 0), display)}`,
    tapping: `${best.label}: ${best.taps.map((t) => `${t.name} (${t.chamferThreads})`).join(', ')}`,
    trouble: refusal ? tell(refusal, display) : serious && tell(serious, display),
  };
}

const PLAIN_STEPS: HoleLine['steps'] = ['lay-out', 'start', 'drill', 'deburr', 'check'];

/** What a callout without a thread asks for, in words; undefined when it has a thread or cannot be read. */
export function plainOrders(callout: string, display: Display): { count: number; orders: string[] } | undefined {
  const read = readCallout(callout);
  if (!read.ok || read.value.features.some((f) => f.kind === 'thread')) return undefined;
  return { count: read.value.count, orders: calloutOrders(read.value).map((o) => tell(o, display)) };
}

/** The holes of a job, each with its line. */
export function holeLines(job: Job, shop: Shop, display: Display): HoleLine[] {
  return job.holes.map((hole) => {
    const result = holePlan(job, hole, shop);
    const base = {
      id: hole.id,
      name: hole.name,
      callout: hole.question.callout,
      count: result.ok ? result.value.callout.count : 1,
      address: `/?${toAddress({ ...questionInJob(hole.question, job), units: display })}&job=${job.id}&jobHole=${hole.id}`,
      steps: result.ok ? result.value.steps.map((s) => s.code) : [],
    };
    if (result.ok) return { ...base, ...lineOf(result.value, display) };
    const plain = plainOrders(hole.question.callout, display);
    return plain
      ? { ...base, count: plain.count, steps: PLAIN_STEPS, plain: plain.orders.join('; ') }
      : { ...base, trouble: result.problems.map((p) => tell(p, display)).join(' ') };
  });
}
