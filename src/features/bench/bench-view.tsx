'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { BenchKind, BodyOf, HoleAt } from '@/core/inspection/bench-record';
import type { HolePlan } from '@/core/hole/hole-plan';
import { holesWaiting, type BenchStep } from '@/core/inspection/run';
import { holeName } from '@/core/route/work-item';
import { useKeys } from '@/ui/keys';
import { useUnits } from '@/ui/units';
import { HoleCheck } from '../run/hole-check';
import { RecordFaults } from '../job-store/record-faults';
import { useOfflineShell } from '../run/offline-shell';
import { offOf } from '../run/offs';
import { useRun, type Running } from '../run/use-run';
import { BenchMenu, type MenuAction } from './bench-menu';
import { StepFace } from './step-face';
import { StepTimer } from './step-timer';
import { TroubleSheet } from './trouble-sheet';
import { useAwake } from './use-awake';
import { useBenchSettings } from './use-bench-settings';

/** The issued route of a job at work, one step a screen; everything done is recorded at once. */
export function BenchView({ jobId }: { jobId: string }) {
  const running = useRun(jobId);
  const [settings] = useBenchSettings();
  const kept = useOfflineShell(jobId);
  const { issue, none, fault, at } = running;
  useAwake();
  return (
    <main
      id="main"
      data-theme={settings.theme}
      className="bench fixed inset-0 z-10 flex flex-col gap-3 overflow-auto p-3 sm:p-5"
    >
      {issue && at ? (
        <AtWork jobId={jobId} running={running} kept={kept} />
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
            {fault ? `The route is not here yet: ${fault}` : 'Opening the route…'}
          </p>
          <a className="link text-xl" href={`/jobs/${jobId}`}>
            Back to the job
          </a>
        </section>
      )}
    </main>
  );
}

const holeOfStep = ({ item, part }: BenchStep): HoleAt | undefined =>
  item && item.featureId !== '' ? { featureId: item.featureId, holeNumber: item.hole, part } : undefined;

/** Keys that mean done: a foot switch sends one of them. */
const DONE_KEYS = ['Space', 'Enter', 'PageDown'] as const;

interface AtWorkProps {
  jobId: string;
  running: Running;
  /** Whether it opens without a network. */
  kept: boolean;
}

function AtWork({ jobId, running, kept }: AtWorkProps) {
  const { issue, job, at: here, bench, shop } = running;
  const run = here?.run;
  const { display } = useUnits();
  const [settings, setSettings] = useBenchSettings();
  /** Key of a step that is looked at; undefined: the first that is open. */
  const [looking, setLooking] = useState<string>();
  const [sheet, setSheet] = useState<'trouble' | 'check' | MenuAction>();
  const [said, setSaid] = useState('');
  const since = useRef(0);
  const undone = useRef<() => void>(undefined);
  const undo = useCallback(() => undone.current?.(), []);
  const steps = run?.steps ?? [];
  const step = steps.find((s) => s.key === looking) ?? run?.next;
  const at = step && holeOfStep(step);
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
  const settled = step && run?.settled.get(step.key);
  useEffect(() => {
    undone.current = () => {
      if (!issue || !step || !settled) return;
      const hole = at && { featureId: at.featureId, holeNumber: at.holeNumber };
      bench.record(
        'step-undone',
        { step: step.key, part: step.part },
        { routeId: issue.id, ...hole, corrects: settled.id },
      );
    };
  });
  if (!issue || !job || !here || !run) return null;
  const plan = step && planOf(step);
  const op = plan?.operations.find((o) => o.key === step?.item?.opKey);
  const place = step ? steps.indexOf(step) : steps.length;
  const firstAhead = (passes: (s: BenchStep) => boolean): BenchStep | undefined =>
    steps.find((s, i) => i > place && !run.settled.has(s.key) && passes(s));
  const doneSteps = steps.filter((s) => run.settled.has(s.key)).length;
  const about = { routeId: issue.id, ...(at ? { featureId: at.featureId, holeNumber: at.holeNumber } : {}) };
  const record = <K extends BenchKind>(kind: K, body: BodyOf<K>): string => bench.record(kind, body, about);
  const waits = holesWaiting(run);
  const isDone = settled !== undefined;
  const checks = step?.item?.code === 'check';

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
  const look = (by: number): void => setLooking(steps[Math.min(steps.length - 1, Math.max(0, place + by))]?.key);
  const back = (): void => (sheet ? setSheet(undefined) : look(-1));
  const next = sheet === undefined ? done : () => undefined;
  return (
    <>
      <Keys onDone={next} onBack={back} onForward={() => look(1)} pedal={settings.pedal} />
      <header className="flex items-center gap-x-5 font-cond text-[20px] sm:text-[24px]">
        <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-5">
          <span className="min-w-0 truncate font-semibold max-lg:hidden">{job.name}</span>
          <span style={{ color: 'var(--bench-quiet)' }}>
            part {step?.part ?? issue.quantity} of {issue.quantity}
          </span>
          {step?.place && (
            <span style={{ color: 'var(--bench-quiet)' }}>
              hole {step.place.n} of {step.place.of}
            </span>
          )}
          {step?.item && <strong className="text-[30px]">{holeName(step.item)}</strong>}
          {step?.item && !isDone && <StepTimer key={step.key} planned={step.item.seconds} />}
          <span
            role="status"
            className={`ml-auto ${bench.toSend > 0 ? '' : 'max-sm:sr-only'}`}
            style={{ color: 'var(--bench-quiet)' }}
          >
            {bench.toSend > 0 ? `${bench.toSend} to send` : said}
          </span>
        </div>
        <BenchMenu
          jobId={jobId}
          settings={settings}
          change={setSettings}
          onPick={setSheet}
          canUndo={isDone}
          onUndo={undo}
          kept={kept}
        />
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
      {waits > 0 && (
        <p role="alert" className="text-[22px] font-bold" style={{ color: 'var(--bench-danger)' }}>
          ! {waits === 1 ? 'One hole waits' : `${waits} holes wait`} for a decision.{' '}
          <a className="underline" href={`/jobs/${jobId}/check`}>
            Decide
          </a>
        </p>
      )}
      <RecordFaults {...bench} fault={undefined} />
      {!step && (
        <section className="m-auto text-center">
          <h1 className="font-cond text-[72px] font-semibold">All done</h1>
          <p className="text-2xl">
            Route {issue.number}, {issue.quantity} {issue.quantity === 1 ? 'part' : 'parts'}.
          </p>
          <a className="bench-key bench-next mt-4" href={`/jobs/${jobId}/check`}>
            Check
          </a>
        </section>
      )}
      {step && sheet === 'trouble' && plan && op && (
        <TroubleSheet
          plan={plan}
          op={op}
          part={step.part}
          display={display}
          record={record}
          onPosition={step.item?.code === 'lay-out' ? undefined : () => setSheet('check')}
          marksAt={step.item?.code === 'lay-out' ? `/jobs/${jobId}/plate?tab=punch` : undefined}
          onClose={() => setSheet(undefined)}
        />
      )}
      {step && (sheet === 'check' || (checks && sheet === undefined)) && plan && at && (
        <section aria-label="Check" className="min-h-0 flex-1 overflow-auto">
          <h1 className="font-cond text-[44px] leading-none font-semibold">
            Gauge {step.item ? holeName(step.item) : ''}
          </h1>
          <div className="mt-2 text-ink sm:[zoom:1.5]">
            <HoleCheck
              plan={plan}
              setting={here.settingFor(at, plan)}
              at={at}
              records={bench.records}
              record={record}
              display={display}
              offOf={offOf(shop, display)}
            />
          </div>
        </section>
      )}
      {step && (sheet === 'skip' || sheet === 'note') && (
        <Phrases
          kind={sheet}
          onClose={() => setSheet(undefined)}
          onSay={(text) => {
            if (sheet === 'note') record('note', { part: step.part, text });
            else record('step-skipped', { step: step.key, part: step.part, reason: text });
            setSaid(sheet === 'note' ? 'Noted' : 'Skipped');
            setLooking(undefined);
            setSheet(undefined);
          }}
        />
      )}
      {step && sheet === undefined && !checks && (
        <StepFace
          step={step}
          firstAhead={firstAhead}
          planOf={planOf}
          route={issue.route}
          job={job}
          plan={plan}
          display={display}
          signals={settings.signals}
        />
      )}
      {step && (sheet === undefined || sheet === 'check') && (
        <footer className="sticky bottom-0 flex shrink-0 gap-2 pb-1 sm:gap-3">
          <button
            type="button"
            className="bench-key bench-next min-h-[84px] min-w-0 flex-1 max-sm:px-2 max-sm:text-[22px] sm:text-[34px]"
            onClick={sheet === 'check' ? () => setSheet(undefined) : done}
          >
            {sheet === 'check' ? 'Back to the step' : isDone ? 'Next' : nextWords(step, steps[place + 1])}
          </button>
          <button type="button" className="bench-key min-h-[84px] min-w-[84px]" onClick={back}>
            Back
          </button>
          {op && (op.cut ?? op.tap ?? op.code === 'lay-out') && !checks && (
            <button type="button" className="bench-key min-h-[84px] min-w-[84px]" onClick={() => setSheet('trouble')}>
              Trouble
            </button>
          )}
        </footer>
      )}
    </>
  );
}

function nextWords(step: BenchStep, after: BenchStep | undefined): string {
  if (!after) return 'Done';
  if (after.part !== step.part) return `Done: part ${after.part}`;
  if (after.newTool) return 'Done: next tool';
  return 'Done: next hole';
}

interface KeysProps {
  onDone: () => void;
  onBack: () => void;
  onForward: () => void;
  pedal: string;
}

function Keys({ onDone, onBack, onForward, pedal }: KeysProps) {
  // A button that was reached by keys is pressed by them; one that was touched has done its work.
  const unlessPressed = ({ target, code }: KeyboardEvent): void => {
    const button = target instanceof HTMLElement ? target.closest<HTMLElement>('button, a, summary') : null;
    if (button?.matches(':focus-visible') && code !== 'PageDown') button.click();
    else onDone();
  };
  useKeys({
    ...Object.fromEntries([...DONE_KEYS, ...(pedal === '' ? [] : [pedal])].map((k) => [k, unlessPressed])),
    Backspace: onBack,
    ArrowLeft: onBack,
    PageUp: onBack,
    ArrowRight: onForward,
  });
  return null;
}

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
