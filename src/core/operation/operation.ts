import type { Answer, Caution, Phrase, Result } from '../answer/answer';
import type { HOLDINGS } from '../cutting/drilling-torque';
import type { DepthStopKind } from '../cutting/machine';
import type { SpeedMethod } from '../cutting/speed-methods';
import type { SpeedChoice } from '../cutting/speed-step';
import type { Drill } from '../drills/drill';
import type { ToolUse } from '../shop/tool';
import type { Tap } from '../tapping/tap';
import type { Thread } from '../threads/thread';

export type OperationCode =
  | 'lay-out'
  | 'start'
  | 'pilot'
  | 'open'
  | 'counterdrill'
  | 'drill'
  | 'deepen'
  | 'step-drill'
  | 'annular'
  | 'saw'
  | 'ream'
  | 'counterbore'
  | 'countersink'
  | 'chamfer'
  | 'tap'
  | 'chase'
  | 'deburr'
  | 'check'
  | 'note';

/** How a tool cuts; decides how its speed and feed follow from those of a drill. */
export type CutFamily =
  'drill' | 'centre' | 'spot' | 'step' | 'annular' | 'saw' | 'ream' | 'counterbore' | 'countersink';

/** What a cutting operation is to do. Depths in mm from the face. */
export interface CutSpec {
  family: CutFamily;
  tool: ToolUse;
  drill?: Drill;
  diameterMm: number;
  /** Hole that is there already at this size's depth, mm; 0 in full metal. */
  inHoleMm: number;
  /** Where this tool meets metal: the floor of a larger part above it. */
  fromMm: number;
  /** Full diameter down to here. */
  fullMm: number;
  through: boolean;
  /** Undefined for tools that cut flat or to no depth of their own. */
  pointAngleDeg?: number;
  /** Mouth of a spot or centre hole that this tool starts in, mm, with its angle and what it is called. */
  startsIn?: { mouthMm: number; angleDeg: number; name?: string };
}

/** The figures of a cutting operation, each worked out once and read here. */
export interface Cut {
  spec: CutSpec;
  ideal: Answer;
  /** What each method of finding a speed gives, for drills. */
  methods: { id: SpeedMethod; label: string; rpm: Answer }[];
  /** What to set, or why this machine cannot. Without a machine the ideal itself. */
  speed: Result<SpeedChoice>;
  feed: Answer;
  tipMm: number;
  /** From where the tip touches the face to where the stop holds. */
  travel: Answer;
  /** Where the point comes out, mm from touch; through holes only. */
  breaksThroughMm?: number;
  stop: { kind: DepthStopKind; order: Phrase }[];
  /** What the stop of this machine is set to for that travel, mm from touch: its nearest mark that is as good. */
  stopMm: number;
  /** Depths at which to withdraw, mm from the face. */
  pecks: number[];
  peckEveryMm: number;
  torque?: Answer;
  grab?: { force: Answer; holding: (typeof HOLDINGS)[number] };
  /** What follows from these figures. */
  cautions: Caution[];
}

/** One tap of a sequence. */
export interface TapStep {
  tap: Tap;
  thread: Thread;
  /** From 1, in the order used. */
  place: number;
  of: number;
  /** Speed set on the machine where a spindle turns it. */
  drive?: { rpm: number; label: string };
}

/** A tool that could do an operation, with what speaks for or against it. */
export interface ToolChoice {
  id: string;
  label: string;
  why: Phrase;
  possible: boolean;
  used: boolean;
}

/** A step with its figures. */
export interface Operation {
  /** Stays the same from plan to plan as long as the operation does. */
  key: string;
  code: OperationCode;
  /** What work without a verb of its own is for, in an infinitive: `mill a flat`. */
  purpose?: string;
  /** What it is done with, where its kind does not say. */
  tool?: ToolUse;
  order: Phrase;
  details: Phrase[];
  cut?: Cut;
  tap?: TapStep;
  /** For one hole. */
  time: Answer;
  /** Everything to watch in this operation. */
  cautions: Caution[];
  /** What a change of the user's makes different, figure by figure. */
  changes?: Phrase[];
  /** Added by the user, not by the plan. */
  inserted?: boolean;
  /** Other tools that could do it. */
  choices?: ToolChoice[];
}

/** Key of the operation that makes the bore which is tapped, reamed or left plain. */
export const MAIN_KEY = 'drill';

/** The operation that makes the main bore; undefined where it was left out, or nothing is drilled. */
export const mainOperation = (operations: readonly Operation[]): Operation | undefined =>
  operations.find((op) => op.key === MAIN_KEY);

/** The operation with further cautions of its own. */
export const withCautions = (op: Operation, more: readonly Caution[]): Operation =>
  more.length === 0 ? op : { ...op, cautions: [...op.cautions, ...more.map((c) => ({ ...c, subject: op.key }))] };
