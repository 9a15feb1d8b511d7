'use client';

import { useId, type ReactNode } from 'react';
import { useTypedEarly } from './use-typed-early';

interface Common {
  label: string;
  /** What is wrong with what was typed; what was typed stays. */
  error?: ReactNode;
  hint?: ReactNode;
  className?: string;
}
interface TextProps extends Common {
  value: string;
  onChange: (value: string) => void;
  placeholder?: string;
  inputClass?: string;
  autoFocus?: boolean;
  inputMode?: 'text' | 'decimal';
  type?: 'password';
  autoComplete?: string;
}

/** A labelled text field; the error is read out with it. */
export function TextField({ label, value, onChange, error, hint, className, inputClass, ...rest }: TextProps) {
  const id = useId();
  const field = useTypedEarly<HTMLInputElement>(value, onChange);
  const note = error || hint;
  return (
    <div className={`flex min-w-0 flex-col gap-1 ${className ?? ''}`}>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <input
        ref={field}
        id={id}
        type="text"
        autoComplete="off"
        spellCheck={false}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-invalid={!!error}
        aria-describedby={note ? `${id}-note` : undefined}
        className={`field ${inputClass ?? ''}`}
        {...rest}
      />
      {note && (
        <div id={`${id}-note`} className={`text-sm leading-snug ${error ? 'font-bold text-danger' : 'text-steel-700'}`}>
          {note}
        </div>
      )}
    </div>
  );
}

interface SelectProps extends Common {
  value: string;
  onChange: (value: string) => void;
  children: ReactNode;
}

/** A labelled list to choose one from. */
export function SelectField({ label, value, onChange, error, className, children }: SelectProps) {
  const id = useId();
  const field = useTypedEarly<HTMLSelectElement>(value, onChange);
  return (
    <div className={`flex min-w-0 flex-col gap-1 ${className ?? ''}`}>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <select
        ref={field}
        id={id}
        autoComplete="off"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-invalid={!!error}
        aria-describedby={error ? `${id}-note` : undefined}
        className="field"
      >
        {children}
      </select>
      {error && (
        <div id={`${id}-note`} className="text-sm font-bold text-danger">
          {error}
        </div>
      )}
    </div>
  );
}
