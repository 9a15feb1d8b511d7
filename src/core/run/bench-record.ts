import type { DieCauseId, DieSign } from '../operation/die-trouble';
import type { ChipSign } from '../cutting/chips-adviser';
import type { AskForm } from '../hole/form';
import type { CutOverride } from '../operation/cut';
import type { LastFelt } from '../tapping/broken-tap';
import type { CauseId, SignFelt } from '../tapping/trouble';
import type { CheckKind } from '../gauging/checks-of';
import type { Choice, VerdictState } from '../gauging/verdict';

/** A hole of a part. */
export interface HoleAt {
  featureId: string;
  /** From 1 within its feature. */
  holeNumber: number;
  /** From 1. */
  part: number;
}
export const holeKey = ({ featureId, holeNumber, part }: HoleAt): string => `${featureId}/${holeNumber}/${part}`;

/** What a remedy changes of a hole’s question: the way it is made; what the drawing asks for only where a larger thread is decided. */
export type RemedyChange = Partial<Pick<AskForm, 'callout' | 'drill' | 'taps' | 'way' | 'room' | 'dry' | 'tap'>> & {
  /** Speed and feed of operations, by their keys. */
  overrides?: Record<string, Pick<CutOverride, 'rpm' | 'feed'>>;
  /** How far the minor diameter that was pinned lies from the predicted one, mm: what was measured goes before the model. */
  pinnedOffMm?: number;
};

/** The hole that it was found on; it and those after it; those after it alone. */
export const REMEDY_SCOPES = ['hole', 'rest', 'others'] as const;
export type RemedyScope = (typeof REMEDY_SCOPES)[number];

/** How a tap turned, from light to bad. */
export const TAP_FEELS = ['easy', 'firm', 'tight', 'creaked'] as const;
export type TapFeel = (typeof TAP_FEELS)[number];

interface Bodies {
  'step-done': {
    step: string;
    part: number;
    seconds?: number;
    /** How the tap turned, in one word. */
    feel?: TapFeel;
    /** Turns that were counted. */
    turns?: number;
    /** Most that a wrench told, Nm. */
    torqueNm?: number;
    /** Revolutions that the spindle ran on after the switch was thrown, and from which speed. */
    coast?: { revolutions: number; rpm: number };
  };
  'step-skipped': { step: string; part: number; reason: string };
  /** Takes back a step done or skipped: names its record as what it corrects. */
  'step-undone': { step: string; part: number };
  'chip-seen': { part: number; chips: ChipSign };
  /** With the cause that was found behind it. */
  'tap-felt': { part: number; sign: SignFelt; cause?: CauseId };
  'die-felt': { part: number; sign: DieSign; cause?: DieCauseId };
  /** With its id where it hung in the crib. */
  'tap-broken': { part: number; tap: string; tapId?: string; turns?: number; felt?: LastFelt; packed?: boolean };
  'drill-dull': { part: number; tool: string };
  note: { part: number; text: string };
  remedy: { part: number; scope: RemedyScope; label: string; change: RemedyChange };
  checked: {
    part: number;
    check: CheckKind;
    values: Record<string, number>;
    verdict: VerdictState;
    /** Name of the instrument, where one gave the reading. */
    instrument?: string;
  };
  /** With what it changes of how the hole is made: the next drill up for a redrill; who answers for one accepted, and why. */
  decision: { part: number; choice: Choice; change?: RemedyChange; by?: string; why?: string };
  /** Takes back the decision that it corrects. */
  'decision-undone': { part: number };
  photo: { part: number; image: string; dxMm: number; dyMm: number };
}
export type BenchKind = keyof Bodies;

/** What happened at the bench, as far as it is judged. */
export type BenchRecord = {
  [K in BenchKind]: {
    id: string;
    kind: K;
    featureId?: string;
    holeNumber?: number;
    corrects?: string;
    who?: string;
    happenedAt: string;
    body: Bodies[K];
  };
}[BenchKind];
export type BodyOf<K extends BenchKind> = Bodies[K];

/** The hole that a record is about; undefined where it is about the whole part. */
export const holeOf = ({ featureId, holeNumber, body }: BenchRecord): HoleAt | undefined =>
  featureId !== undefined && holeNumber !== undefined ? { featureId, holeNumber, part: body.part } : undefined;

/** Whether a record is about this hole of this part. */
export function isOfHole(record: BenchRecord, at: HoleAt): boolean {
  const hole = holeOf(record);
  return hole !== undefined && holeKey(hole) === holeKey(at);
}

/** Whether a record decides for another thread than the drawing’s, by name. */
export const decidesThread = (r: BenchRecord): boolean => r.kind === 'decision' && r.body.change?.callout !== undefined;

/** A tool that was sharpened, renewed or changed: a drill by its name, the taps of a feature. */
export interface ToolChanged {
  /** Place in the order of records. */
  order: number;
  tool?: string;
  featureId?: string;
  taps?: boolean;
}

/** What a record says of a tool that was changed; undefined where it says nothing of one. */
export function toolChanged(r: BenchRecord, order: number): ToolChanged | undefined {
  if (r.kind === 'drill-dull') return { order, tool: r.body.tool };
  const { featureId } = r;
  if (featureId === undefined) return undefined;
  const taps = r.kind === 'tap-broken' || (r.kind === 'remedy' && r.body.change.taps !== undefined);
  return taps ? { order, featureId, taps } : undefined;
}
