import type { Answer, Caution, Phrase, Problem } from '../answer/answer';
import type { Estimate } from '../answer/estimate';
import type { Machine } from '../cutting/machine';
import type { Drill } from '../drills/drill';
import type { StartMeans } from '../drills/expected-hole';
import type { Material } from '../materials/material';
import type { EditedOperations } from '../operation/edits';
import { isBoring } from '../operation/kinds';
import { mainOperation, type Cut, type OperationCode } from '../operation/operation';
import type { TapDrillChoice } from '../tap-drill/choose-tap-drill';
import type { Room } from '../tapping/room-below';
import type { FormingVerdict } from '../tap-drill/forming';
import type { TapDrillCandidate, TapDrillQuestion } from '../tap-drill/tap-drill-candidate';
import type { TappingWay } from '../tapping/ways-of-tapping';
import type { Callout } from '../threads/callout';
import type { ClassLimits } from '../threads/class-limits';
import type { BoltClass, Engagement } from '../threads/engagement';
import type { Thread } from '../threads/thread';
import type { OutsideThread } from '../operation/outside-thread';
import type { ResolvedHole, ResolvedThread } from './resolved-hole';

/** How the thread of a hole is made. What one tool does, and its figures, stand on the operations. */
export interface ThreadPart {
  thread: Thread;
  /** Its place in the hole. */
  at: ResolvedThread;
  /** Undefined for tapered threads. */
  limits?: ClassLimits;
  kind: 'cut' | 'form';
  /** Whether it may be formed, and how that would be asked of the drills. */
  forming: { verdict: FormingVerdict; question: TapDrillQuestion };
  tapDrill: TapDrillChoice & {
    used: TapDrillCandidate;
    /** Hole that it leaves, with its working. */
    hole: Estimate;
    /** Why this drill: chosen from the pool, asked for, on the drawing, must be bought. */
    because: 'chosen' | 'asked' | 'drawn' | 'to-buy';
    /** What the plan would use if nobody asked for another. */
    proposed?: Drill;
  };
  tapping: { best: TappingWay; ways: TappingWay[]; speed: Answer };
  /** Ways to make the room at the bottom of a blind thread, and the one used; none through. */
  rooms: Room[];
  room?: Room;
  /** What cutting would be instead of forming, or forming instead of cutting, where the crib and the metal allow it. */
  other?: { kind: 'cut' | 'form'; drill: Drill; best: TappingWay };
  bolt: BoltClass;
  /** Undefined for tapered threads, which seal by wedging, and plastics, which strip before any bolt breaks. */
  engagement?: Engagement;
  chamferMm: number;
}

/** How one hole is made: what it is, its operations with the user's changes, its thread if it has one to cut. */
export interface HolePlan extends EditedOperations {
  /** Version of the rules that made it. */
  coreVersion: string;
  callout: Callout;
  hole: ResolvedHole;
  material: Material;
  machine?: Machine;
  start: StartMeans;
  dry: boolean;
  /** Undefined where no thread is cut: a plain hole, or an old thread that is kept. */
  thread?: ThreadPart;
  /** A thread on a rod: nothing is drilled or tapped. */
  outside?: OutsideThread;
  /** Left under the tip of the deepest operation; undefined through, or where the thickness is not known. */
  wall?: Answer;
  /** For one hole, all operations, s. */
  seconds: number;
  assumptions: Phrase[];
  /** About the hole as a whole; what is about one operation stands there. */
  cautions: Caution[];
}

/** Everything to watch, of the hole and of each operation, in the order of the work; each once. */
export const allCautions = (plan: HolePlan): Caution[] => [
  ...plan.cautions,
  ...plan.operations.flatMap((op) => op.cautions),
];

/** The cut of the main bore; undefined where nothing is drilled. */
export const mainCut = (plan: Pick<HolePlan, 'operations'>): Cut | undefined => mainOperation(plan.operations)?.cut;

/** Operations that make the bores of a hole; what works on its mouth can be done by other means. */
const makesHole = (code: OperationCode): boolean => isBoring(code) && code !== 'pilot';

/** Why the machine asked for cannot make the hole: no speed slow enough, no power, too large to hold by hand. */
export function refusals({ operations }: Pick<HolePlan, 'operations'>): Problem[] {
  const all = operations.flatMap(({ code, cut }) =>
    cut && makesHole(code) && !cut.speed.ok ? cut.speed.problems : [],
  );
  return all.filter((p, i) => all.findIndex((other) => other.code === p.code) === i);
}
