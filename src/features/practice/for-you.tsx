'use client';

import Link from 'next/link';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import { remindersAt, remindersOf } from '@/core/practice/reminders';
import { tell, type Display } from '@/core/units/show';
import { useKeepsWrong, useRemindersOn } from './use-reminders';

interface Props {
  plan: HolePlan;
  /** The step at hand; of the whole hole where left out. */
  op?: Operation;
  display: Display;
  className?: string;
}

/** What whoever works here keeps getting wrong in practice, quietly, where it could happen again. */
export function ForYou({ plan, op, display, className = 'text-[15px]' }: Props) {
  const [isOn, setOn] = useRemindersOn();
  const known = useKeepsWrong();
  if (!known) return null;
  const all = op ? remindersAt(op, plan, known.wrong) : remindersOf(plan, known.wrong);
  const shown = all.filter((r) => isOn || r.always);
  if (shown.length === 0) return null;
  const off = shown.some((r) => !r.always);
  return (
    <section aria-label={`For ${known.who}`} className={`border-l-4 border-brass pl-2 ${className}`}>
      <ul>
        {shown.map(({ mistake, says }) => (
          <li key={mistake}>{tell(says, display)}</li>
        ))}
      </ul>
      <p className="flex flex-wrap items-center gap-x-4 text-[0.8em]">
        <span>For {known.who}, from practice.</span>
        <Link className="link inline-flex min-h-11 items-center" href="/practice" prefetch={false}>
          Practise it
        </Link>
        {off && (
          <button type="button" className="link min-h-11" onClick={() => setOn(false)}>
            Show no more
          </button>
        )}
      </p>
    </section>
  );
}
