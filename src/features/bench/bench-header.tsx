'use client';

import { holeName } from '@/core/route/work-item';
import { StepTimer } from './step-timer';
import type { StepInView } from './use-step-in-view';
import type { ReactNode } from 'react';

interface Props {
  name: string;
  quantity: number;
  view: Pick<StepInView, 'step' | 'steps' | 'doneSteps' | 'isDone' | 'said'>;
  /** Records that the server does not have yet. */
  toSend: number;
  children: ReactNode;
}

/** Where one is: job, part, hole, time on the step, and how much of the route is done. */
export function BenchHeader({ name, quantity, view, toSend, children }: Props) {
  const { step, steps, doneSteps, isDone, said } = view;
  const quiet = { color: 'var(--bench-quiet)' };
  return (
    <>
      <header className="flex items-center gap-x-5 font-cond text-[20px] sm:text-[24px]">
        <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-5">
          <span className="min-w-0 truncate font-semibold max-lg:hidden">{name}</span>
          <span style={quiet}>
            part {step?.part ?? quantity} of {quantity}
          </span>
          {step?.place && (
            <span style={quiet}>
              hole {step.place.n} of {step.place.of}
            </span>
          )}
          {step?.item && <strong className="text-[30px]">{holeName(step.item)}</strong>}
          {step?.item && !isDone && <StepTimer step={step.key} planned={step.item.seconds} />}
          <span role="status" className={`ml-auto ${toSend > 0 ? '' : 'max-sm:sr-only'}`} style={quiet}>
            {toSend > 0 ? `${toSend} to send` : said}
          </span>
        </div>
        {children}
      </header>
      <div
        role="progressbar"
        aria-label="Steps done"
        aria-valuemin={0}
        aria-valuemax={steps.length}
        aria-valuenow={doneSteps}
        className="h-1.5 shrink-0 overflow-hidden"
        style={{ background: 'var(--bench-panel)' }}
      >
        <div
          className="h-full origin-left will-change-transform"
          style={{
            background: 'var(--bench-key)',
            transform: `scaleX(${doneSteps / Math.max(1, steps.length)})`,
          }}
        />
      </div>
    </>
  );
}
