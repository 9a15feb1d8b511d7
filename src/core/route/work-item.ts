import type { Phrase } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import type { FaceId } from '../layout/part';
import type { JobFeature } from '../job/plan-in-job';
import type { OperationCode } from '../operation/operation';

/** A feature of a job as a route needs it. */
export interface RoutedFeature extends JobFeature {
  id: string;
  letter: string;
  name: string;
}

/** One operation on one hole of one part. */
export interface WorkItem {
  /** Place in the list of items. */
  id: number;
  featureId: string;
  letter: string;
  /** From 1 within its feature. */
  hole: number;
  opKey: string;
  code: OperationCode | 'cut-between';
  order: Phrase;
  /** What is in the spindle or the hand: items with the same tool need no change. */
  tool: string;
  inCrib: boolean;
  rpm?: number;
  speedLabel?: string;
  /** Stop from touch, mm, where one is set. */
  stopMm?: number;
  /** Where it is drawn out to clear its chips. */
  outs?: Phrase;
  /** Drilled through: a stop that was set before is off. */
  stopOff?: boolean;
  turns?: number;
  /** Holes of this shop that say how large its drill cuts. */
  ownHoles?: number;
  /** Cut or tapped with fluid. */
  wet?: boolean;
  /** Id of the tap in the crib. */
  tapKey?: string;
  /** Cutting and handling, without changes and moves, s. */
  seconds: number;
  x: number;
  y: number;
  /** What would spoil part, tool or person; on the first hole of a feature. */
  cautions?: Phrase[];
  /** Items of the same hole, or of another that this one needs, that come first. */
  after: number[];
  /** Cuts in between that come first. */
  afterCuts?: string[];
}

/** As it is called: `A3`; nothing for what is done to the whole part. */
export const holeName = ({ letter, hole }: Pick<WorkItem, 'letter' | 'hole'>): string =>
  letter === '' ? '' : `${letter}${hole}`;

/** Features that are the same hole in different places. */
export interface LikeHoles {
  /** Id of the first of them. */
  key: string;
  /** As a drawing writes one of them. */
  callout: string;
  features: string[];
  /** Its size is decided by a gauge: a thread, a reamed bore. */
  decides: boolean;
}

/** One clamping: machine, face, and everything done in it. */
export interface SetUp {
  /** `machine|face`, `bench|before` or `bench|after`. */
  key: string;
  machine?: Machine;
  face?: FaceId;
  /** The part is tilted for its holes, degrees. */
  tiltDeg?: number;
  /** How the part is held for it. */
  holding?: Phrase;
  /** What a clamping takes over the usual, as it was timed here; 1 where left out. */
  clampShare?: number;
  /** Cuts in between that come first, as they are called. */
  afterCut?: string;
  items: WorkItem[];
  /** Groups of like holes of the whole job. */
  likes?: LikeHoles[];
}

/** One feature that waits for another: guided by it, drilled through it, or only safe after it. */
export interface FeatureOrder {
  first: string;
  then: string;
  /** One of {@link ORDER_REASONS}. */
  why: string;
}
export const ORDER_REASONS = {
  guides: 'guides it',
  matched: 'is drilled through it',
  misses: 'has to miss it',
  transfer: 'gives its places to it',
  cut: 'has to be done before it is cut or filed',
} as const;

/** A cut in the middle of the drilling and tapping: the part is sawn apart, faced or opened, then the rest is finished. */
export interface CutBetween {
  id: string;
  /** As it is called: “Saw apart on the centre line”. */
  name: string;
  minutes: number;
  /** Features that are finished before it. */
  first?: string[];
  /** Features whose last tap waits for it: started before, finished after. */
  finish?: string[];
  /** Features that are begun only after it. */
  then?: string[];
}

/** What the user has decided of the order between features. */
export interface DecidedOrder {
  /** Features that wait for others. */
  after?: FeatureOrder[];
  cuts?: CutBetween[];
}
