import { ok, type Caution, type Result } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import type { Context } from '../operation/context';
import { formingVerdict } from '../tap-drill/forming';
import { isTapUsable } from '../tapping/own-tap';
import type { ThreadPart } from './hole-plan';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import { roomToUse } from './room-to-use';
import { threadCautions } from './thread-cautions';
import { drillForThread } from './thread-drill';
import { threadPart } from './thread-part';
import { wayToUse } from './way-to-use';

/** A thread with the cautions of its drill, and whether the existing hole does as it is. */
export interface PlannedThread {
  part: ThreadPart;
  serves: boolean;
  /** It is made with the taps that were asked for. */
  usesAsked: boolean;
  drillCautions: Caution[];
}

/** A thread planned one way: cut, or formed. */
function planKind(q: HoleQuestion, hole: ResolvedHole, at: ResolvedThread, ctx: Context): Result<PlannedThread> {
  const { shop } = ctx;
  const drill = drillForThread(q, at, ctx);
  if (!drill.ok) return drill;
  const below = roomToUse(q, hole, at, drill.value.used.drill, shop.habits);
  const way = wayToUse(q, hole, at, drill.value, below, ctx);
  if (!way.ok) return way;
  const { best, ways, usesAsked, cautions } = way.value;
  const { ofHole, ofTaps } = threadCautions(q, hole, at, drill.value, best, shop);
  return ok({
    usesAsked,
    part: threadPart(q, at, drill.value, { best, ways }, { rooms: below.rooms, room: below.room }),
    serves: drill.value.serves,
    drillCautions: [...drill.value.cautions, ...ofHole, ...cautions, ...ofTaps],
  });
}

/** Forming is weighed beside cutting where the metal flows and a tap for it hangs in the crib. */
function mayForm(
  q: HoleQuestion,
  { feature: { thread, leftHand }, drawn }: ResolvedThread,
  { shop }: Context,
): boolean {
  // A hole drilled by hand is not close enough to form in; the drill on a drawing is one to cut with.
  if (q.tap !== 'auto' || drawn !== undefined || isHandHeld(q.machine) || !formingVerdict(thread, q.material).allowed)
    return false;
  const hand = leftHand ? 'left' : 'right';
  return (shop.taps ?? []).some(
    (t) => t.geometry === 'form' && t.thread === thread.designation && t.hand === hand && isTapUsable(t),
  );
}

/** The better of a thread cut and formed: with the taps asked for, else the one that costs less. */
function better(cut: PlannedThread, formed: PlannedThread): PlannedThread {
  const costs = ({ part }: PlannedThread): number => part.tapping.best.cost.total;
  const formWins = formed.usesAsked || (costs(formed) < costs(cut) && !cut.usesAsked);
  const [used, other] = formWins ? [formed, cut] : [cut, formed];
  const { kind, tapDrill, tapping } = other.part;
  return { ...used, part: { ...used.part, other: { kind, drill: tapDrill.used.drill, best: tapping.best } } };
}

/**
 * How the thread of a resolved hole is made: cut or formed, with which drill, tapped how. Where nobody says, cutting and
 * forming are both planned and the better one is used.
 * @returns the thread, or why none can be made here
 */
export function planThread(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  ctx: Context,
): Result<PlannedThread> {
  const kinds: HoleQuestion[] = mayForm(q, at, ctx) ? [q, { ...q, tap: 'form' }] : [q];
  const plans: Result<PlannedThread>[] = [];
  for (const kind of kinds) plans.push(planKind(kind, hole, at, ctx));
  const [cut, formed] = plans;
  if (!formed?.ok) return cut;
  return cut.ok ? ok(better(cut.value, formed.value)) : formed;
}
