'use client';

import { useState, type ReactNode } from 'react';
import { parseLength } from '@/core/units/length';
import { showText, type Display } from '@/core/units/show';
import { TextField } from './field';

interface Props {
  label: string;
  /** Length, mm; undefined where none is set. */
  mm: number | undefined;
  /** Range, mm. */
  least?: number;
  most?: number;
  display: Display;
  onChange: (mm: number) => void;
  /** Where the field may be emptied. */
  onClear?: () => void;
  hint?: ReactNode;
}

const shownAs = (mm: number, display: Display): string => showText({ value: mm, unit: 'mm' }, display);

/** A length, set when the field is left or Enter is pressed; what is half typed keeps its size when the unit changes. */
export function LengthField({ label, mm, least = 1e-6, most = 10_000, display, onChange, onClear, hint }: Props) {
  const [typed, setTyped] = useState<{ text: string; display: Display }>();
  const read = parseLength(typed?.text ?? '', typed?.display === 'inch' ? 'in' : 'mm');
  const isEmpty = typed?.text.trim() === '';
  const isGood = read.ok && read.value.mm >= least && read.value.mm <= most;
  const text = !typed
    ? mm === undefined
      ? ''
      : shownAs(mm, display)
    : read.ok && typed.display !== display
      ? shownAs(read.value.mm, display)
      : typed.text;
  const commit = (): void => {
    if (isEmpty && onClear) onClear();
    else if (isGood) onChange(read.value.mm);
    else return;
    setTyped(undefined);
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        commit();
      }}
      onBlur={commit}
    >
      <TextField
        label={label}
        value={text}
        onChange={(next) => setTyped({ text: next, display })}
        hint={hint}
        error={
          typed &&
          !isEmpty &&
          !isGood &&
          (least < 0
            ? 'Enter a length.'
            : `${least > 0 ? 'Above zero' : 'Zero or more'}, at most ${shownAs(most, display)}.`)
        }
      />
    </form>
  );
}
