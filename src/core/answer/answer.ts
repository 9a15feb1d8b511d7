import type { ProblemCode } from './problem-codes';

/** Units that a figure of the core may carry. The core works in these only; screens convert. */
export type Unit =
  | 'mm'
  | 'mm2'
  | 'mm2/mm'
  | 'mm3'
  | 'deg'
  | 'rpm'
  | 'mm/rev'
  | 'mm/min'
  | 'm/min'
  | 'Nm'
  | 'N'
  | 'MPa'
  | 'W'
  | 'percent'
  | 'turns'
  | 's'
  | 'ratio'
  | 'count';

/** A number that never travels without its unit. */
export interface Quantity {
  value: number;
  unit: Unit;
  /** Decimals that matter, where they are not the usual: a depth is set to tenths, a torque is read, not estimated. */
  places?: number;
}

/** A sentence with named places, `{wall}`, for quantities that the reader sees in units of their choice. */
export interface Phrase {
  text: string;
  values?: Record<string, Quantity | string | number>;
}

export type CautionLevel = 'note' | 'warn' | 'stop';

/** What a caution is about when it is not about one operation. */
export const WHOLE_HOLE = 'hole';

/** Something to watch, attached once: to the operation or to the hole that it is about. */
export interface Caution extends Phrase {
  /** Stays the same from version to version. */
  code: string;
  level: CautionLevel;
  /** Key of the operation that it is about, or {@link WHOLE_HOLE}. */
  subject: string;
  /** Holds for the machine and the metal whatever is made: shown once a sheet, not once a hole. */
  standing?: true;
  /** What would take its cause away, where one change of the question does. */
  remedy?: RemedyKind;
}

/** Right fluid, next drill up or down, the drill proposed, another way of driving, sharp taps, more room below. */
export type RemedyKind =
  'use-fluid' | 'next-drill' | 'smaller-drill' | 'proposed-drill' | 'other-way' | 'sharp-tap' | 'deeper';

/** Where a rule comes from. A `model` is an estimate of ours and never a rating. */
export interface Source {
  kind: 'standard' | 'trade rule' | 'model';
  name: string;
}

export interface WorkingInput {
  label: string;
  quantity: Quantity | string;
}

/** How a figure was reached: the rule, what went in, who says so, and what was assumed. */
export interface Working {
  rule: string;
  formula: string;
  /** The same with inch inputs, where a factor in it differs. */
  inchFormula?: string;
  inputs: WorkingInput[];
  source: Source;
  assumptions: Phrase[];
  /** What a drawing of it needs, where one explains it better than the formula. */
  drawn?: Drawn;
}

/** A figure as something that can be drawn; lengths in mm, angles in degrees. */
export type Drawn =
  | { kind: 'percent'; majorMm: number; holeMm: number; heightMm: number }
  | {
      kind: 'room';
      fromMm: number;
      threadMm: number;
      chamferThreads: number;
      pitchMm: number;
      roomMm: number;
      majorMm: number;
    }
  | { kind: 'tip'; diameterMm: number; pointAngleDeg: number }
  | {
      kind: 'class';
      drillMm: number;
      holeMm: number;
      sigmaMm: number;
      minMm: number;
      maxMm: number;
      /** What is typical, and the mean of the holes that were measured here, where some were. */
      typical?: { holeMm: number; sigmaMm: number };
      ownMm?: number;
    };

/** A figure that people see, with everything needed to check it by hand. */
export interface Answer<T = number> {
  value: T;
  unit: Unit;
  working: Working;
  cautions: Caution[];
}

/** Why a question cannot be answered: what, in which field, at which place, and what to do. */
export interface Problem extends Phrase {
  code: ProblemCode;
  field: string;
  remedy: Phrase;
  /** Character range in the field's text, end exclusive. */
  at?: { start: number; end: number };
  /** Readings that may have been meant. */
  nearest?: string[];
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/** Version of the core's rules: kept with every answer, so that an old one can be told from a new one. */
export const CORE_VERSION = '6';

export const quantity = (value: number, unit: Unit): Quantity => ({ value, unit });
export const mm = (value: number): Quantity => ({ value, unit: 'mm' });
/** A length that is set or read to tenths of a millimetre: depths, stock, walls. */
export const depth = (value: number): Quantity => ({ value, unit: 'mm', places: 1 });
/** Turns of a gauge, which are read to half a turn: shown as read, not in quarters. */
export const turnsRead = (value: number): Quantity => ({ value, unit: 'turns', places: 1 });
/** Seconds that go into another figure: to tenths, as it was worked out with them. */
export const secondsIn = (value: number): Quantity => ({ value, unit: 's', places: 1 });
/** A torque that was read, not estimated. */
export const torqueRead = (value: number): Quantity => ({ value, unit: 'Nm', places: 1 });
export const percent = (value: number): Quantity => ({ value, unit: 'percent' });

type Value = Quantity | string | number;
/** The names of the places in a text. */
type Places<T extends string> = T extends `${string}{${infer P}}${infer Rest}` ? P | Places<Rest> : never;
/** What a text needs in its places: every one of them, where the text is written out. */
type Filled<T extends string> = string extends T
  ? [values?: Phrase['values']]
  : [Places<T>] extends [never]
    ? []
    : [values: Readonly<Record<Places<T>, Value>>];

type Where = Pick<Problem, 'at' | 'nearest'>;
/** The same of a text and its remedy, which share their values. */
type FilledBoth<T extends string, R extends string> = string extends T | R
  ? [values?: Phrase['values'], more?: Where]
  : [Places<T> | Places<R>] extends [never]
    ? [values?: Readonly<Record<string, never>>, more?: Where]
    : [values: Readonly<Record<Places<T> | Places<R>, Value>>, more?: Where];

/** A sentence with what stands in its places; a place without a value, or a value without a place, is an error of types. */
export const phrase = <T extends string>(text: T, ...[values]: Filled<T>): Phrase =>
  values ? { text, values } : { text };
/** A sentence put together from others, whose places are known only when it is made. */
export const composed = (text: string, values?: Phrase['values']): Phrase => (values ? { text, values } : { text });
export const caution = <T extends string>(
  level: CautionLevel,
  code: string,
  text: T,
  ...[values]: Filled<T>
): Caution =>
  values ? { code, level, subject: WHOLE_HOLE, text, values } : { code, level, subject: WHOLE_HOLE, text };

/** Cautions attached to an operation by its key. */
export const about = (subject: string, cautions: readonly Caution[]): Caution[] =>
  cautions.map((c) => (c.subject === subject ? c : { ...c, subject }));

/** A {@link Problem}: what is wrong, in which field, and what to do. */
export const problem = <T extends string, R extends string>(
  code: ProblemCode,
  field: string,
  text: T,
  remedy: R,
  ...[values, more]: FilledBoth<T, R>
): Problem => ({ code, field, ...composed(text, values), remedy: composed(remedy, values), ...more });

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

/** The one way to fail: nothing is returned but what stands against it. */
export const refuse = (...problems: Problem[]): Result<never> => ({ ok: false, problems });

/** What an {@link Answer} is built from, where one place works it out and another gives it. */
export type AnswerParts = Parameters<typeof answer>;

/** Builds an {@link Answer}; `inputs` are label and quantity pairs in the order of the formula. */
export function answer(
  value: number,
  unit: Unit,
  working: Omit<Working, 'assumptions' | 'inputs'> & {
    inputs: [label: string, quantity: Quantity | string][];
    assumptions?: Phrase[];
  },
  cautions: Caution[] = [],
): Answer {
  const { rule, formula, inchFormula, source, assumptions = [], drawn } = working;
  const inputs = working.inputs.map(([label, q]) => ({ label, quantity: q }));
  const how: Working = { rule, formula, inputs, source, assumptions };
  if (inchFormula !== undefined) how.inchFormula = inchFormula;
  if (drawn !== undefined) how.drawn = drawn;
  return { value, unit, working: how, cautions };
}
