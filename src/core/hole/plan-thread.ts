import { caution, depth, ok, problem, refuse, type Caution, type Problem, type Result } from '../answer/answer';
import { pointAngleOf } from '../drills/drill';
import { chamferDiameter } from '../drills/drill-point';
import { predictedHole, type StartMeans } from '../drills/predicted-hole';
import { tappingHabits, type ShopHabits } from '../shop/habits';
import { thinWallMm } from '../tapping/blind-depth';
import { formedMinor, formingVerdict } from '../tapping/forming';
import { tappingSpeed } from '../tapping/tapping-speed';
import { waysOfTapping, type TappingWay } from '../tapping/ways-of-tapping';
import { engagement } from '../threads/engagement';
import { isTapered } from '../threads/thread';
import type { ThreadPart } from './hole-plan';
import type { HoleQuestion } from './question';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';
import { drillForThread, type ThreadDrill } from './thread-drill';
import { boltFor } from './usual-depth';

function wallProblem(
  { thicknessMm = 0 }: ResolvedHole,
  { feature, lengthMm }: ResolvedThread,
  ways: TappingWay[],
): Problem {
  const { thread } = feature;
  const least = Math.min(...ways.flatMap((w) => (w.depth ? [w.depth.total.value] : [])));
  const most = lengthMm - (least - thicknessMm) - thinWallMm(thread.majorMm);
  return problem(
    'wall-zero',
    'threadDepth',
    'A blind thread {depth} deep needs a hole {total} deep to the tip; the plate is {thickness}.',
    most > thread.pitchMm
      ? 'Thread at most {most} deep, or go through.'
      : 'Go through, or take thicker stock: no useful blind thread fits.',
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
  drillCautions: Caution[];
}

/** The drawing's own depth for the tap drill, where the tap needs more. */
function drawnDepth({ drawn }: ResolvedThread, best: TappingWay): Caution[] {
  const needed = best.depth?.fullDiameter.value;
  if (drawn?.extent?.kind !== 'depth' || needed === undefined || drawn.extent.mm >= needed - 0.05) return [];
  return [
    caution('warn', 'drawn-depth', 'The drawing drills {drawn}; this tap needs {needed} of full diameter.', {
      drawn: depth(drawn.extent.mm),
      needed: depth(needed),
    }),
  ];
}

/** Minor diameter that the thread ends with: the predicted hole, or what forming leaves of it, mm. */
const minorOf = ({ question, used }: ThreadDrill): number =>
  question.forming ? formedMinor(question.thread, used.drill.diameterMm) : used.holeMm;

function waysFor(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  drill: ThreadDrill,
  habits: ShopHabits,
): TappingWay[] {
  return waysOfTapping({
    thread: at.feature.thread,
    material: q.material,
    machine: q.machine,
    hole: {
      through: at.through,
      depthMm: at.lengthMm,
      fromMm: at.fromMm,
      thicknessMm: hole.thicknessMm,
      drillMm: drill.used.drill.diameterMm,
      pointAngleDeg: pointAngleOf(drill.used.drill),
      minorMm: minorOf(drill),
    },
    forming: drill.question.forming,
    holes: hole.callout.count * q.parts,
    dry: q.dry,
    habits: tappingHabits(habits),
  });
}

function partOf(
  q: HoleQuestion,
  at: ResolvedThread,
  drill: ThreadDrill,
  ways: TappingWay[],
  start: StartMeans,
): ThreadPart {
  const { thread } = at.feature;
  const { material } = q;
  const { question, choice, used, because, proposed } = drill;
  const bolt = boltFor(q, thread);
  const held = !isTapered(thread) && material.group !== 'plastic';
  return {
    thread,
    at,
    limits: question.limits,
    kind: question.forming ? 'form' : 'cut',
    forming: { verdict: formingVerdict(thread, material), question: drill.forming },
    tapDrill: { ...choice, used, hole: predictedHole(used.drill, start, material), because, proposed },
    tapping: { best: ways[0], ways, speed: tappingSpeed(thread, material) },
    bolt,
    engagement: held ? engagement(thread, material, bolt, minorOf(drill), at.lengthMm) : undefined,
    chamferMm: chamferDiameter(thread.majorMm),
  };
}

/**
 * How the thread of a resolved hole is made: cut or formed, with which drill, tapped how.
 * @returns the thread, or why none can be made here
 */
export function planThread(
  q: HoleQuestion,
  hole: ResolvedHole,
  at: ResolvedThread,
  start: StartMeans,
  habits: ShopHabits,
): Result<PlannedThread> {
  const drill = drillForThread(q, at, start, habits);
  if (!drill.ok) return drill;
  const ways = waysFor(q, hole, at, drill.value, habits);
  if (!ways[0].possible) return refuse(wallProblem(hole, at, ways));
  return ok({
    part: partOf(q, at, drill.value, ways, start),
    serves: drill.value.serves,
    drillCautions: [...drill.value.cautions, ...drawnDepth(at, ways[0])],
  });
}
