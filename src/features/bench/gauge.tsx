'use client';

import { memo, useDeferredValue, useMemo } from 'react';
import type { CheckKind } from '@/core/gauging/checks-of';
import { signalAtBench, signalLine } from '@/core/learning/signal-at-bench';
import type { BenchRecord, HoleAt } from '@/core/run/bench-record';
import type { Choice } from '@/core/gauging/verdict';
import type { BenchStep } from '@/core/run/bench-step';
import type { Checked } from '@/core/run/run-records';
import type { HolePlan } from '@/core/hole/hole-plan';
import { holeName } from '@/core/route/work-item';
import { tell, type Display } from '@/core/units/show';
import { HoleCheck } from '../run/hole-check';
import type { Running } from '../run/use-run';
import type { StepInView } from './use-step-in-view';

interface Props extends Pick<StepInView, 'record'> {
  jobId: string;
  step: BenchStep;
  at: HoleAt;
  plan: HolePlan;
  here: NonNullable<Running['at']>;
  shop: Running['shop'];
  display: Display;
  /** Of the job, in the order in which they happened. */
  records: readonly BenchRecord[];
  /** What somebody came for: it stands first. */
  first?: CheckKind;
}

const Checks = memo(HoleCheck);

/** A hole at the gauge: which one stands at once, what to gauge on it follows a moment later. */
export function Gauge({ jobId, step, at, plan, here, shop, display, record, records, first }: Props) {
  const signal = useMemo(() => signalAtBench(records, at), [records, at]);
  const now = useMemo(
    () => ({
      jobId,
      plan,
      setting: here.settingFor(at, plan),
      at,
      here,
      record,
      display,
      first,
      tools: shop?.tools,
      changeOf: (choice: Choice) => here.changeOf(choice, at, plan),
      firstHere: (gauged: Checked['body']) => here.firstHere(at, plan, gauged),
    }),
    [jobId, plan, here, at, record, display, shop, first],
  );
  const shown = useDeferredValue<typeof now | null>(now, null);
  const isBehind = shown?.at !== at;
  return (
    <section aria-label="Check" aria-busy={isBehind} className="min-h-0 flex-1 overflow-auto">
      <h1 className="font-cond text-[44px] leading-none font-semibold">Gauge {step.item ? holeName(step.item) : ''}</h1>
      {signal && (
        <p role="alert" className="text-[22px] leading-snug" style={{ color: 'var(--bench-danger)' }}>
          <b>! {tell(signalLine(signal), display)}</b> {tell(signal.means, display)}
        </p>
      )}
      <div className={`mt-2 text-ink will-change-[opacity] sm:[zoom:1.5] ${isBehind ? 'opacity-0' : ''}`}>
        {shown && <Checks {...shown} heading="h2" />}
      </div>
    </section>
  );
}
