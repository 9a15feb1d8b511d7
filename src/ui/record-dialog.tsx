'use client';

import { useState, type ReactNode } from 'react';
import { useForm, useWatch, type FieldErrors, type Resolver } from 'react-hook-form';
import type { z } from 'zod';
import { sfmToMPerMin } from '@/core/cutting/cutting-speed';
import { parseLength } from '@/core/units/length';
import type { Unit } from '@/core/answer/answer';
import { fromShown, show, trimmed, type Display, type Shown } from '@/core/units/show';
import { SelectField, TextField } from './field';
import Modal from './modal';

/** One field of a record; `key` may reach into it: `speeds.minRpm`. */
export interface RecordField {
  key: string;
  label: string;
  /**
   * A `cutting-speed` is kept in ft/min, and typed in m/min where that is the unit; a `strength` is kept in MPa and a `power`
   * in W, and typed in ksi and hp.
   */
  kind: 'text' | 'length' | 'number' | 'cutting-speed' | 'strength' | 'power' | 'choice' | 'check';
  options?: readonly (readonly [value: string, label: string])[];
  optional?: boolean;
  hint?: string;
  /** Whether it belongs to the record as it is typed; a field that does not keeps what it had. */
  when?: (text: (key: string) => string) => boolean;
}

type Value = Record<string, unknown>;
const M_PER_FT = sfmToMPerMin(1);
const CORE_UNIT: Partial<Record<RecordField['kind'], Unit>> = { length: 'mm', strength: 'MPa', power: 'W' };
/** Kinds that are shown with fewer digits than they are kept with. */
const ROUNDED: readonly RecordField['kind'][] = ['length', 'cutting-speed', 'strength', 'power'];

const reach = (value: unknown, key: string): unknown =>
  key.split('.').reduce<unknown>((at, part) => (at as Value | undefined)?.[part], value);

function placed(value: Value, key: string, part: unknown): Value {
  const [head, ...rest] = key.split('.');
  if (rest.length > 0) return { ...value, [head]: placed((value[head] as Value) ?? {}, rest.join('.'), part) };
  if (part === undefined) {
    const { [head]: _, ...others } = value;
    return others;
  }
  return { ...value, [head]: part };
}

function textOf(field: RecordField, value: Value, display: Display): string {
  const at = reach(value, field.key);
  if (at === undefined || at === null)
    return field.kind === 'choice' && !field.optional ? (field.options?.[0][0] ?? '') : '';
  if (field.kind === 'cutting-speed' && display === 'mm') return trimmed(Number(at) * M_PER_FT, 1);
  const unit = CORE_UNIT[field.kind];
  return unit && (unit === 'mm' || display === 'inch') ? show({ value: Number(at), unit }, display).number : String(at);
}

interface Read {
  value?: unknown;
  error?: string;
}

function read(field: RecordField, text: string, display: Display): Read {
  if (field.kind === 'check') return { value: text === 'true' };
  if (text.trim() === '') return field.optional ? { value: undefined } : { error: 'Required.' };
  if (field.kind === 'length') {
    const parsed = parseLength(text, display === 'inch' ? 'in' : 'mm');
    return parsed.ok ? { value: parsed.value.mm } : { error: 'Enter a length, such as 6.8 or 1/4 in.' };
  }
  const unit = CORE_UNIT[field.kind];
  if (unit || field.kind === 'number' || field.kind === 'cutting-speed') {
    const number = Number(text.replace(',', '.'));
    if (!Number.isFinite(number)) return { error: 'Enter a number.' };
    if (unit) return { value: fromShown(number, unit, display) };
    return { value: field.kind === 'cutting-speed' && display === 'mm' ? number / M_PER_FT : number };
  }
  return { value: text.trim() };
}

/** A figure as it is kept, shown with its unit; none where the kind has none. */
function figureOf(kind: RecordField['kind'] | undefined, kept: number, display: Display): Shown {
  if (kind === 'cutting-speed') return show({ value: kept * M_PER_FT, unit: 'm/min' }, display);
  return show({ value: kept, unit: (kind && CORE_UNIT[kind]) ?? 'count' }, display);
}
function labelOf({ label, kind }: RecordField, display: Display): string {
  const { unit } = figureOf(kind, 1, display);
  return unit ? `${label}, ${unit}` : label;
}

type Texts = Record<string, string>;
/** Names of fields as the form keeps them: a dot would make them reach into each other. */
const nameOf = ({ key }: RecordField): string => key.replaceAll('.', '/');
const isShown = (f: RecordField, texts: Texts): boolean =>
  f.when?.((key) => texts[key.replaceAll('.', '/')] ?? '') ?? true;

/** How the schemas begin what nobody has put into words. */
const SCHEMA_OWN = /^(Too|Invalid|Unrecognized)/;

/** What a schema finds, in the field's words. */
function wordsOf(issue: z.core.$ZodIssue, field: RecordField | undefined, display: Display): string {
  if (!SCHEMA_OWN.test(issue.message)) return issue.message;
  const shown = (bound: number | bigint): string => {
    const { number, unit } = figureOf(field?.kind, Number(bound), display);
    return unit === '' || Number(bound) === 0 ? String(bound) : `${number} ${unit}`;
  };
  if (issue.code === 'too_big') return `At most ${shown(issue.maximum)}.`;
  if (issue.code === 'too_small')
    return issue.inclusive ? `At least ${shown(issue.minimum)}.` : `Above ${shown(issue.minimum)}.`;
  return 'Not a value for this field.';
}

interface Props<T extends object> {
  title: string;
  fields: readonly RecordField[];
  value: T;
  display: Display;
  /** What the whole record has to be. */
  schema?: z.ZodType;
  /** The record whole, where more of it is edited beside its fields. */
  compose?: (value: T) => unknown;
  /** Resolves to what is wrong, or to nothing when it is kept. */
  onSave: (value: T) => Promise<string | undefined>;
  onRemove?: () => void;
  onClose: () => void;
  /** More of the record, edited beside its fields, and whether it comes before them. */
  children?: ReactNode;
  leads?: boolean;
}

/** A dialog over one record: every field as text or choice; what was typed stays until it is good. */
export default function RecordDialog<T extends object>({
  title,
  fields,
  value,
  display: now,
  schema,
  compose,
  onSave,
  onRemove,
  onClose,
  children,
  leads = false,
}: Props<T>) {
  // What is typed keeps its size: the unit that the dialog was opened in stays.
  const [display] = useState(now);
  const first = Object.fromEntries(fields.map((f) => [nameOf(f), textOf(f, value as Value, display)]));
  const resolver: Resolver<Texts> = (texts) => {
    const errors: Record<string, { type: string; message: string }> = {};
    const say = (f: RecordField, message: string): void => void (errors[nameOf(f)] ??= { type: 'value', message });
    let next = { ...value } as Value;
    for (const f of fields.filter((shown) => isShown(shown, texts))) {
      // A figure that nobody touched keeps every digit that it has.
      const untouched =
        ROUNDED.includes(f.kind) && texts[nameOf(f)] === first[nameOf(f)] && reach(value, f.key) !== undefined;
      const got = untouched ? { value: reach(value, f.key) } : read(f, texts[nameOf(f)], display);
      if (got.error) say(f, got.error);
      next = placed(next, f.key, got.value);
    }
    const checked =
      Object.keys(errors).length === 0 ? schema?.safeParse(compose ? compose(next as T) : next) : undefined;
    for (const issue of checked?.error?.issues ?? []) {
      const path = issue.path.join('.');
      const field = fields.find((f) => path.startsWith(f.key) && isShown(f, texts));
      if (field) say(field, wordsOf(issue, field, display));
      else errors.root ??= { type: 'value', message: `${path.split('.')[0]}: ${wordsOf(issue, undefined, display)}` };
    }
    return Object.keys(errors).length > 0
      ? { values: {}, errors: errors as FieldErrors<Texts> }
      : { values: next as never, errors: {} };
  };
  const form = useForm<Texts>({ defaultValues: first, resolver, reValidateMode: 'onChange' });
  const { errors, isSubmitting } = form.formState;
  const texts = useWatch({ control: form.control }) as Texts;
  const save = form.handleSubmit(async (next) => {
    const wrong = await onSave((compose ? compose(next as unknown as T) : next) as T);
    if (wrong === undefined) onClose();
    else form.setError('root', { message: wrong });
  });

  return (
    <Modal title={title} onClose={onClose}>
      <form className="flex flex-col gap-3" onSubmit={(e) => void save(e)}>
        {leads && children}
        <div className="grid gap-3 sm:grid-cols-2">
          {fields.map((f, i) => {
            if (!isShown(f, texts)) return null;
            const name = nameOf(f);
            return (
              <FieldOfRecord
                key={f.key}
                field={f}
                text={texts[name] ?? ''}
                error={errors[name]?.message}
                display={display}
                autoFocus={i === 0 && !leads}
                onChange={(text) => form.setValue(name, text, { shouldValidate: form.formState.isSubmitted })}
              />
            );
          })}
        </div>
        {!leads && children}
        {errors.root?.message && (
          <p role="alert" className="font-bold text-danger">
            {errors.root.message}
          </p>
        )}
        <div className="flex gap-2">
          <button type="submit" className="btn-next" disabled={isSubmitting}>
            Save
          </button>
          {onRemove && (
            <button
              type="button"
              className="btn ml-auto"
              onClick={() => {
                onRemove();
                onClose();
              }}
            >
              Remove
            </button>
          )}
        </div>
      </form>
    </Modal>
  );
}

interface FieldProps {
  field: RecordField;
  text: string;
  error?: string;
  display: Display;
  autoFocus: boolean;
  onChange: (text: string) => void;
}

function FieldOfRecord({ field: f, text, error, display, autoFocus, onChange }: FieldProps) {
  if (f.kind === 'check')
    return (
      <label className="flex min-h-11 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          checked={text === 'true'}
          onChange={(e) => onChange(String(e.target.checked))}
        />
        {f.label}
      </label>
    );
  if (f.kind === 'choice')
    return (
      <SelectField label={f.label} value={text} onChange={onChange} error={error}>
        {f.optional && <option value="">—</option>}
        {f.options?.map(([id, label]) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </SelectField>
    );
  return (
    <TextField
      label={labelOf(f, display)}
      value={text}
      onChange={onChange}
      error={error}
      hint={f.hint}
      autoFocus={autoFocus}
    />
  );
}
