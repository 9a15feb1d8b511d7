import { ok, refuse, type Result } from '../answer/answer';
import type { HoleToMake } from '../operation/bore';
import type { Context } from '../operation/context';
import type { OperationEdits } from '../operation/edits';
import { finishing, threadCheck } from '../operation/finishing';
import { CHECKS } from '../operation/hand-times';
import { holeSteps } from '../operation/hole-steps';
import { mouthProblems } from '../operation/mouth-steps';
import { outsideSteps, outsideThread, type OutsideThread } from '../operation/outside-thread';
import type { Step } from '../operation/step';
import { oldThreadSteps, tapSteps } from '../operation/tap-steps';
import type { ShopHabits } from '../shop/habits';
import { classLimits } from '../threads/class-limits';
import { isTapered } from '../threads/thread';
import type { ThreadPart } from './hole-plan';
import { holeToMake } from './hole-to-make';
import { planThread } from './plan-thread';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';

/** What the plan of a hole adds up to before the user's changes. */
export interface Made {
  steps: Step[];
  toMake?: HoleToMake;
  thread?: ThreadPart;
  outside?: OutsideThread;
}

/** An old thread: nothing is drilled or tapped. */
function keepThread({ feature }: ResolvedThread, habits: ShopHabits): Made {
  const { thread, className } = feature;
  const limits = isTapered(thread) ? undefined : classLimits(thread, className);
  const check = threadCheck(limits?.ok ? limits.value : undefined, habits.notGoTurns);
  return { steps: oldThreadSteps(thread, check) };
}

/** A thread on a rod. */
function makeOutside(q: HoleQuestion, hole: ResolvedHole, { feature, lengthMm }: ResolvedThread, ctx: Context): Made {
  const outside = outsideThread(
    { thread: feature.thread, kind: feature.outside ?? 'rod', leftHand: feature.leftHand, lengthMm },
    ctx,
  );
  return { outside, steps: outsideSteps(outside, ctx, hole.callout.count * q.parts) };
}

/** How many things are gauged on a tapped hole. */
const checksOfThread = ({ limits, at }: ThreadPart): number =>
  limits ? CHECKS.thread + (at.through ? 0 : CHECKS.depth) : CHECKS.taper;

/** The taps of a thread at their work. */
const tapsOf = (q: HoleQuestion, hole: ResolvedHole, part: ThreadPart, habits: ShopHabits): Step[] =>
  tapSteps({
    thread: part.thread,
    way: part.tapping.best,
    fromMm: part.at.fromMm,
    lengthMm: part.at.lengthMm,
    holes: hole.callout.count * q.parts,
    leftHand: part.at.feature.leftHand,
    flat: part.room?.id === 'flat',
    machine: q.machine,
    trial: habits.airTrial === 'on',
  });

/** Diameter that walls and edges are measured against, mm: the thread's, or the narrowest bore's. */
export const sizeOf = ({ thread, toMake }: Made): number =>
  thread?.thread.majorMm ?? toMake?.bores.at(-1)?.chosen.drill.diameterMm ?? 0;

/**
 * The steps that make a resolved hole, with a thread or without, before the user's changes.
 * @param tool wanted for a large or thin plain hole
 * @returns them, or what makes the hole impossible
 */
export function makeHole(
  q: HoleQuestion,
  hole: ResolvedHole,
  tool: OperationEdits['tool'],
  ctx: Context,
): Result<Made> {
  const { thread } = hole;
  const { habits } = ctx.shop;
  if (thread && !thread.feature.outside && hole.existing?.kind === 'thread') return ok(keepThread(thread, habits));
  if (thread?.feature.outside) return ok(makeOutside(q, hole, thread, ctx));
  const planned = thread && planThread(q, hole, thread, ctx);
  if (planned && !planned.ok) return planned;
  const part = planned?.value.part;
  const toMake = holeToMake(q, hole, planned?.value, tool, ctx);
  if (!toMake.ok) return toMake;
  const bored = holeSteps(toMake.value, ctx);
  const tooDeep = mouthProblems(bored, hole.thicknessMm);
  if (tooDeep.length > 0) return refuse(...tooDeep);
  const taps = part ? tapsOf(q, hole, part, habits) : [];
  const ends = finishing(
    toMake.value,
    part && threadCheck(part.limits, habits.notGoTurns),
    part && checksOfThread(part),
  );
  return ok({ thread: part, toMake: toMake.value, steps: [...bored, ...taps, ...ends] });
}
