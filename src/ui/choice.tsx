'use client';

import { ToggleGroup } from 'radix-ui';

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly (readonly [value: T, text: string])[];
  onChange: (value: T) => void;
  hideLabel?: boolean;
  dark?: boolean;
}

/** One of a few, side by side. Arrow keys move, as on a selector switch. */
export function Choice<T extends string>({ label, value, options, onChange, hideLabel, dark }: Props<T>) {
  return (
    <div className="flex flex-col gap-1">
      {!hideLabel && (
        <span className="label" aria-hidden>
          {label}
        </span>
      )}
      <ToggleGroup.Root
        type="single"
        value={value}
        aria-label={label}
        onValueChange={(next) => next && onChange(next as T)}
        className={`inline-flex min-h-11 rounded-sm border p-0.5 ${dark ? 'border-steel-500 bg-transparent' : 'border-steel-500 bg-white'}`}
      >
        {options.map(([option, text]) => (
          <ToggleGroup.Item
            key={option}
            value={option}
            className={`flex-1 rounded-[2px] px-2.5 font-cond text-[17px] font-semibold whitespace-nowrap ${
              dark
                ? 'text-steel-200 data-[state=on]:bg-steel-100 data-[state=on]:text-ink'
                : 'text-steel-700 data-[state=on]:bg-ink data-[state=on]:text-white'
            }`}
          >
            {text}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
