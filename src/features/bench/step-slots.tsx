'use client';

import { memo, useDeferredValue, type ReactNode } from 'react';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { BenchStep } from '@/core/run/bench-step';

export interface StepAndAhead {
  step: BenchStep;
  /** The first open step after this one that passes. */
  firstAhead: (passes: (step: BenchStep) => boolean) => BenchStep | undefined;
  /** How the hole of a step is made by now. */
  planOf: (step: BenchStep) => HolePlan | undefined;
}

interface Props extends StepAndAhead {
  /** Steps with the same key are shown by the same slot. */
  keyOf: (step: BenchStep) => string;
  /** Whether a step that is not there yet comes a moment after the key. */
  mayFollow?: boolean;
  className: string;
  /** Of those behind: without height where they would make room for themselves. */
  behindClassName?: string;
  /** The same at every render where the same is drawn. */
  children: Draw;
}

type Draw = (step: BenchStep, plan: HolePlan | undefined, isShown: boolean) => ReactNode;

interface DrawnProps {
  of: BenchStep;
  plan: HolePlan | undefined;
  isShown: boolean;
  draw: Draw;
}

const Drawn = memo(function Drawn({ of, plan, isShown, draw }: DrawnProps) {
  return draw(of, plan, isShown);
});

/**
 * What is shown of a step, and behind it what is shown of the next other one: planned and drawn while nobody presses a key, so
 * that it stands at once when its turn comes. Nothing behind may take a key or a touch.
 */
export function Slots({
  step,
  firstAhead,
  planOf,
  keyOf,
  mayFollow,
  className,
  behindClassName = '',
  children,
}: Props) {
  const key = keyOf(step);
  const drawn = useDeferredValue(step);
  const behind = useDeferredValue(firstAhead((s) => keyOf(s) !== key));
  const planOfBehind = useDeferredValue(planOf);
  const shown = !mayFollow || (behind && keyOf(behind) === key) ? step : drawn;
  const slots = new Map([behind ?? shown, drawn, shown].map((of) => [keyOf(of), of]));
  // In an order that holds, so that none is moved in the page when its turn comes.
  return [...slots].sort().map(([slot, of]) => (
    <div
      key={slot}
      aria-hidden={of !== shown}
      className={`will-change-[opacity] ${className} ${of === shown ? 'z-1' : `opacity-0 ${behindClassName}`}`}
    >
      <Drawn of={of} plan={(of === shown ? planOf : planOfBehind)(of)} isShown={of === shown} draw={children} />
    </div>
  ));
}
