'use client';

import Link from 'next/link';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import { remindersAt } from '@/core/practice/reminders';
import { tell, type Display } from '@/core/units/show';
import { useKeepsWrong, useRemindersOn } from './use-reminders';

interface Props {
  plan: HolePlan;
  op: Operation;
  display: Display;
  className?: string;
}

/** What whoever works here keeps getting wrong in practice, quietly, at the step where it could happen again. */
export function ForYou({ plan, op, display, className = '' }: Props) {
  const [isOn] = useRemindersOn();
  const known = useKeepsWrong();
  const shown = known ? remindersAt(op, plan, known.wrong).filter((r) => isOn || r.always) : [];
  if (!known || shown.length === 0) return null;
  return (
    <ul aria-label={`For ${known.who}`} className={`border-l-4 border-brass pl-2 ${className}`}>
      {shown.map(({ mistake, says }) => (
        <li key={mistake}>{tell(says, display)}</li>
      ))}
    </ul>
  );
}

/** Whose reminders stand at the steps, and how they go; nothing where there are none. */
export function ForYouFoot({ className = '' }: { className?: string }) {
  const [isOn, setOn] = useRemindersOn();
  const known = useKeepsWrong();
  if (!known || !isOn) return null;
  return (
    <p className={`flex flex-wrap items-center gap-x-4 ${className}`}>
      <span className="border-l-4 border-brass pl-2">For {known.who}, from practice.</span>
      <Link className="link inline-flex min-h-11 items-center" href="/practice" prefetch={false}>
        Practise it
      </Link>
      <button type="button" className="link min-h-11" onClick={() => setOn(false)}>
        Show no more
      </button>
    </p>
  );
}
