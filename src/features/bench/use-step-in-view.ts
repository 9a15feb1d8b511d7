'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BenchKind, BodyOf, HoleAt } from '@/core/inspection/bench-record';
import type { BenchStep } from '@/core/inspection/run';
import type { HolePlan } from '@/core/hole/hole-plan';
import { holeName } from '@/core/route/work-item';
import type { Running } from '../run/use-run';
import type { MenuAction } from './bench-menu';

/** What stands in place of the step. */
export type Sheet = 'trouble' | 'check' | MenuAction;

const holeOfStep = ({ item, part }: BenchStep): HoleAt | undefined =>
  item && item.featureId !== '' ? { featureId: item.featureId, holeNumber: item.hole, part } : undefined;

/**
 * The step of an issued route that stands in view: the first that is open, or one that somebody looks at, with what its keys
 * do. Everything that is done is recorded at once.
 */
export function useStepInView({ issue, at: here, bench }: Running) {
  /** Key of a step that is looked at; undefined: the first that is open. */
  const [looking, setLooking] = useState<string>();
  const [sheet, setSheet] = useState<Sheet>();
  const [said, setSaid] = useState('');
  const since = useRef(0);
  const undone = useRef<() => void>(undefined);
  const undo = useCallback(() => undone.current?.(), []);
  const run = here?.run;
  const steps = run?.steps ?? [];
  const step = steps.find((s) => s.key === looking) ?? run?.next;
  const at = useMemo(() => step && holeOfStep(step), [step]);
  const place = step ? steps.indexOf(step) : steps.length;
  const settled = step && run?.settled.get(step.key);
  const isDone = settled !== undefined;
  const key = step?.key;
  useEffect(() => {
    since.current = Date.now();
  }, [key]);
  const planOf = useCallback(
    (of: BenchStep): HolePlan | undefined => {
      const hole = holeOfStep(of);
      const planned = hole && here?.planAt(hole);
      return planned?.ok ? planned.value : undefined;
    },
    [here],
  );
  const about = useMemo(
    () => ({ routeId: issue?.id, ...(at ? { featureId: at.featureId, holeNumber: at.holeNumber } : {}) }),
    [issue, at],
  );
  const { record: append } = bench;
  const record = useCallback(
    <K extends BenchKind>(kind: K, body: BodyOf<K>): string => append(kind, body, about),
    [append, about],
  );
  useEffect(() => {
    undone.current = () => {
      if (step && settled)
        append('step-undone', { step: step.key, part: step.part }, { ...about, corrects: settled.id });
    };
  });

  function done(): void {
    if (!step) return;
    if (!isDone) {
      const seconds = Math.round((Date.now() - since.current) / 100) / 10;
      record('step-done', { step: step.key, part: step.part, seconds });
      setSaid(`${step.item ? `${holeName(step.item)} ` : ''}done`);
    }
    // The one after it, where somebody looked back; else wherever the work is by then.
    setLooking(looking === undefined || !isDone ? undefined : steps[place + 1]?.key);
    setSheet(undefined);
  }
  function say(kind: MenuAction, text: string): void {
    if (!step) return;
    if (kind === 'note') record('note', { part: step.part, text });
    else record('step-skipped', { step: step.key, part: step.part, reason: text });
    setSaid(kind === 'note' ? 'Noted' : 'Skipped');
    setLooking(undefined);
    setSheet(undefined);
  }
  const look = (by: number): void => setLooking(steps[Math.min(steps.length - 1, Math.max(0, place + by))]?.key);
  return {
    steps,
    step,
    /** The step after it in the route. */
    after: steps[place + 1] as BenchStep | undefined,
    /** Its hole. */
    at,
    isDone,
    doneSteps: steps.filter((s) => run?.settled.has(s.key)).length,
    planOf,
    /** The first open step after it that passes. */
    firstAhead: (passes: (s: BenchStep) => boolean): BenchStep | undefined =>
      steps.find((s, i) => i > place && !run?.settled.has(s.key) && !run?.scrapped.has(s.part) && passes(s)),
    record,
    sheet,
    setSheet,
    said,
    done,
    say,
    undo,
    back: (): void => (sheet ? setSheet(undefined) : look(-1)),
    forward: (): void => look(1),
  };
}
export type StepInView = ReturnType<typeof useStepInView>;
