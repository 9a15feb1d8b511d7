import type { ReactNode } from 'react';

interface Props {
  /** What the handle sets, with its value. */
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
  /** What comes of it, in a sentence. */
  says: string;
  children: ReactNode;
}

/** A drawing that answers to one handle, by pointer and by arrow keys. */
export function LiveFrame({ label, value, min, max, step, onChange, says, children }: Props) {
  return (
    <figure className="dye flex flex-col gap-1 p-2">
      <svg viewBox="0 0 320 150" className="w-full" aria-hidden>
        {children}
      </svg>
      <label className="flex items-center gap-3 font-cond text-lg">
        <span className="w-44 shrink-0">{label}</span>
        <input
          type="range"
          className="h-11 min-w-0 flex-1 accent-[#d3a23a]"
          aria-valuetext={`${label}. ${says}`}
          {...{ value, min, max, step }}
          onChange={(e) => onChange(Number(e.target.value))}
        />
      </label>
      <figcaption aria-live="polite" className="text-[15px]">
        {says}
      </figcaption>
    </figure>
  );
}
