import { caution, composed, ok, problem, refuse, type Caution, type Result } from '../answer/answer';
import { pointAngleOf } from '../drills/drill';
import type { Context } from '../operation/context';
import { habitualWay, tappingHabits } from '../shop/habits';
import { tappingAids } from '../shop/tapping-aids';
import type { Room } from '../tapping/room-below';
import { tapSequences } from '../tapping/tap-sequence';
import type { TappingQuestion } from '../tapping/tapping-question';
import { waysOfTapping, type TappingWay } from '../tapping/ways-of-tapping';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import type { RoomToUse } from './room-to-use';
import type { ThreadDrill } from './thread-drill';

/** What the shop, the room at the bottom and the part around the hole make of the tapping question. */
function tappingQuestionOf(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  drill: ThreadDrill,
  room: Room | undefined,
  { shop, setting }: Pick<Context, 'shop' | 'setting'>,
): TappingQuestion {
  return {
    thread: at.feature.thread,
    leftHand: at.feature.leftHand,
    material: q.material,
    machine: q.machine,
    hole: {
      through: at.through,
      depthMm: at.lengthMm,
      fromMm: at.fromMm,
      thicknessMm: hole.thicknessMm,
      drillMm: drill.used.drill.diameterMm,
      pointAngleDeg: room?.pointAngleDeg ?? pointAngleOf(drill.used.drill),
      minorMm: drill.used.finishedMinorMm,
      leastMinorMm: drill.question.limits?.minorMinMm,
      upperMm: hole.bores.find((b) => b.role === 'upper')?.feature.diameterMm,
      behindMm: q.behindMm,
      offAxisMm: setting.offAxisMm,
      mostChamfer: room?.mostChamfer,
    },
    forming: drill.question.forming,
    holes: hole.callout.count * q.parts,
    dry: q.dry,
    habits: tappingHabits(shop.habits),
    taps: shop.taps,
    aids: tappingAids(shop.tools),
    asked: q.taps,
    askedWay: q.way ?? habitualWay(shop.habits),
    learned: shop.learned,
  };
}

/** The ways of driving the taps of a thread, best first, and the one to use. */
export interface WayToUse {
  best: TappingWay;
  ways: TappingWay[];
  /** It is made with the taps that were asked for. */
  usesAsked: boolean;
  cautions: Caution[];
}

/** The way that is asked for where it can be done, else the one with the best rank. */
export function wayToUse(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  drill: ThreadDrill,
  { room, noWall }: RoomToUse,
  ctx: Context,
): Result<WayToUse> {
  const tapping = tappingQuestionOf(q, hole, at, drill, room, ctx);
  const sequences = tapSequences(tapping);
  const ways = waysOfTapping(tapping, sequences);
  const [first] = ways;
  if (!first.possible) {
    const { reason } = ways.find((w) => w.id === 'hand-free') ?? first;
    const cannot: string = `${at.feature.thread.designation} can’t be tapped here. ${reason.text}`;
    const other = 'Use another tap, tool or machine, or make more room.';
    return refuse(noWall ?? problem('no-way-to-tap', 'tap', cannot, other, reason.values));
  }
  /** Keys of the taps asked for. */
  const taps = q.taps && (sequences.asked?.key ?? q.taps.join(','));
  const wanted = ways.find((w) => w.id === q.way);
  const best = wanted?.possible ? wanted : first;
  const cautions: Caution[] = [];
  if (wanted && !wanted.possible)
    cautions.push(
      caution('note', 'way-impossible', `{way}: can’t be done here. ${wanted.reason.text}`, {
        ...wanted.reason.values,
        way: wanted.label,
      }),
    );
  if (taps !== undefined && best.sequenceKey !== taps) {
    const why = best.others.find((o) => o.key === taps)?.way.ruledOut;
    cautions.push(
      why
        ? {
            ...caution('note', 'taps-impossible', ''),
            ...composed(`These taps can’t be used here. ${why.text}`, why.values),
          }
        : caution('note', 'taps-unknown', 'The taps asked for are not in the crib, or are broken: others are used.'),
    );
  }
  return ok({ best, ways, usesAsked: taps !== undefined && best.sequenceKey === taps, cautions });
}
