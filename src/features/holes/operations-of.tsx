import Link from 'next/link';
import type { ComponentProps } from 'react';
import { toAddress } from '@/core/hole/form';
import type { HolePlan } from '@/core/hole/hole-plan';
import { questionInJob } from '@/core/job/plan-in-job';
import { showText, tell, type Display } from '@/core/units/show';
import { Working } from '@/ui/working';
import { ForYouFoot } from '../run/for-you';
import { Operations } from './operations';
import { KIND_LABEL } from './use-holes';

const time = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(seconds < 600 ? 1 : 0)} min`;

/** What is done to the hole, with how long it takes and what is left behind it. */
export function OperationsOf(props: ComponentProps<typeof Operations>) {
  const { plan, state, display } = props;
  const { group } = state;
  const { job } = state.inHand;
  const first = group?.holes[0];
  if (!group || !first) return null;
  return (
    <>
      <p className="mb-1 flex flex-wrap items-baseline gap-x-3 text-[15px]">
        <strong className="font-cond text-xl">{KIND_LABEL[group.kind]}</strong>
        <span>
          {group.count} in a part, {time(plan.seconds)} each
          {plan.wall && (
            <>
              , wall{' '}
              <Working of={plan.wall} name="wall left" display={display}>
                {showText({ value: plan.wall.value, unit: 'mm', places: 1 }, display)}
              </Working>
            </>
          )}
        </span>
        <Link
          className="link ml-auto"
          href={`/?${toAddress(questionInJob(first.question, job))}&job=${job.id}&jobHole=${first.id}`}
          prefetch={false}
        >
          in Ask
        </Link>
      </p>
      <Watch plan={plan} display={display} />
      <Operations {...props} />
      <ForYouFoot className="text-[15px]" />
    </>
  );
}

/** What is serious about the whole hole; what belongs to one operation stands there. */
function Watch({ plan, display }: { plan: HolePlan; display: Display }) {
  const serious = plan.cautions.filter((c) => c.level !== 'note');
  if (serious.length === 0) return null;
  return (
    <ul aria-label="Watch out" className="mb-1 border-l-4 border-danger pl-2">
      {serious.map((c) => (
        <li key={c.code} className="text-[15px] leading-snug">
          <strong className="text-danger">{c.level === 'stop' ? '✕' : '!'}</strong> {tell(c, display)}
        </li>
      ))}
    </ul>
  );
}
