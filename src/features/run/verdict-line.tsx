import type { ReactNode } from 'react';
import type { Verdict } from '@/core/gauging/verdict';
import { showText, tell, type Display } from '@/core/units/show';
import { Working } from '@/ui/working';

const SIGN = { good: '✓', bad: '✕', open: '?' } as const;
const WORD = { good: 'Good', bad: 'Not good', open: 'Not settled' } as const;

interface VerdictProps {
  verdict: Verdict;
  display: Display;
  children?: ReactNode;
}

/** A verdict in sign, word and reason, with the figures behind it. */
export function VerdictLine({ verdict, display, children }: VerdictProps) {
  const { state, reason, figures } = verdict;
  const colour = { good: 'text-pass', bad: 'text-danger', open: 'text-ink' }[state];
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <strong className={`font-cond text-2xl ${colour}`}>
        <span aria-hidden>{SIGN[state]}</span> {WORD[state]}
      </strong>
      <span className="text-[17px]">{tell(reason, display)}</span>
      {figures.map(({ label, answer }) => (
        <Working key={label} of={answer} name={label} display={display}>
          {showText({ value: answer.value, unit: answer.unit }, display)}
        </Working>
      ))}
      {children}
    </div>
  );
}
