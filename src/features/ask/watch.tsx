'use client';

import type { AskForm } from '@/core/hole/form';
import { allCautions, type HolePlan } from '@/core/hole/hole-plan';
import { remedyOf } from '@/core/hole/remedies';
import { tell, type Display } from '@/core/units/show';
import { later } from '@/ui/later';

const Why = later(() => import('@/ui/why'));

interface Props {
  plan: HolePlan;
  display: Display;
  change: (part: Partial<AskForm>) => void;
}

/** What would spoil the part, the tool or the person, each with the key that takes its cause away. */
export function Watch({ plan, display, change }: Props) {
  const serious = allCautions(plan).filter((c) => c.level !== 'note');
  if (serious.length === 0) return null;
  serious.sort((a, b) => a.level.localeCompare(b.level));
  return (
    <section aria-label="Watch out" className="plate border-l-8 border-l-danger px-3 py-1">
      <ul>
        {serious.map((c) => {
          const remedy = remedyOf(c, plan);
          return (
            <li
              key={`${c.subject} ${c.code}`}
              className="flex flex-wrap items-center gap-x-3 py-0.5 font-bold text-danger"
            >
              <span>
                <span aria-label={c.level}>{c.level === 'stop' ? '✕' : '!'}</span> {tell(c, display)}
                <Why code={c.code} />
              </span>
              {remedy && (
                <button type="button" className="btn h-11 sm:h-9" onClick={() => change(remedy.change)}>
                  {tell(remedy.label, display)}
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
