import { toolUse } from '../materials/life-factor';
import { lifeLeft } from '../shop/tool-life';
import { tapLevel } from '../tapping/tapping-torque';
import {
  caution,
  composed,
  depth,
  ok,
  problem,
  refuse,
  type Caution,
  type Problem,
  type Result,
} from '../answer/answer';
import type { Estimate, Learned } from '../answer/estimate';
import { isHandHeld } from '../cutting/machine';
import { isUsable, pointAngleOf, type Drill } from '../drills/drill';
import { chamferDiameter } from '../drills/drill-point';
import { expectedHole, expectedHoleMm, typicalHoleMm, type DrilledHole } from '../drills/expected-hole';
import type { Context } from '../operation/context';
import { habitualWay, tappingHabits, type ShopHabits } from '../shop/habits';
import { tappingAids } from '../shop/tapping-aids';
import { thinWallMm } from '../tapping/blind-depth';
import { formingVerdict } from '../tap-drill/forming';
import { isTapUsable } from '../tapping/own-tap';
import { WORN_FROM } from '../tapping/tap-risk';
import { roomsBelow, type Room } from '../tapping/room-below';
import type { TappingQuestion } from '../tapping/tapping-question';
import { tappingSpeed } from '../tapping/tapping-speed';
import { askedSequence } from '../tapping/tap-sequence';
import { waysOfTapping, type TappingWay } from '../tapping/ways-of-tapping';
import type { ClassLimits } from '../threads/class-limits';
import { engagement } from '../threads/engagement';
import { isPipe, isTapered } from '../threads/thread';
import { taperTapDrill } from '../tap-drill/taper-tap-drill';
import type { ThreadPart } from './hole-plan';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import { drillForThread, type ThreadDrill } from './thread-drill';
import { boltFor } from './usual-depth';

/** Why no way of tapping is left: no wall under the hole, or what stands in the way of plain hand tapping. */
function impossible(
  { thicknessMm = 0 }: ResolvedHole,
  { feature, lengthMm }: ResolvedThread,
  ways: TappingWay[],
  rooms: readonly Room[],
): Problem {
  const { thread } = feature;
  const byHand = ways.find((w) => w.id === 'hand-free') ?? ways[0];
  const least = Math.min(...rooms.map((r) => r.totalMm));
  const cannot: string = `${thread.designation} can’t be tapped here. ${byHand.reason.text}`;
  if (least <= thicknessMm - noWallMm(thread.majorMm) || rooms.length === 0)
    return problem(
      'no-way-to-tap',
      'tap',
      cannot,
      'Use another tap, tool or machine, or make more room.',
      byHand.reason.values,
    );
  const most = lengthMm - (least - thicknessMm) - thinWallMm(thread.majorMm);
  return problem(
    'wall-zero',
    'threadDepth',
    'A blind thread {depth} deep needs a hole {total} deep to the tip; the plate is {thickness}.',
    most > thread.pitchMm
      ? 'Thread at most {most} deep, or go through.'
      : 'Go through, or use thicker stock: no room for a usable blind thread.',
    {
      depth: depth(lengthMm),
      total: depth(least),
      thickness: depth(thicknessMm),
      most: depth(Math.max(most, 0)),
    },
  );
}

/** A thread with the cautions of its drill, and whether the existing hole does as it is. */
export interface PlannedThread {
  part: ThreadPart;
  serves: boolean;
  /** It is made with the taps that were asked for. */
  usesAsked: boolean;
  drillCautions: Caution[];
}

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

/** What the shop, the room at the bottom and the part around the hole make of the tapping question. */
function tappingQuestion(
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

/** Ways to make the room at the bottom of a blind thread; none through or for a thread that is stopped by the gauge. */
function roomsOf(hole: ResolvedHole, at: ResolvedThread, drill: Drill, habits: ShopHabits): Room[] {
  const { thread } = at.feature;
  if (at.through || isTapered(thread)) return [];
  return roomsBelow({
    thread,
    lengthMm: at.lengthMm,
    fromMm: at.fromMm,
    thicknessMm: hole.thicknessMm,
    drillMm: drill.diameterMm,
    pointAngleDeg: pointAngleOf(drill),
    names: habits.tapNames,
  });
}

/** Rooms that need no tool of their own kind. */
const USUAL_ROOMS: readonly string[] = ['deeper', 'point-135', 'bottoming'];

/** Under this a wall is none, mm. Trade rule. */
const noWallMm = (sizeMm: number): number => Math.max(0.5, 0.1 * sizeMm);
/** A wall that is warned of, and better than tools that a crib seldom has, mm. Our judgement. */
const THIN_YET_SOUND_MM = 0.9;

/**
 * The room asked for; else the first that leaves a sound wall with usual tools, or a thin one; else with any tool, sound or
 * the thickest.
 */
function roomToUse(rooms: readonly Room[], q: HoleQuestion, drill: Drill): Room | undefined {
  const asked = rooms.find((r) => r.id === q.room);
  if (asked) return asked;
  const hasSplit = q.pool.drills.some(
    (d) => isUsable(d) && Math.abs(d.diameterMm - drill.diameterMm) < 1e-3 && pointAngleOf(d) >= 135,
  );
  const usual = rooms.filter((r) => USUAL_ROOMS.includes(r.id) && (r.id !== 'point-135' || hasSplit));
  if (rooms[0]?.wallMm === undefined) return usual[0];
  const thickest = (among: readonly Room[], leastMm: number): Room | undefined =>
    among.reduce<Room | undefined>(
      (a, r) => ((r.wallMm ?? 0) > Math.max(leastMm - 1e-9, (a?.wallMm ?? 0) + 1e-9) ? r : a),
      undefined,
    );
  return (
    usual.find((r) => r.fits) ??
    thickest(usual, Math.max(THIN_YET_SOUND_MM, noWallMm(drill.diameterMm))) ??
    rooms.find((r) => r.fits) ??
    thickest(rooms, noWallMm(drill.diameterMm)) ??
    rooms.find((r) => r.id === 'bottoming')
  );
}

/** The way that is asked for where it can be done, else the one with the best rank. @param taps keys of the taps asked for */
function wayToUse(
  ways: TappingWay[],
  { way: asked }: HoleQuestion,
  taps: string | undefined,
): { best: TappingWay; cautions: Caution[] } {
  const wanted = ways.find((w) => w.id === asked);
  const best = wanted?.possible ? wanted : ways[0];
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
  return { best, cautions };
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
function pipeWall({ feature: { thread } }: ResolvedThread, { thicknessMm }: ResolvedHole): Caution[] {
  if (!isTapered(thread) || thicknessMm === undefined) return [];
  const { handTightMm, effectiveMm } = taperTapDrill(thread);
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

/** The predicted hole with the class that it has to fall into, for its drawing. */
function predicted(
  { drill, ...made }: DrilledHole,
  learned: Learned | undefined,
  limits: ClassLimits | undefined,
): Estimate {
  const hole = expectedHole({ drill, ...made }, learned);
  if (!limits) return hole;
  const { diameterMm } = drill;
  const typical = typicalHoleMm({ drill, ...made });
  const measured = expectedHoleMm({ drill, ...made }, learned);
  const { value: holeMm, sigma: sigmaMm, working } = hole;
  const { minorMinMm: minMm, minorMaxMm: maxMm } = limits;
  const own = measured.n > 0 ? { typical: { holeMm: typical.mean, sigmaMm: typical.sigma }, ownMm: measured.own } : {};
  return {
    ...hole,
    working: { ...working, drawn: { kind: 'class', drillMm: diameterMm, holeMm, sigmaMm, minMm, maxMm, ...own } },
  };
}

function partOf(
  q: HoleQuestion,
  at: ResolvedThread,
  drill: ThreadDrill,
  tapping: Pick<ThreadPart['tapping'], 'best' | 'ways'>,
  rooms: { rooms: Room[]; room?: Room },
): ThreadPart {
  const { thread } = at.feature;
  const { material } = q;
  const { question, choice, used, because, proposed } = drill;
  const bolt = boltFor(q, thread);
  const held = !isTapered(thread) && !isPipe(thread) && material.group !== 'plastic';
  return {
    thread,
    at,
    limits: question.limits,
    kind: question.forming ? 'form' : 'cut',
    forming: { verdict: formingVerdict(thread, material), question: drill.forming },
    tapDrill: {
      ...choice,
      used,
      hole: predicted(
        { drill: used.drill, start: question.start, material },
        question.learned,
        question.forming ? undefined : question.limits,
      ),
      because,
      proposed,
    },
    tapping: { ...tapping, speed: tappingSpeed(thread, material) },
    ...rooms,
    bolt,
    engagement: held ? engagement(thread, material, bolt, drill.used.finishedMinorMm, at.lengthMm) : undefined,
    chamferMm: chamferDiameter(thread.majorMm),
  };
}

/** A tap of which the log says that it may end before these holes are done. */
function tapLives(
  best: TappingWay,
  at: ResolvedThread,
  { material }: HoleQuestion,
  holes: number,
  { shop }: Context,
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

/** A thread planned one way: cut, or formed. */
function planKind(q: HoleQuestion, hole: ResolvedHole, at: ResolvedThread, ctx: Context): Result<PlannedThread> {
  const { habits } = ctx.shop;
  const drill = drillForThread(q, at, ctx);
  if (!drill.ok) return drill;
  const rooms = roomsOf(hole, at, drill.value.used.drill, habits);
  const room = roomToUse(rooms, q, drill.value.used.drill);
  const tapping = tappingQuestion(q, hole, at, drill.value, room, ctx);
  const ways = waysOfTapping(tapping);
  if (!ways[0].possible) return refuse(impossible(hole, at, ways, rooms));
  const asked = q.taps && (askedSequence(tapping)?.key ?? q.taps.join(','));
  const { best, cautions } = wayToUse(ways, q, asked);
  return ok({
    usesAsked: asked !== undefined && best.sequenceKey === asked,
    part: partOf(q, at, drill.value, { best, ways }, { rooms, room }),
    serves: drill.value.serves,
    drillCautions: [
      ...drill.value.cautions,
      ...drawnDepth(at, best),
      ...threadsInSheet(at),
      ...pipeWall(at, hole),
      ...cautions,
      ...tapCautions(best, at.feature),
      ...tapLives(best, at, q, tapping.holes, ctx),
    ],
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
  const cut = planKind(q, hole, at, ctx);
  if (!mayForm(q, at, ctx)) return cut;
  const formed = planKind({ ...q, tap: 'form' }, hole, at, ctx);
  if (!formed.ok) return cut;
  if (!cut.ok) return formed;
  const better = formed.value.part.tapping.best.cost.total < cut.value.part.tapping.best.cost.total;
  const formWins = formed.value.usesAsked || (better && !cut.value.usesAsked);
  const [used, other] = formWins ? [formed.value, cut.value] : [cut.value, formed.value];
  const { kind, tapDrill, tapping } = other.part;
  return ok({ ...used, part: { ...used.part, other: { kind, drill: tapDrill.used.drill, best: tapping.best } } });
}
