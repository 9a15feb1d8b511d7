import type { Answer, Caution, Phrase, Problem } from '../answer/answer';
import type { DepthStopKind } from '../cutting/machine';
import type { HOLDINGS } from '../cutting/drilling-torque';
import type { SpeedSchool } from '../cutting/speed-schools';
import type { SpeedChoice } from '../cutting/speed-step';
import type { Drill } from '../drills/drill';
import type { ToolUse } from '../drills/tool';

export type OperationCode =
  | 'lay-out'
  | 'start'
  | 'pilot'
  | 'open'
  | 'drill'
  | 'step-drill'
  | 'annular'
  | 'saw'
  | 'ream'
  | 'counterbore'
  | 'countersink'
  | 'chamfer'
  | 'tap'
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
  /** Mouth of a spot or countersink that this tool starts in, mm, with its angle. */
  startsIn?: { mouthMm: number; angleDeg: number };
}

/** The figures of a cutting operation. */
export interface Cut {
  spec: CutSpec;
  ideal: Answer;
  /** What each school would run, for drills. */
  schools: { id: SpeedSchool; label: string; rpm: Answer }[];
  speed: SpeedChoice | Problem;
  feed: Answer;
  tipMm: number;
  /** From where the tip touches the face to where the stop holds. */
  travel: Answer;
  /** Where the point comes out, mm from touch; through holes only. */
  breaksThroughMm?: number;
  stop: { kind: DepthStopKind; order: Phrase }[];
  pecks: number[];
  peckEveryMm: number;
  torque?: Answer;
  grab?: { force: Answer; holding: (typeof HOLDINGS)[number] };
}

export interface Operation {
  /** Stays the same from plan to plan as long as the operation does. */
  key: string;
  code: OperationCode;
  order: Phrase;
  details: Phrase[];
  cut?: Cut;
  /** For one hole. */
  time: Answer;
  cautions: Caution[];
  /** What a change of the user's makes different, figure by figure. */
  changes?: Phrase[];
  /** Added by the user, not by the plan. */
  inserted?: boolean;
  /** Other tools that could do it, with what speaks for or against them. */
  choices?: { id: string; label: string; why: Phrase; possible: boolean; used: boolean }[];
}
