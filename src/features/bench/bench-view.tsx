'use client';

import { memo, useEffect, useState, type ReactNode } from 'react';
import type { BenchStep } from '@/core/run/bench-step';
import { holeKey } from '@/core/run/bench-record';
import { holesWaiting } from '@/core/run/run';
import { useKeys } from '@/ui/keys';
import { useUnits } from '@/ui/units';
import { RecordFaults } from '../job-store/record-faults';
import { useOfflineShell, type Shell } from '../run/offline-shell';
import { useRun, type Running } from '../run/use-run';
import { BenchHeader } from './bench-header';
import { BenchMenu } from './bench-menu';
import { FeelKeys } from './feel-keys';
import { Gauge } from './gauge';
import { StepFace } from './step-face';
import { notGauged } from '@/core/run/not-gauged';
import { AllDone } from './all-done';
import { TroubleSheet } from './trouble-sheet';
import { countsTurns, TURN_EVENT } from './turns-counted';
import { useAwake } from './use-awake';
import { useBenchSettings, type BenchSettings } from './use-bench-settings';
import { useStepInView, type StepInView } from './use-step-in-view';

/** The issued route of a job at work, one step a screen; everything done is recorded at once. */
export function BenchView({ jobId }: { jobId: string }) {
  const running = useRun(jobId);
  const [settings, setSettings] = useBenchSettings();
  const kept = useOfflineShell(jobId, running.bench.kept);
  const { issue, none, fault, at } = running;
  useAwake();
  return (
    <main
      id="main"
      data-theme={settings.theme}
      data-kept={kept}
      className="bench fixed inset-0 z-10 flex flex-col gap-3 overflow-auto p-3 sm:p-5"
    >
      {issue && at ? (
        <AtWork
          jobId={jobId}
          running={{ ...running, issue, at }}
          settings={settings}
          setSettings={setSettings}
          kept={kept}
        />
      ) : none ? (
        <section className="m-auto flex max-w-xl flex-col gap-4 text-center">
          <h1 className="font-cond text-5xl font-semibold">No route issued yet</h1>
          <p className="text-xl">The bench works by an issued route: plan it, look it over, issue it.</p>
          <a className="bench-key bench-next" href={`/jobs/${jobId}/route`}>
            Route
          </a>
        </section>
      ) : (
        <section className="m-auto text-center">
          <p role={fault ? 'alert' : 'status'} className="text-2xl">
            {fault
              ? `The route is not here yet: ${fault}`
              : running.bench.reading
                ? `Reading what was recorded: ${running.bench.reading} so far…`
                : 'Opening the route…'}
          </p>
          <a className="link text-xl" href={`/jobs/${jobId}`}>
            Back to the job
          </a>
        </section>
      )}
    </main>
  );
}

interface AtWorkProps {
  jobId: string;
  running: Running & { issue: NonNullable<Running['issue']>; at: NonNullable<Running['at']> };
  settings: BenchSettings;
  setSettings: (change: Partial<BenchSettings>) => void;
  /** Whether it opens without a network. */
  kept: Shell;
}

function AtWork({ jobId, running, settings, setSettings, kept }: AtWorkProps) {
  const { issue, job, at: here, bench, shop } = running;
  const { display } = useUnits();
  const view = useStepInView(running);
  const { step, at, sheet, setSheet, planOf, record, isDone } = view;
  if (!job) return null;
  const plan = step && planOf(step);
  const op = plan?.operations.find((o) => o.key === step?.item?.opKey);
  const waits = holesWaiting(here.run);
  const checks = step?.item?.code === 'check';
  const laysOut = step?.item?.code === 'lay-out';
  const close = (): void => setSheet(undefined);
  return (
    <>
      <Keys acts={view.acts} pedal={settings.pedal} counts={countsTurns(plan, op) && sheet === undefined && !isDone} />
      <BenchHeader name={job.name} quantity={issue.quantity} view={view} toSend={bench.toSend} waitsFor={bench.fault}>
        <BenchMenu
          jobId={jobId}
          settings={settings}
          change={setSettings}
          onPick={setSheet}
          canUndo={isDone}
          onUndo={view.acts.undo}
          kept={kept}
          waitsFor={bench.fault}
        />
      </BenchHeader>
      {waits > 0 && (
        <p role="alert" className="text-[22px] font-bold" style={{ color: 'var(--bench-danger)' }}>
          ! {waits === 1 ? 'One hole waits' : `${waits} holes wait`} for a decision.{' '}
          <a className="underline" href={`/jobs/${jobId}/check`}>
            Decide
          </a>
        </p>
      )}
      <div className="contents text-[20px] max-sm:text-[16px]">
        <RecordFaults {...bench} fault={undefined} />
      </div>
      {!step && <AllDone jobId={jobId} route={issue.number} parts={issue.quantity} missed={notGauged(here)} />}
      {step && sheet === 'trouble' && plan && op && at && (
        <TroubleSheet
          step={step.key}
          isBroken={here.run.waiting.some((w) => w.because.kind === 'tap-broken' && holeKey(w.at) === holeKey(at))}
          plan={plan}
          op={op}
          part={step.part}
          display={display}
          record={record}
          changeOf={(choice) => here.changeOf(choice, at, plan)}
          onPosition={laysOut ? undefined : () => setSheet('check')}
          marksAt={laysOut ? `/jobs/${jobId}/plate?tab=punch` : undefined}
          onClose={close}
        />
      )}
      {step && (sheet === 'check' || (checks && sheet === undefined)) && plan && at && (
        <Gauge
          jobId={jobId}
          step={step}
          at={at}
          plan={plan}
          here={here}
          shop={shop}
          display={display}
          record={record}
          records={bench.records}
          first={sheet === 'check' ? 'position' : undefined}
        />
      )}
      {step && (sheet === 'skip' || sheet === 'note') && (
        <Phrases kind={sheet} onClose={close} onSay={(text) => view.say(sheet, text)} />
      )}
      {step && sheet === undefined && !checks && (
        <StepFace
          step={step}
          firstAhead={view.firstAhead}
          planOf={planOf}
          route={issue.route}
          job={job}
          plan={plan}
          display={display}
          signals={settings.signals}
        />
      )}
      {step && (sheet === undefined || sheet === 'check') && (
        <NextKeys
          next={
            sheet === 'check'
              ? 'Back to the step'
              : isDone
                ? 'Next'
                : view.still
                  ? GAUGE_FIRST[view.still]
                  : nextWords(step, view.after)
          }
          onNext={sheet === 'check' ? view.acts.back : view.acts.done}
          onBack={view.acts.back}
          onTrouble={setSheet}
          feel={
            step && sheet === undefined && !isDone && plan && op?.tap ? (
              <FeelKeys plan={plan} op={op} done={view.doneWith} />
            ) : undefined
          }
          canTrouble={!checks && Boolean(op?.cut ?? op?.tap ?? (op?.code === 'lay-out' || op?.key.startsWith('die-')))}
        />
      )}
    </>
  );
}

/** What the big key says at a gauge that cannot be left yet. */
const GAUGE_FIRST = { reading: 'Gauge it first', decision: 'Decide first' } as const;

function nextWords(step: BenchStep, after: BenchStep | undefined): string {
  if (!after) return 'Done';
  if (after.part !== step.part) return `Done: part ${after.part}`;
  if (after.line) return 'Done: next line';
  if (after.newTool) return 'Done: next tool';
  const isSame = after.item?.featureId === step.item?.featureId && after.item?.hole === step.item?.hole;
  if (isSame && after.item) return 'Done: next step';
  return 'Done: next hole';
}

/** Keys that mean done: a foot switch sends one of them. */
const DONE_KEYS = ['Space', 'Enter', 'PageDown'] as const;

/** What a key presses where it has the focus. */
const PRESSED = 'button, a, summary';
/** On one that was touched since keys reached it. */
const TOUCHED = 'data-touched';

/** Held so long, ms, the key that counts turns means done. */
const HELD_MS = 700;

interface KeysProps {
  acts: StepInView['acts'];
  pedal: string;
  /** Turns of a tap are counted: Space and the foot switch are a turn, held they mean done. */
  counts: boolean;
}

/** Both hands are on the wrench: a short press is a turn, a long one means done. */
function countOrDone({ code, repeat }: KeyboardEvent, done: () => void): void {
  if (repeat) return;
  let isHeld = false;
  const timer = setTimeout(() => {
    isHeld = true;
    done();
  }, HELD_MS);
  const letGo = (up: KeyboardEvent): void => {
    if (up.code !== code) return;
    window.removeEventListener('keyup', letGo);
    clearTimeout(timer);
    if (!isHeld) window.dispatchEvent(new Event(TURN_EVENT));
  };
  window.addEventListener('keyup', letGo);
}

const Keys = memo(function Keys({ acts, pedal, counts }: KeysProps) {
  // A button that was reached by keys is pressed by them; one that was touched has done its work, until keys reach it: a focus
  // that comes back when it is moved in the page is none of them.
  useEffect(() => {
    const touch = ({ detail, target }: MouseEvent): void => {
      if (detail > 0 && target instanceof Element) target.closest(PRESSED)?.toggleAttribute(TOUCHED, true);
    };
    const reach = ({ key }: KeyboardEvent): void => {
      if (key === 'Tab') document.activeElement?.removeAttribute(TOUCHED);
    };
    document.addEventListener('click', touch);
    document.addEventListener('keyup', reach);
    return () => {
      document.removeEventListener('click', touch);
      document.removeEventListener('keyup', reach);
    };
  }, []);
  const unlessPressed = (event: KeyboardEvent): void => {
    const { target, code } = event;
    const button = target instanceof HTMLElement ? target.closest<HTMLElement>(PRESSED) : null;
    if (button?.matches(`:focus-visible:not([${TOUCHED}])`) && code !== 'PageDown') button.click();
    else if (counts && !['Enter', 'NumpadEnter'].includes(code)) countOrDone(event, acts.done);
    else acts.done();
  };
  useKeys({
    ...Object.fromEntries([...DONE_KEYS, ...(pedal === '' ? [] : [pedal])].map((k) => [k, unlessPressed])),
    Backspace: acts.back,
    ArrowLeft: acts.back,
    PageUp: acts.back,
    ArrowRight: acts.forward,
  });
  return null;
});

const SIDE_KEY = 'bench-key min-h-[84px] min-w-16 max-sm:px-2 max-sm:text-[20px] sm:min-w-[84px]';

interface NextKeysProps {
  next: string;
  canTrouble: boolean;
  /** Other ways of saying done, beside it. */
  feel?: ReactNode;
  onNext: () => void;
  onBack: () => void;
  onTrouble: (sheet: 'trouble') => void;
}

/** The one big key, with what comes after it; back; and what to do when something is wrong. */
const NextKeys = memo(function NextKeys({ next, canTrouble, feel, onNext, onBack, onTrouble }: NextKeysProps) {
  return (
    <footer className="max-sm:flex-wrap sticky -bottom-3 z-2 -mx-3 -mt-2 -mb-3 flex shrink-0 gap-2 bg-(--bench-ground) px-3 pt-2 pb-3 sm:-bottom-5 sm:-mx-5 sm:-mb-5 sm:gap-3 sm:px-5 sm:pb-5">
      <button
        type="button"
        className="bench-key bench-next min-h-[84px] min-w-0 flex-1 max-sm:px-2 max-sm:text-[22px] sm:text-[34px]"
        onClick={onNext}
      >
        {next}
      </button>
      {feel}
      <button type="button" className={SIDE_KEY} onClick={onBack}>
        Back
      </button>
      {canTrouble && (
        <button type="button" className={SIDE_KEY} onClick={() => onTrouble('trouble')}>
          Trouble
        </button>
      )}
    </footer>
  );
});

const NOTES = ['Drill changed', 'Tap changed', 'Chips packed', 'Hard spot', 'Burr left', 'Clamp slipped'];
const SKIPS = ['Done already', 'Not needed', 'Tool missing', 'Later, by somebody else'];

interface PhrasesProps {
  kind: 'note' | 'skip';
  onSay: (text: string) => void;
  onClose: () => void;
}

/** A reason or a note: one of the usual ones by one key, or spoken or typed. */
function Phrases({ kind, onSay, onClose }: PhrasesProps) {
  const [text, setText] = useState('');
  return (
    <section aria-label={kind === 'note' ? 'Note' : 'Skip'} className="flex flex-1 flex-col gap-3">
      <h1 className="font-cond text-[48px] leading-none font-semibold">
        {kind === 'note' ? 'Note' : 'Skip this step: why?'}
      </h1>
      <div className="grid gap-2 sm:grid-cols-2">
        {(kind === 'note' ? NOTES : SKIPS).map((phrase) => (
          <button key={phrase} type="button" className="bench-key" onClick={() => onSay(phrase)}>
            {phrase}
          </button>
        ))}
      </div>
      <form
        className="flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (text.trim() !== '') onSay(text.trim());
        }}
      >
        <input
          className="field h-16 flex-1 text-2xl"
          aria-label={kind === 'note' ? 'Other note' : 'Other reason'}
          placeholder="or say it"
          maxLength={kind === 'note' ? 2000 : 300}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <button type="submit" className="bench-key bench-next" disabled={text.trim() === ''}>
          {kind === 'note' ? 'Save' : 'Skip'}
        </button>
        <button type="button" className="bench-key" onClick={onClose}>
          Cancel
        </button>
      </form>
    </section>
  );
}
