'use client';

import { Children, isValidElement, useId, type ReactElement, type ReactNode } from 'react';
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

type Option = ReactElement<{ value?: string; children?: ReactNode }>;
const textOf = (node: ReactNode): string =>
  Children.toArray(node)
    .map((one) => (isValidElement<{ children?: ReactNode }>(one) ? textOf(one.props.children) : String(one)))
    .join('');

/** Text of the option that is chosen, in groups or not. */
function chosenText(options: ReactNode, value: string): string | undefined {
  for (const one of Children.toArray(options)) {
    if (!isValidElement(one)) continue;
    const { value: own, children } = (one as Option).props;
    const found =
      one.type === 'option'
        ? (own ?? textOf(children)) === value
          ? textOf(children)
          : undefined
        : chosenText(children, value);
    if (found !== undefined) return found;
  }
  return undefined;
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
      <div className="relative rounded-sm focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-brass-dark">
        {/* What is chosen is written as text, which wraps where it has no room; the list itself lies over it. */}
        <div
          aria-hidden
          className={`field flex h-auto min-h-11 items-center justify-between gap-2 py-1.5 leading-tight ${error ? 'border-2 border-danger' : ''}`}
        >
          <span className="min-w-0 break-words">{chosenText(children, value)}</span>
          <span className="text-sm">▾</span>
        </div>
        <select
          ref={field}
          id={id}
          autoComplete="off"
          value={value}
          onChange={(e) => onChange(e.target.value)}
          aria-invalid={!!error}
          aria-describedby={error ? `${id}-note` : undefined}
          className="absolute inset-0 h-full w-full text-base opacity-0"
        >
          {children}
        </select>
      </div>
      {error && (
        <div id={`${id}-note`} className="text-sm font-bold text-danger">
          {error}
        </div>
      )}
    </div>
  );
}
