'use client';

import type { Problem } from '@/core/answer/answer';
import { tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';

interface Props {
  value: string;
  onChange: (value: string) => void;
  problem?: Problem;
  display: Display;
}

const EXAMPLES = ['M8 x 16 DEEP', '1/4-20 UNC-2B THRU', '4x M5 THRU', '#10-32 x 3/8 DEEP', '2 BA', 'G 1/8'];

/** What the drawing says; an unreadable place is marked and the nearest readings are offered. */
export function CalloutField({ value, onChange, problem, display }: Props) {
  const at = problem?.at;
  return (
    <TextField
      label="Callout, as on the drawing"
      value={value}
      onChange={onChange}
      autoFocus={value === ''}
      placeholder="M8x1.25-6H x 16 DEEP"
      inputClass="text-xl font-bold"
      error={
        problem && (
          <>
            {at && at.end <= value.length + 1 && value.trim() !== '' && (
              <span className="block font-mono text-base text-ink">
                {value.slice(0, at.start)}
                <mark className="bg-danger/15 font-bold text-danger underline decoration-wavy">
                  {value.slice(at.start, at.end) || ' '}
                </mark>
                {value.slice(at.end)}
              </span>
            )}
            {tell(problem, display)} <span className="font-normal text-ink">{tell(problem.remedy, display)}</span>
            {problem.nearest && problem.nearest.length > 0 && (
              <Readings list={problem.nearest} onPick={(reading) => onChange(replaced(value, problem, reading))} />
            )}
          </>
        )
      }
      hint={value.trim() === '' ? <Readings list={EXAMPLES} onPick={onChange} /> : undefined}
    />
  );
}

/** The text with the marked place replaced by a reading, when the reading is of that place. */
function replaced(value: string, { at, code }: Problem, reading: string): string {
  if (!at || code === 'callout-empty') return reading;
  return value.slice(0, at.start) + reading + value.slice(at.end);
}

function Readings({ list, onPick }: { list: readonly string[]; onPick: (reading: string) => void }) {
  return (
    <span className="mt-1 flex flex-wrap gap-1.5">
      {list.map((reading) => (
        <button
          key={reading}
          type="button"
          onClick={() => onPick(reading)}
          className="min-h-8 rounded-sm border border-steel-500 bg-white px-2 font-cond text-base font-medium text-ink hover:border-ink"
        >
          {reading}
        </button>
      ))}
    </span>
  );
}
