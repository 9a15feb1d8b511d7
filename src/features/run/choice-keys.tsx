'use client';

import { useId, useState } from 'react';
import type { BodyOf } from '@/core/run/bench-record';
import type { ChoiceChange } from '@/core/run/choice-change';
import { CHOICES, type Choice } from '@/core/gauging/verdict';
import { tell, type Display } from '@/core/units/show';

interface Props {
  choices: readonly Choice[];
  /** Other names of some of them. */
  named?: Partial<Record<Choice, string>>;
  changeOf: (choice: Choice) => ChoiceChange | undefined;
  display: Display;
  onDecide: (decision: Omit<BodyOf<'decision'>, 'part'>) => void;
}

/** What can be done about a hole that does not pass. One that is accepted as it is asks who answers for it, and why. */
export function ChoiceKeys({ choices, named, changeOf, display, onDecide }: Props) {
  const [accepting, setAccepting] = useState(false);
  return (
    <div className="mt-1 flex flex-col gap-1">
      {choices.map((choice) => {
        const { change, says } = changeOf(choice) ?? {};
        return (
          <div key={choice} className="flex flex-wrap items-center gap-x-3">
            <button
              type="button"
              className="btn min-w-56"
              aria-expanded={choice === 'accept' ? accepting : undefined}
              onClick={() => (choice === 'accept' ? setAccepting(!accepting) : onDecide({ choice, change }))}
            >
              {named?.[choice] ?? CHOICES[choice].label}
            </button>
            <span className="min-w-0 flex-1 text-[15px] text-steel-700">
              {CHOICES[choice].means} {says && tell(says, display)}
            </span>
            {choice === 'accept' && accepting && <Accept onDecide={onDecide} />}
          </div>
        );
      })}
    </div>
  );
}

function Accept({ onDecide }: Pick<Props, 'onDecide'>) {
  const [by, setBy] = useState('');
  const [why, setWhy] = useState('');
  const id = useId();
  const isSaid = by.trim() !== '' && why.trim() !== '';
  return (
    <form
      className="my-1 flex basis-full flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (isSaid) onDecide({ choice: 'accept', by: by.trim(), why: why.trim() });
      }}
    >
      <label htmlFor={`${id}by`} className="flex flex-col gap-1">
        <span className="label">Who answers for it</span>
        <input
          id={`${id}by`}
          className="field h-12"
          maxLength={60}
          value={by}
          onChange={(e) => setBy(e.target.value)}
        />
      </label>
      <label htmlFor={`${id}why`} className="flex min-w-40 flex-1 flex-col gap-1">
        <span className="label">Why</span>
        <input
          id={`${id}why`}
          className="field h-12"
          maxLength={300}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
        />
      </label>
      <button type="submit" className="btn-next h-12" disabled={!isSaid}>
        Accept
      </button>
    </form>
  );
}
