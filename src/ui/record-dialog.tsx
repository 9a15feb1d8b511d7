'use client';

import { useState, type ReactNode } from 'react';
import { parseLength } from '@/core/units/length';
import { show, type Display } from '@/core/units/show';
import { SelectField, TextField } from './field';
import Modal from './modal';

/** One field of a record; `key` may reach into it: `speeds.minRpm`. */
export interface RecordField {
  key: string;
  label: string;
  kind: 'text' | 'length' | 'number' | 'choice' | 'check';
  options?: readonly (readonly [value: string, label: string])[];
  optional?: boolean;
  hint?: string;
}

type Value = Record<string, unknown>;

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
  return field.kind === 'length' ? show({ value: Number(at), unit: 'mm' }, display).number : String(at);
}

interface Read {
  value?: unknown;
  error?: string;
}

function read(field: RecordField, text: string, display: Display): Read {
  if (field.kind === 'check') return { value: text === 'true' };
  if (text.trim() === '') return field.optional ? { value: undefined } : { error: 'This is wanted.' };
  if (field.kind === 'number') {
    const number = Number(text.replace(',', '.'));
    return Number.isFinite(number) ? { value: number } : { error: 'A number.' };
  }
  if (field.kind === 'length') {
    const parsed = parseLength(text, display === 'inch' ? 'in' : 'mm');
    return parsed.ok ? { value: parsed.value.mm } : { error: 'A length, such as 6.8 or 1/4 in.' };
  }
  return { value: text.trim() };
}

interface Props<T extends object> {
  title: string;
  fields: readonly RecordField[];
  value: T;
  display: Display;
  /** Resolves to what is wrong, or to nothing when it is kept. */
  onSave: (value: T) => Promise<string | undefined>;
  onRemove?: () => void;
  onClose: () => void;
  /** More of the record, edited beside its fields. */
  children?: ReactNode;
}

/** A dialog over one record: every field as text or choice; what was typed stays until it is good. */
export default function RecordDialog<T extends object>({
  title,
  fields,
  value,
  display,
  onSave,
  onRemove,
  onClose,
  children,
}: Props<T>) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [tried, setTried] = useState(false);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const textAt = (f: RecordField): string => typed[f.key] ?? textOf(f, value as Value, display);
  const results = fields.map((f) =>
    typed[f.key] === undefined && f.kind === 'length' && reach(value, f.key) !== undefined
      ? { value: reach(value, f.key) }
      : read(f, textAt(f), display),
  );

  async function save(): Promise<void> {
    setTried(true);
    if (results.some((r) => r.error)) return;
    setBusy(true);
    const next = fields.reduce((so, f, i) => placed(so, f.key, results[i].value), { ...value } as Value);
    const wrong = await onSave(next as T);
    setBusy(false);
    setFault(wrong);
    if (wrong === undefined) onClose();
  }

  return (
    <Modal title={title} onClose={onClose}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <div className="grid gap-3 sm:grid-cols-2">
          {fields.map((f, i) => {
            const set = (text: string): void => setTyped((now) => ({ ...now, [f.key]: text }));
            const error = tried && results[i].error;
            if (f.kind === 'check')
              return (
                <label key={f.key} className="flex min-h-11 items-center gap-2 self-end">
                  <input
                    type="checkbox"
                    className="size-5 accent-ink"
                    checked={textAt(f) === 'true'}
                    onChange={(e) => set(String(e.target.checked))}
                  />
                  {f.label}
                </label>
              );
            if (f.kind === 'choice')
              return (
                <SelectField key={f.key} label={f.label} value={textAt(f)} onChange={set} error={error}>
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
                key={f.key}
                label={f.kind === 'length' ? `${f.label}, ${display === 'inch' ? 'in' : 'mm'}` : f.label}
                value={textAt(f)}
                onChange={set}
                error={error}
                hint={f.hint}
              />
            );
          })}
        </div>
        {children}
        {fault && (
          <p role="alert" className="font-bold text-danger">
            {fault}
          </p>
        )}
        <div className="flex gap-2">
          <button type="submit" className="btn-next" disabled={busy}>
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
              Take out
            </button>
          )}
        </div>
      </form>
    </Modal>
  );
}
