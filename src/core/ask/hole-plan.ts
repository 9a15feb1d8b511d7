import type { Answer, Caution, Phrase, Problem } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { SpeedChoice } from '../cutting/speed-step';
import type { Drill } from '../drills/drill';
import type { StartMeans } from '../drills/predicted-hole';
import type { Material } from '../materials/material';
import type { TapDrillCandidate, TapDrillChoice } from '../tapping/choose-tap-drill';
import type { FormingVerdict } from '../tapping/forming';
import type { TappingWay } from '../tapping/ways-of-tapping';
import type { Callout } from '../threads/callout';
import type { ClassLimits } from '../threads/class-limits';
import type { Engagement } from '../threads/engagement';
import type { Thread } from '../threads/thread';
import type { Operation } from '../route/operation';
import type { ResolvedHole } from './resolve-hole';

/** A candidate with what it would mean for the tap. */
export interface ComparedDrill {
  candidate: TapDrillCandidate;
  torqueNm?: number;
  safety?: number;
  /** Length of thread that holds the bolt, with this hole. */
  neededMm?: number;
}

export interface HolePlan {
  callout: Callout;
  thread: Thread;
  limits?: ClassLimits;
  hole: ResolvedHole;
  material: Material;
  machine?: Machine;
  kind: 'cut' | 'form';
  forming: FormingVerdict & { drill?: TapDrillCandidate };
  tapDrill: TapDrillChoice & {
    used: TapDrillCandidate;
    /** Why this drill: chosen from the pool, asked for, must be bought. */
    because: 'chosen' | 'asked' | 'to-buy';
    compared: ComparedDrill[];
  };
  drilling: {
    start: StartMeans;
    /** The hole that is there serves as it is: nothing is drilled. */
    serves: boolean;
    ideal: Answer;
    thumb: Answer;
    /** What to set, or why this machine cannot. Without a machine the ideal itself. */
    speed: SpeedChoice | Problem;
    feed: Answer;
    tip: Answer;
    pecks: number[];
    peckEveryMm: number;
    pilots: Drill[];
  };
  tapping: { best: TappingWay; ways: TappingWay[]; speed: Answer };
  /** Undefined for tapered threads, which seal by wedging. */
  engagement?: Engagement;
  /** What is left under the tip of a blind hole, where the thickness is known. */
  wall?: Answer;
  chamferMm: number;
  dry: boolean;
  /** A hole that is there already, mm. */
  existingMm?: number;
  assumptions: Phrase[];
  cautions: Caution[];
  steps: Operation[];
  /** Parts of the question that are refused while the rest stands: the machine's speed. */
  refusals: Problem[];
}
