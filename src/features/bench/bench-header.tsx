'use client';

import { memo, type ReactNode } from 'react';
import { holeName } from '@/core/route/work-item';
import { StepTimer } from './step-timer';
import type { StepInView } from './use-step-in-view';

const QUIET = { color: 'var(--bench-quiet)' };

interface Props {
  name: string;
  quantity: number;
  view: Pick<StepInView, 'step' | 'steps' | 'doneSteps' | 'isDone' | 'said'>;
  /** Records that the server does not have yet. */
  toSend: number;
  /** Why they wait. */
  waitsFor?: string;
  children: ReactNode;
}

/** Where one is: job, part, hole, time on the step, and how much of the route is done. */
export function BenchHeader({ name, quantity, view, toSend, waitsFor, children }: Props) {
  const { step, steps, doneSteps, isDone, said } = view;
  return (
    <>
      <header className="flex items-center gap-x-5 font-cond text-[20px] sm:text-[24px]">
        <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-5 sm:h-16 sm:flex-nowrap sm:whitespace-nowrap sm:[contain:strict]">
          <span className="min-w-0 truncate font-semibold max-lg:hidden">{name}</span>
          <Where
            part={step?.part ?? quantity}
            quantity={quantity}
            nth={step?.place?.n}
            holes={step?.place?.of}
            hole={step?.item && holeName(step.item)}
          />
          {step?.item && !isDone && <StepTimer step={step.key} planned={step.item.seconds} />}
          <Saved toSend={toSend} said={said} waitsFor={waitsFor} />
        </div>
        {children}
      </header>
      <Progress done={doneSteps} of={steps.length} />
    </>
  );
}

interface WhereProps {
  part: number;
  quantity: number;
  nth?: number;
  holes?: number;
  hole?: string;
}

const Where = memo(function Where({ part, quantity, nth, holes, hole }: WhereProps) {
  return (
    <>
      <span style={QUIET}>
        part {part} of {quantity}
      </span>
      {nth !== undefined && (
        <span style={QUIET}>
          hole {nth} of {holes}
        </span>
      )}
      {hole !== undefined && <strong className="text-[30px]">{hole}</strong>}
    </>
  );
});

const Saved = memo(function Saved({ toSend, said, waitsFor }: { toSend: number; said: string; waitsFor?: string }) {
  return (
    <span role="status" title={waitsFor} className={`ml-auto ${toSend > 0 ? '' : 'max-sm:sr-only'}`} style={QUIET}>
      {toSend > 0 ? `${toSend} to send` : said}
    </span>
  );
});

const Progress = memo(function Progress({ done, of }: { done: number; of: number }) {
  return (
    <div
      role="progressbar"
      aria-label="Steps done"
      aria-valuemin={0}
      aria-valuemax={of}
      aria-valuenow={done}
      className="h-1.5 shrink-0 overflow-hidden"
      style={{ background: 'var(--bench-panel)' }}
    >
      <div
        className="h-full origin-left will-change-transform"
        style={{ background: 'var(--bench-key)', transform: `scaleX(${done / Math.max(1, of)})` }}
      />
    </div>
  );
});
