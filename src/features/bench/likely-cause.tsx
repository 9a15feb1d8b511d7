import { useState, type ReactNode } from 'react';
import { tell, type Display } from '@/core/units/show';
import type { Phrase } from '@/core/answer/answer';

interface Likely<Id extends string> {
  id: Id;
  ask: Phrase;
  cause: Phrase;
  remedy: Phrase;
}

interface Props<C extends Likely<string>> {
  causes: readonly C[];
  display: Display;
  /** What to do where it was none of them. */
  none: string;
  /** The cause that was found; undefined where it was none of those. */
  onSaid: (cause?: C['id']) => void;
  /** Keys that change the plan for a cause that was found. */
  remedyKeys?: (cause: C) => ReactNode;
}

/** The likeliest cause as a question that a look answers; yes brings its action, no the next. */
export function LikelyCause<C extends Likely<string>>({ causes, display, none, onSaid, remedyKeys }: Props<C>) {
  const [asked, setAsked] = useState(0);
  const [found, setFound] = useState(false);
  const cause = causes.at(asked);
  if (!cause)
    return (
      <div className="text-[24px] leading-snug">
        <p>{none}</p>
        <div className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="bench-key bench-next" onClick={() => onSaid()}>
            Record it, go on
          </button>
          <button type="button" className="bench-key" onClick={() => setAsked(0)}>
            Ask again
          </button>
        </div>
      </div>
    );
  const keys = found ? remedyKeys?.(cause) : undefined;
  return (
    <div aria-live="polite" className="text-[26px] leading-snug max-sm:text-[22px]">
      {!found ? (
        <>
          <p className="font-bold">{tell(cause.ask, display)}</p>
          <div className="mt-2 flex gap-2">
            <button type="button" className="bench-key bench-next flex-1" onClick={() => setFound(true)}>
              Yes
            </button>
            <button type="button" className="bench-key flex-1" onClick={() => setAsked(asked + 1)}>
              No
            </button>
          </div>
          <p className="mt-3 text-[20px]" style={{ color: 'var(--bench-quiet)' }}>
            {asked + 1} of {causes.length}, likeliest first here.
          </p>
        </>
      ) : (
        <>
          <p>{tell(cause.cause, display)}</p>
          <p className="font-bold">{tell(cause.remedy, display)}</p>
          {keys}
          <button
            type="button"
            className={`bench-key mt-2 ${keys ? '' : 'bench-next'}`}
            onClick={() => onSaid(cause.id)}
          >
            Done, go on
          </button>
        </>
      )}
    </div>
  );
}
