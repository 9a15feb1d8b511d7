import type { Shop } from '../shop/shop';
import { lacksOf, type Lack } from './to-buy';
import type { OperationCode } from '../operation/operation';
import { equalFeatures, withCount } from './equal-features';
import { faceSketch, type FaceSketch } from './face-sketch';
import { holeLine, type HoleLine, type NamedFeature } from './hole-line';
import type { JobHead, Planner } from './plan-in-job';

/** An operation and how often it is done in one part. */
export interface Work {
  code: OperationCode;
  times: number;
}

/** A job as a list shows it. */
export interface JobSummary {
  /** The first kinds of holes, each once with all of its holes counted. */
  lines: HoleLine[];
  /** How many further kinds there are. */
  more: number;
  work: Work[];
  /** Holes in one part. */
  holes: number;
  /** Kinds that cannot be made, or that have a warning. */
  troubled: number;
  /** Kinds that cannot be made as drawn. */
  impossible: number;
  /** Features, and those of them without a place. */
  features: number;
  unplaced: number;
  sketch?: FaceSketch;
  /** One part, hole by hole, without changes of tool, s. */
  seconds: number;
  /** What the crib lacks for it, of every kind of hole. */
  lacks: { lack: Lack; hole: string; count: number }[];
}

const KINDS_LISTED = 12;

/** How often each operation is done, over some lines. */
export function workOf(lines: readonly Pick<HoleLine, 'steps' | 'count'>[]): Work[] {
  const times = new Map<OperationCode, number>();
  for (const { steps, count } of lines) for (const code of steps) times.set(code, (times.get(code) ?? 0) + count);
  return [...times].map(([code, n]) => ({ code, times: n }));
}

/** A kind of hole of a job: its line, and how long all of it takes, s. */
export interface KindOfHole {
  line: HoleLine;
  impossible: boolean;
  seconds: number;
  lacks: JobSummary['lacks'];
}

/** The kinds of holes of a job one by one, so that a server can do other work between two of them. */
export function* kindsOfHoles(
  features: readonly (NamedFeature & { letter: string })[],
  job: JobHead,
  planner: Planner,
  shop: Pick<Shop, 'pools' | 'tools'>,
): Generator<KindOfHole, void> {
  for (const { features: equal, count } of equalFeatures(features)) {
    const plan = planner.plan(equal[0], job);
    yield {
      line: { ...holeLine(equal[0], job, planner), callout: withCount(equal[0].question.callout, count), count },
      impossible: !plan.ok,
      seconds: plan.ok ? plan.value.seconds * (count / Math.max(1, plan.value.callout.count)) : 0,
      lacks: plan.ok
        ? lacksOf(plan.value, shop).map((lack) => ({
            lack,
            hole: equal.map((f) => f.letter).join(', '),
            count: count * job.quantity,
          }))
        : [],
    };
  }
}

/** The summary of a job from all of its kinds. */
export function summaryOf(
  kinds: readonly KindOfHole[],
  job: JobHead,
  features: readonly (NamedFeature & { letter: string })[],
): JobSummary {
  const lines = kinds.map((k) => k.line);
  return {
    lines: lines.slice(0, KINDS_LISTED),
    more: Math.max(0, lines.length - KINDS_LISTED),
    work: workOf(lines),
    holes: lines.reduce((sum, l) => sum + l.count, 0),
    troubled: lines.filter((l) => l.troubles.length > 0).length,
    impossible: kinds.filter((k) => k.impossible).length,
    lacks: kinds.flatMap((k) => k.lacks),
    features: features.length,
    unplaced: features.filter((f) => !f.place).length,
    sketch: faceSketch(job.part, features),
    seconds: kinds.reduce((sum, k) => sum + k.seconds, 0),
  };
}
