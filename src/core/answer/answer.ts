/** Units that a figure of the core may carry. The core works in these only; screens convert. */
export type Unit =
  | 'mm'
  | 'mm2'
  | 'mm3'
  | 'deg'
  | 'rpm'
  | 'mm/rev'
  | 'mm/min'
  | 'm/min'
  | 'Nm'
  | 'N'
  | 'MPa'
  | 'percent'
  | 'turns'
  | 's'
  | 'ratio'
  | 'count';

/** A number that never travels without its unit. */
export interface Quantity {
  value: number;
  unit: Unit;
  /** Decimals that matter in millimetres, where fewer than usual do: a depth is set to tenths. */
  places?: number;
}

/** A sentence with named places, `{wall}`, for quantities that the reader sees in units of their choice. */
export interface Phrase {
  text: string;
  values?: Record<string, Quantity | string | number>;
}

export type CautionLevel = 'note' | 'warn' | 'stop';

export interface Caution extends Phrase {
  code: string;
  level: CautionLevel;
}

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
  inputs: WorkingInput[];
  source: Source;
  assumptions: Phrase[];
}

/** A figure that people see, with everything needed to check it by hand. */
export interface Answer<T = number> {
  value: T;
  unit: Unit;
  working: Working;
  cautions: Caution[];
}

/** Why a question cannot be answered: what, in which field, at which place, and what to do. */
export interface Problem extends Phrase {
  code: string;
  field: string;
  remedy: Phrase;
  /** Character range in the field's text, end exclusive. */
  at?: { start: number; end: number };
  /** Readings that may have been meant. */
  nearest?: string[];
}

export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

export const quantity = (value: number, unit: Unit): Quantity => ({ value, unit });
export const mm = (value: number): Quantity => ({ value, unit: 'mm' });
/** A length that is set or read to tenths of a millimetre: depths, stock, walls. */
export const depth = (value: number): Quantity => ({ value, unit: 'mm', places: 1 });
export const percent = (value: number): Quantity => ({ value, unit: 'percent' });
export const phrase = (text: string, values?: Phrase['values']): Phrase => (values ? { text, values } : { text });
export const caution = (level: CautionLevel, code: string, text: string, values?: Phrase['values']): Caution => ({
  code,
  level,
  ...phrase(text, values),
});

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
  return {
    value,
    unit,
    working: {
      ...working,
      inputs: working.inputs.map(([label, q]) => ({ label, quantity: q })),
      assumptions: working.assumptions ?? [],
    },
    cautions,
  };
}
