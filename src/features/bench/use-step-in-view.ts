'use client';

import { startTransition, useCallback, useEffect, useMemo, useOptimistic, useRef, useState } from 'react';
import type { BenchKind, BodyOf } from '@/core/run/bench-record';
import { stepHole, type BenchStep } from '@/core/run/bench-step';
import { gaugeStill } from '@/core/run/kept-verdict';
import type { HolePlan } from '@/core/hole/hole-plan';
import { holeName } from '@/core/route/work-item';
import { peakHeld, turnsCounted } from './turns-counted';
import type { Running } from '../run/use-run';
import type { MenuAction } from './bench-menu';

const NONE: readonly string[] = [];

/** What comes so many steps later need not be drawn yet. */
const AHEAD = 60;

/** Why a hole is not left at the gauge by a key alone. */
const STILL = {
  reading: 'Not gauged yet: a reading, its own bolt, or skip it with a reason.',
  decision: 'Not good: decide first.',
} as const;

/** What stands in place of the step. */
export type Sheet = 'trouble' | 'check' | MenuAction;

/** What the one who turned a tap says of it, and what a spindle did. */
export type Told = Pick<BodyOf<'step-done'>, 'feel' | 'coast'>;

/** What was counted and read while a step was in view. */
function toldBy(step: string): Pick<BodyOf<'step-done'>, 'turns' | 'torqueNm'> {
  const turns = turnsCounted(step);
  const torqueNm = peakHeld(step);
  return { ...(turns > 0 ? { turns } : {}), ...(torqueNm === undefined ? {} : { torqueNm }) };
}

type Acts = Record<'done' | 'back' | 'forward' | 'undo', () => void>;

/** The same functions at every render, which do what was given last: what holds them is not drawn anew. */
function useSteady(acts: Acts): Acts {
  const now = useRef(acts);
  useEffect(() => {
    now.current = acts;
  });
  return useMemo(
    () => ({
      done: () => now.current.done(),
      back: () => now.current.back(),
      forward: () => now.current.forward(),
      undo: () => now.current.undo(),
    }),
    [],
  );
}

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
  const run = here?.run;
  const steps = run?.steps ?? [];
  /** Steps left behind by a key, until what was recorded of them counts. */
  const [left, leave] = useOptimistic<readonly string[], string>(NONE, (keys, key) => [...keys, key]);
  const isOpen = (s: BenchStep): boolean =>
    !run?.settled.has(s.key) && !run?.scrapped.has(s.part) && !left.includes(s.key);
  /** The first open one; what stands before the run's own next is settled. */
  const openFrom = (from: number): number => {
    for (let i = from; i < steps.length; i++) if (isOpen(steps[i])) return i;
    return steps.length;
  };
  const looked = looking === undefined ? -1 : steps.findIndex((s) => s.key === looking);
  const place = looked >= 0 ? looked : openFrom(run?.nextAt ?? 0);
  const step = steps[place] as BenchStep | undefined;
  const at = useMemo(() => step && stepHole(step), [step]);
  const settled = step && run?.settled.get(step.key);
  const isDone = settled !== undefined;
  const key = step?.key;
  useEffect(() => {
    since.current = Date.now();
  }, [key]);
  const planOf = useCallback(
    (of: BenchStep): HolePlan | undefined => {
      const hole = stepHole(of);
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
    <K extends BenchKind>(kind: K, body: BodyOf<K>, corrects?: string): string =>
      append(kind, body, corrects === undefined ? about : { ...about, corrects }),
    [append, about],
  );
  function undo(): void {
    if (step && settled) append('step-undone', { step: step.key, part: step.part }, { ...about, corrects: settled.id });
  }
  const still = step?.item?.code === 'check' && at && here && !isDone ? gaugeStill(here, at) : undefined;
  /** @param more what its tap told while it was turned */
  function done(more: Told = {}): void {
    if (!step) return;
    if (still) return setSaid(STILL[still]);
    if (!isDone) {
      const seconds = Math.round((Date.now() - since.current) / 100) / 10;
      startTransition(() => {
        leave(step.key);
        record('step-done', { step: step.key, part: step.part, seconds, ...toldBy(step.key), ...more });
        // The first part’s lines are those that Plate shows.
        if (step.line && step.part === 1) bench.tick(step.line.tick);
        setSaid(`${step.item ? `${holeName(step.item)} ` : ''}${step.line ? 'scribed' : 'done'}`);
      });
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
  const acts = useSteady({
    done: (): void => (sheet === undefined ? done() : undefined),
    back: (): void => (sheet ? setSheet(undefined) : look(-1)),
    forward: (): void => look(1),
    undo,
  });
  return {
    steps,
    step,
    /** The step after it in the route. */
    after: steps[place + 1] as BenchStep | undefined,
    /** Its hole. */
    at,
    isDone,
    /** Why it is not left at the gauge yet. */
    still,
    /** What was left by a key counts at once, as it does in what stands in view. */
    doneSteps: (run?.done ?? 0) + left.filter((k) => !run?.settled.has(k)).length,
    planOf,
    /** The first open step after it that passes, as far as it is worth looking. */
    firstAhead: (passes: (s: BenchStep) => boolean): BenchStep | undefined =>
      steps.slice(place + 1, place + 1 + AHEAD).find((s) => isOpen(s) && passes(s)),
    record,
    sheet,
    setSheet,
    said,
    say,
    /** Done, with what was felt. */
    doneWith: done,
    /** What its keys do. */
    acts,
  };
}
export type StepInView = ReturnType<typeof useStepInView>;
