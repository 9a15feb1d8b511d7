'use client';

import { later } from './later';
import { useRef, useState } from 'react';
import type { Find, PickOption } from './pick-list';

const PickList = later(() => import('./pick-list'));

interface Props {
  label: string;
  value: string;
  options: readonly PickOption[];
  /** Loads how they are found, where more than the words of their labels counts. */
  find?: () => Promise<Find>;
  onText?: (text: string) => void;
  onChange: (id: string) => void;
  /** Shown where nothing is picked. */
  none?: string;
  error?: string;
  className?: string;
  /** A quiet chip that shows only what is picked; its label is read out. */
  chip?: boolean;
}

/** One of many, found by typing what it is called. */
export function PickField({
  label,
  value,
  options,
  find,
  onText,
  onChange,
  none = 'none',
  error,
  className,
  chip,
}: Props) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const picked = options.find((o) => o.id === value)?.label ?? none;
  const trigger = (
    <button
      ref={button}
      type="button"
      aria-haspopup="dialog"
      aria-expanded={open}
      aria-label={`${label}: ${picked}`}
      title={label}
      onClick={() => setOpen(true)}
      onKeyDown={(e) => {
        if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return;
        e.preventDefault();
        setOpen(true);
      }}
      className={`${chip ? 'chip' : 'field flex items-center justify-between gap-2 text-left'} ${error ? 'border-danger' : ''}`}
    >
      <span className="truncate">{picked}</span>
      <span aria-hidden className="text-sm">
        ▾
      </span>
    </button>
  );
  return (
    <>
      {chip ? (
        trigger
      ) : (
        <div className={`flex min-w-0 flex-col gap-1 ${className ?? ''}`}>
          <span className="label" aria-hidden>
            {label}
          </span>
          {trigger}
          {error && <div className="text-sm font-bold text-danger">{error}</div>}
        </div>
      )}
      {open && (
        <PickList
          label={label}
          value={value}
          options={options}
          find={find}
          onText={onText}
          anchor={button}
          onPick={onChange}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}
