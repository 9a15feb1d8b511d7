import { caution, depth, type Caution } from '../answer/answer';
import { toolUse } from '../materials/life-factor';
import type { Shop } from '../shop/shop';
import { lifeLeft } from '../shop/tool-life';
import { WORN_FROM } from '../tapping/tap-risk';
import { tapLevel } from '../tapping/tapping-torque';
import type { TappingWay } from '../tapping/ways-of-tapping';
import { isTapered } from '../threads/thread';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import type { ThreadDrill } from './thread-drill';

/** The drawing's own depth for the tap drill, where the tap needs more. */
function drawnDepth({ drawn }: ResolvedThread, best: TappingWay): Caution[] {
  const needed = best.depth?.fullDiameter.value;
  if (drawn?.extent?.kind !== 'depth' || needed === undefined || drawn.extent.mm >= needed - 0.05) return [];
  return [
    caution(
      'warn',
      'drawn-depth',
      'The drawing gives {drawn} of drill depth; this tap needs {needed} of full diameter.',
      {
        drawn: depth(drawn.extent.mm),
        needed: depth(needed),
      },
    ),
  ];
}

/** What the crib lacks for the taps used, and what is worn of them. */
function tapCautions(best: TappingWay, { thread, leftHand }: ResolvedThread['feature']): Caution[] {
  return best.taps.flatMap((tap) => {
    const values = { thread: thread.designation + (leftHand ? ' LH' : ''), tap: tap.name, threads: tap.chamferThreads };
    if (!tap.owned)
      return [
        caution('note', 'tap-to-buy', 'Not in the crib: {thread} {tap}, {threads} chamfer threads. To buy.', values),
      ];
    return (tap.wear ?? 1) >= WORN_FROM
      ? [caution('note', 'tap-worn', 'The {thread} {tap} is worn: drill one size up, or use a sharp one.', values)]
      : [];
  });
}

/** A pipe thread seals by its length: a wall thinner than that does not hold it. */
function pipeWall(
  { feature: { thread } }: ResolvedThread,
  { thicknessMm }: ResolvedHole,
  { question: { taper } }: ThreadDrill,
): Caution[] {
  if (!taper || thicknessMm === undefined) return [];
  const { handTightMm, effectiveMm } = taper;
  if (thicknessMm >= effectiveMm - 1e-9) return [];
  const values = {
    thread: thread.designation,
    wall: depth(thicknessMm),
    needed: depth(effectiveMm),
    hand: depth(handTightMm),
  };
  return [
    thicknessMm < handTightMm
      ? caution(
          'stop',
          'pipe-wall',
          '{thread} goes {hand} in by hand alone and the wall is {wall}: use a boss, a coupling, or a straight thread with a seal.',
          values,
        )
      : caution(
          'warn',
          'pipe-wall',
          '{thread} seals over {needed} of thread and the wall is {wall}: a boss is better.',
          values,
        ),
  ];
}

/** Fewer threads than this in a plate hold nothing but light duty. Trade rule. */
const LIGHT_DUTY_THREADS = 5;
const TOO_FEW_THREADS = 3;
/** Fewer than this hold nothing at all. Our judgement. */
const NO_THREADS = 1.5;

/** So thin that the thread goes through with fewer threads than hold. */
export const isSheet = ({ feature: { thread }, through, lengthMm }: ResolvedThread): boolean =>
  through && !isTapered(thread) && lengthMm / thread.pitchMm < LIGHT_DUTY_THREADS;

/** A sheet holds by the threads that are in it. */
function threadsInSheet(at: ResolvedThread): Caution[] {
  const { lengthMm } = at;
  const { thread } = at.feature;
  const threads = lengthMm / thread.pitchMm;
  if (!isSheet(at)) return [];
  const text = '{thread} in {sheet} holds by {threads} threads: ';
  if (threads < NO_THREADS)
    return [
      caution(
        'stop',
        'threads-in-sheet',
        '{thread} has {threads} threads in {sheet}: that holds nothing. Use a rivet nut or a weld nut.',
        {
          thread: thread.designation,
          sheet: depth(lengthMm),
          threads: threads.toFixed(1),
        },
      ),
    ];
  const advice =
    threads < TOO_FEW_THREADS
      ? 'too few even for light duty. Back it with a nut, or use a finer pitch.'
      : 'light duty only.';
  return [
    caution('note', 'threads-in-sheet', text + advice, {
      thread: thread.designation,
      sheet: depth(lengthMm),
      threads: threads.toFixed(1),
    }),
  ];
}

/** A tap of which the log says that it may end before these holes are done. */
function tapLives(
  best: TappingWay,
  at: ResolvedThread,
  { material }: HoleQuestion,
  holes: number,
  shop: Pick<Shop, 'lives'>,
): Caution[] {
  const { thread } = at.feature;
  const perHole = toolUse(material, at.lengthMm, thread.majorMm);
  return best.each.flatMap(({ tap }) => {
    const record = shop.lives?.[tapLevel(tap, thread)];
    if (!record) return [];
    const { median, range } = lifeLeft(record, record.done);
    const few = Math.floor(range[0] / perHole);
    if (few >= holes) return [];
    return [
      caution(
        'note',
        'tap-life',
        '{tap}: by its log about {left} holes like this are left; one in twenty ends within {few}. Have another ready.',
        {
          tap: tap.name,
          left: Math.round(median / perHole),
          few: Math.max(1, few),
        },
      ),
    ];
  });
}

/** What is to be watched of a thread beside its drill: depth and wall, the taps that are used and how long they last. */
export const threadCautions = (
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  drill: ThreadDrill,
  best: TappingWay,
  shop: Pick<Shop, 'lives'>,
): { ofHole: Caution[]; ofTaps: Caution[] } => ({
  ofHole: [...drawnDepth(at, best), ...threadsInSheet(at), ...pipeWall(at, hole, drill)],
  ofTaps: [...tapCautions(best, at.feature), ...tapLives(best, at, q, hole.callout.count * q.parts, shop)],
});
