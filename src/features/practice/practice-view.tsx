'use client';

import Link from 'next/link';
import { useCallback, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { AssignmentSeen } from '@/contracts/practice';
import { MISTAKES, sameAs, type Exercise } from '@/core/practice/exercise';
import {
  EXERCISE_KINDS,
  exerciseOf,
  HANDS,
  isExerciseKind,
  KINDS_OF_A_HOLE,
  KINDS_TO_LEARN,
  practisedTitle,
  type ExerciseKind,
  type HandsKind,
} from '@/core/practice/kinds-of-exercise';
import { levelOf, nextKind, type Standing } from '@/core/practice/learner';
import type { PracticeSource } from '@/core/practice/some-hole';
import type { AskForm } from '@/core/hole/form';
import { wholeShop, type ShopWithCrib } from '@/core/shop/shop';
import { TextField } from '@/ui/field';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { leaveOutPractised, onRefusedPractised, refusedPractised } from '../job-store/practised';
import { useKeptPage } from '../run/offline-shell';
import { ExerciseCard } from './exercise-card';
import { PracticeTabs } from './practice-tabs';
import { useLearner, type Learner } from './use-learner';
import { useRemindersOn } from '../run/use-reminders';

interface Props {
  shop: ShopWithCrib;
  signedInAs?: string;
  /** A job that is rehearsed: its exercises are about its own holes. */
  job?: { id: string; name: string; holes: AskForm[] };
  /** Kind that was asked for. */
  first?: string;
  assignments: readonly AssignmentSeen[];
}

/** Where hands are practised. */
const HANDS_AT: Record<HandsKind, string> = {
  'tap-by-feel': '/practice/tap',
  press: '/practice/press',
  punch: '/practice/punch',
  height: '/practice/height',
  edge: '/practice/edge',
};
const LEVELS = ['', 'First hole', 'On the press', 'At the gauge', 'Deep and tough'] as const;

/** Exercises, one to five minutes each, new each time; what one gets wrong comes back. */
export function PracticeView({ shop, signedInAs, job, first, assignments }: Props) {
  const learner = useLearner(signedInAs);
  const isKept = useKeptPage();
  const { display } = useUnits();
  const source = useMemo<PracticeSource>(() => ({ shop: wholeShop(shop), holes: job?.holes }), [shop, job]);
  const [exercise, setExercise] = useState<Exercise>();
  const [missing, setMissing] = useState<ExerciseKind>();
  const asked = useRef(new Set<string>());
  const begun = useRef(0);
  const begin = useCallback(
    (kind: ExerciseKind): void => {
      // None comes twice in one sitting.
      for (let tries = 0; tries < 20; tries++) {
        const made = exerciseOf(kind, Math.floor(Math.random() * 0x7fffffff), source);
        if (!made) return setMissing(kind);
        if (tries < 19 && asked.current.has(sameAs(made))) continue;
        asked.current.add(sameAs(made));
        begun.current = performance.now();
        setMissing(undefined);
        return setExercise(made);
      }
    },
    [source],
  );
  const { standing } = learner;
  const sets = assignments.filter((a) => a.names.length === 0 || a.names.includes(learner.who));
  const next = (): void =>
    begin(
      nextKind(
        standing,
        new Date().toISOString(),
        exercise && isExerciseKind(exercise.kind) ? exercise.kind : undefined,
        job ? KINDS_OF_A_HOLE : undefined,
      ),
    );
  const from = first !== undefined && isExerciseKind(first) ? first : undefined;
  return (
    <main id="main" className="mx-auto flex max-w-[1100px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 data-kept={isKept} className="mr-auto font-cond text-3xl font-semibold">
          {job ? `Practise for ${job.name}` : 'Practice'}
        </h1>
        <PracticeTabs here="/practice" />
      </div>
      {exercise ? (
        <>
          <ExerciseCard
            key={`${exercise.kind} ${exercise.seed}`}
            exercise={exercise}
            display={display}
            onDone={({ right, hints }) =>
              void learner.keep({
                kind: exercise.kind as ExerciseKind,
                seed: exercise.seed,
                right,
                hints,
                seconds: Math.round((performance.now() - begun.current) / 100) / 10,
                mistake: exercise.mistake,
                ...(job && KINDS_OF_A_HOLE.includes(exercise.kind as ExerciseKind) ? { jobId: job.id } : {}),
              })
            }
            onNext={next}
          />
          <button type="button" className="link min-h-11 self-start" onClick={() => setExercise(undefined)}>
            All exercises
          </button>
        </>
      ) : (
        <Home
          learner={learner}
          signedInAs={signedInAs}
          sets={sets}
          jobId={job?.id}
          onNext={from ? () => begin(from) : next}
          from={from}
          onPick={begin}
        />
      )}
      {missing && (
        <p role="alert" className="text-danger">
          This shop has nothing to ask “{EXERCISE_KINDS[missing].title}” about: it needs a machine with steps, drills
          and taps. Pick another exercise.
        </p>
      )}
    </main>
  );
}

interface HomeProps {
  learner: Learner;
  signedInAs?: string;
  sets: readonly AssignmentSeen[];
  /** Job that is practised. */
  jobId?: string;
  from?: ExerciseKind;
  onNext: () => void;
  onPick: (kind: ExerciseKind) => void;
}

/** Who practises, where they stand, and what comes next. */
function Home({
  learner: { who, typed, setName, standing, done, wrong, forget },
  signedInAs,
  sets,
  jobId,
  from,
  onNext,
  onPick,
}: HomeProps) {
  const at = useShopTime();
  const [reminds, setReminds] = useRemindersOn();
  const level = levelOf(standing);
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        {signedInAs === undefined ? (
          <TextField label="Your name" value={typed} onChange={setName} placeholder={who} className="w-56" />
        ) : (
          <p className="text-lg">{who}</p>
        )}
        <button type="button" className="btn-next" onClick={onNext}>
          {from ? EXERCISE_KINDS[from].title : done.length === 0 ? 'First exercise' : 'Next exercise'}
        </button>
        <p className="text-[15px]">
          {done.length === 0
            ? 'One to five minutes each. What goes wrong comes back until it is sure.'
            : `${done.length} done, ${done.filter((p) => p.right).length} right.`}
        </p>
      </div>
      <Refused onLeftOut={forget} />
      <SetForYou sets={sets} done={done} jobId={jobId} onPick={onPick} />
      {wrong.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 text-[15px]">
          What keeps going wrong: {wrong.map((m) => MISTAKES[m]).join('; ')}.
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={reminds}
              onChange={(e) => setReminds(e.target.checked)}
            />
            Remind me in the plan and at the bench
          </label>
        </p>
      )}
      <section aria-label="Hands">
        <h2 className="font-cond text-xl font-semibold">Hands</h2>
        <ul className="plate flex flex-wrap gap-x-6 px-3">
          {(Object.keys(HANDS) as HandsKind[]).map((k) => {
            const own = done.filter((p) => p.kind === k);
            return (
              <li key={k}>
                <Link className="link inline-block min-h-11 content-center text-lg" href={HANDS_AT[k]} prefetch={false}>
                  {HANDS[k]}
                </Link>
                {own.length > 0 && (
                  <span className="ml-2 text-[15px]">
                    {own.filter((p) => p.right).length} of {own.length} right
                  </span>
                )}
              </li>
            );
          })}
        </ul>
      </section>
      {[1, 2, 3, 4].map((l) => (
        <section key={l} aria-label={LEVELS[l]}>
          <h2 className="font-cond text-xl font-semibold">
            {LEVELS[l]}
            {l > level && <span className="ml-2 font-normal text-steel-700">opens as you go on, or now</span>}
          </h2>
          <ul className="plate divide-y divide-steel-200">
            {KINDS_TO_LEARN.filter((k) => EXERCISE_KINDS[k].level === l).map((kind) => (
              <li
                key={kind}
                className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 px-3 sm:grid-cols-[minmax(0,1fr)_240px]"
              >
                <button type="button" className="link min-h-11 text-left text-lg" onClick={() => onPick(kind)}>
                  {EXERCISE_KINDS[kind].title}
                </button>
                <span className="text-[15px]">
                  {standingWords(
                    standing.find((s) => s.kind === kind),
                    at,
                  )}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

/** Results that the server will not have: they stay here until they are left out. */
function Refused({ onLeftOut }: { onLeftOut: (id: string) => void }) {
  const refused = useSyncExternalStore(onRefusedPractised, refusedPractised, refusedPractised);
  const at = useShopTime();
  return refused.map(({ done, why }) => (
    <p key={done.id} role="alert" className="flex flex-wrap items-center gap-x-3 border-l-4 border-l-danger pl-3">
      <span>
        <b className="text-danger">Not taken by the server:</b> {practisedTitle(done.kind)}, {at(done.at, 'day')}. {why}
      </span>
      <button
        type="button"
        className="link min-h-11"
        onClick={() => {
          leaveOutPractised(done.id);
          onLeftOut(done.id);
        }}
      >
        Leave it out
      </button>
    </p>
  ));
}

interface SetProps {
  sets: readonly AssignmentSeen[];
  done: Learner['done'];
  jobId?: string;
  onPick: (kind: ExerciseKind) => void;
}

/** What a teacher has set, by when, and what of it is done: about a job’s own holes where it was set so. */
function SetForYou({ sets, done, jobId, onPick }: SetProps) {
  return sets.map((set) => (
    <p key={set.id} className="border-l-4 border-l-brass-dark pl-3">
      Set for you, by {set.due}
      {set.jobName !== undefined && `, about ${set.jobName}`}:{' '}
      {set.kinds.map((k, i) => (
        <span key={k}>
          {i > 0 && ', '}
          {isExerciseKind(k) && (set.jobId === undefined || set.jobId === jobId) ? (
            <button type="button" className="link" onClick={() => onPick(k)}>
              {practisedTitle(k)}
            </button>
          ) : (
            <Link
              className="link"
              href={isExerciseKind(k) ? `/practice?job=${set.jobId}&kind=${k}` : HANDS_AT[k]}
              prefetch={false}
            >
              {practisedTitle(k)}
            </Link>
          )}
          {done.some((p) => p.kind === k && p.right && (set.jobId === undefined || p.jobId === set.jobId)) && ' ✓'}
        </span>
      ))}
    </p>
  ));
}

/** Where one stands with a kind, in a few words. */
function standingWords(s: Standing | undefined, at: (iso: string, as: 'day') => string): string {
  if (!s || s.done === 0) return 'not yet';
  const sure = s.isSure ? '✓ sure' : `${s.right} of ${s.done} right`;
  return s.due === undefined ? sure : `${sure}, again ${at(s.due, 'day')}`;
}
