'use client';

import { useId } from 'react';
import type { Phrase, Problem } from '@/core/answer/answer';
import { tell, type Display } from '@/core/units/show';
import { useTypedEarly } from '@/ui/use-typed-early';

interface Props {
  value: string;
  onChange: (value: string) => void;
  problem?: Problem;
  display: Display;
  /** The callout as it was read. */
  reading?: string;
  /** What was said, as a drawing writes it, and what was chosen for it; taken over when the line is left. */
  heard?: { callout: string; chosen: readonly Phrase[] };
  onHeard: () => void;
}

const EXAMPLES = ['M8 x 16 DEEP', '1/4-20 UNC-2B THRU', '4x M5 THRU', '#10-32 x 3/8 DEEP', '2 BA', 'G 1/8'];

/** The callout as one large line; an unreadable place is marked and the nearest readings are offered. */
export function CalloutField({ value, onChange, problem, display, reading, heard, onHeard }: Props) {
  const id = useId();
  const field = useTypedEarly<HTMLInputElement>(value, onChange);
  const at = problem?.at;
  const wrong = problem !== undefined && value.trim() !== '';
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-5">
        <label htmlFor={id} className="sr-only">
          Callout, as on the drawing
        </label>
        <input
          ref={field}
          id={id}
          type="text"
          autoComplete="off"
          spellCheck={false}
          autoFocus={value === ''}
          value={value}
          placeholder="Callout, as on the drawing"
          aria-invalid={wrong}
          aria-describedby={`${id}-note`}
          onChange={(e) => onChange(e.target.value)}
          onBlur={() => heard && onHeard()}
          onKeyDown={(e) => e.key === 'Enter' && heard && onHeard()}
          style={{ width: `min(100%, ${Math.max(26, value.length + 3)}ch)` }}
          className={`h-12 max-w-full rounded-sm border-b-2 bg-transparent px-1 font-cond text-[32px] focus-visible:border-b-4 focus-visible:outline-none font-semibold placeholder:text-steel-500 sm:h-14 sm:text-[38px] ${
            wrong ? 'border-danger' : 'border-steel-300 focus:border-brass-dark'
          }`}
        />
        <span className="text-steel-700">{reading}</span>
      </div>
      <div id={`${id}-note`} className={wrong ? 'font-bold text-danger' : ''}>
        {heard && (
          <p role="status" className="font-normal text-ink">
            Read as <strong>{heard.callout}</strong>. {heard.chosen.map((p) => tell(p, display)).join(' ')}
          </p>
        )}
        {wrong && (
          <>
            {at && at.end <= value.length + 1 && (
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
              <Readings list={problem.nearest} onPick={(picked) => onChange(replaced(value, problem, picked))} />
            )}
          </>
        )}
        {value.trim() === '' && <Readings list={EXAMPLES} onPick={onChange} />}
      </div>
    </div>
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
          className="min-h-11 rounded-full border border-steel-300 bg-steel-50 px-3.5 font-cond text-base font-medium text-ink hover:border-ink sm:min-h-9"
        >
          {reading}
        </button>
      ))}
    </span>
  );
}
