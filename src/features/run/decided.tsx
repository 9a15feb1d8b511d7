import type { BodyOf, RemedyChange } from '@/core/run/bench-record';
import type { ChoiceChange } from '@/core/run/choice-change';
import type { FirstHere } from '@/core/run/first-hole';
import type { Decision } from '@/core/run/run-records';
import { CHOICES, type Choice } from '@/core/gauging/verdict';
import { tell, type Display } from '@/core/units/show';
import { ChoiceKeys } from './choice-keys';

interface DecidedProps {
  decision: Decision | undefined;
  choices: readonly Choice[];
  named?: Partial<Record<Choice, string>>;
  changeOf: (choice: Choice) => ChoiceChange | undefined;
  display: Display;
  onDecide: (decision: Omit<BodyOf<'decision'>, 'part'>) => void;
  onTakeBack: (id: string) => void;
}

/** What was decided, to be taken back; or what can be. */
export function Decided({ decision, named, onTakeBack, ...keys }: DecidedProps) {
  if (!decision) return <ChoiceKeys named={named} {...keys} />;
  const { choice, by, why } = decision.body;
  return (
    <p className="flex flex-wrap items-center gap-3 text-[16px]">
      Decided: {[named?.[choice] ?? CHOICES[choice].label, by, why].filter(Boolean).join(', ')}.
      <button type="button" className="btn h-11" onClick={() => onTakeBack(decision.id)}>
        Take back
      </button>
    </p>
  );
}

interface ForTheRestProps {
  first: FirstHere | undefined;
  display: Display;
  onUse: (label: string, change: RemedyChange) => void;
}

/** A hole that went through first and failed: how the holes that wait for it are made instead. */
export function ForTheRest({ first, display, onUse }: ForTheRestProps) {
  if (!first) return null;
  const { left, remedy } = first;
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-3">
      <strong>
        {left === 1 ? 'One hole like it is' : `${left} holes like it are`} not drilled yet
        {remedy ? ':' : '. Settle this one first.'}
      </strong>
      {remedy && (
        <button
          type="button"
          className="btn-next h-14"
          onClick={() => onUse(tell(remedy.label, display), remedy.change)}
        >
          {tell(remedy.label, display)}
        </button>
      )}
    </div>
  );
}
