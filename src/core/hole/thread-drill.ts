import { ok, type Result } from '../answer/answer';
import type { Context } from '../operation/context';
import type { ShopHabits } from '../shop/habits';
import { chooseTapDrill, type TapDrillChoice } from '../tap-drill/choose-tap-drill';
import { drillToUse, type DrillToUse } from '../tap-drill/drill-to-use';
import type { TapDrillQuestion } from '../tap-drill/tap-drill-candidate';
import { taperTapDrill } from '../tap-drill/taper-tap-drill';
import { classLimits, looserClass, usualClass } from '../threads/class-limits';
import { isTapered, type Thread } from '../threads/thread';
import type { HoleQuestion } from './question';
import type { ResolvedThread } from './resolved-hole';

/** What the hole of a thread is held to: the limits of its class, or what the standard lists for a tapered one. */
function heldTo(
  thread: Thread,
  className: string | undefined,
  forming: boolean,
  habits: ShopHabits,
): Pick<TapDrillQuestion, 'limits' | 'taper'> {
  if (isTapered(thread)) return { taper: taperTapDrill(thread) };
  const name = className ?? usualClass(thread);
  const looser = forming && habits.formed === 'looser' ? looserClass(thread, name) : undefined;
  const limits = classLimits(thread, looser ?? name);
  return limits.ok ? { limits: limits.value } : {};
}

/** What is asked of the drills for a cut or a formed thread. */
function drillQuestion(
  q: HoleQuestion,
  { feature, lengthMm }: ResolvedThread,
  { asked: { start }, shop }: Context,
  forming: boolean,
): TapDrillQuestion {
  const { habits, learned } = shop;
  const { thread, className } = feature;
  const flat = !forming && habits.percentage === 'seventy-five' && !isTapered(thread) ? 75 : undefined;
  const percent = forming && q.tap !== 'form' ? undefined : q.targetPercent;
  return {
    thread,
    ...heldTo(thread, className, forming, habits),
    material: q.material,
    pool: q.pool,
    start,
    learned,
    forming,
    wantedPercent: percent ?? flat,
    depthMm: lengthMm,
    // Only a thickness that is known: an assumed plate is no reason for another drill.
    thicknessMm: q.thicknessMm,
  };
}

/** The drill of a thread: what was asked of the drills, and what came of it. */
export interface ThreadDrill extends DrillToUse {
  question: TapDrillQuestion;
  /** The same for a formed thread. */
  forming: TapDrillQuestion;
  choice: TapDrillChoice;
}

/** Finds the drill for a thread, or the existing hole that needs none. */
export function drillForThread(q: HoleQuestion, at: ResolvedThread, ctx: Context): Result<ThreadDrill> {
  const forming = drillQuestion(q, at, ctx, true);
  const question = q.tap === 'form' ? forming : drillQuestion(q, at, ctx, false);
  const choice = chooseTapDrill(question);
  const found = drillToUse(question, choice, {
    asked: q.drill,
    drawnMm: at.drawn?.diameterMm,
    method: q.tap === 'form' ? 'percentage' : ctx.shop.habits.tapDrill,
    existingMm: q.existing?.kind === 'plain' ? q.existing.diameterMm : undefined,
    through: at.through,
  });
  return found.ok ? ok({ ...found.value, question, forming, choice }) : found;
}
