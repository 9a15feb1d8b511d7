'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { assignment, type Assignment, type AssignmentSeen, type PractisedInput } from '@/contracts/practice';
import { MISTAKES } from '@/core/practice/exercise';
import {
  isExerciseKind,
  KINDS_OF_A_HOLE,
  KINDS_TO_LEARN,
  PRACTISED_KINDS,
  practisedTitle,
  type PractisedKind,
} from '@/core/practice/kinds-of-exercise';
import { keepsWrong } from '@/core/practice/keeps-wrong';
import { standingOf } from '@/core/practice/learner';
import { SelectField, TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { PracticeTabs } from './practice-tabs';

interface JobName {
  id: string;
  name: string;
}

interface Props {
  practised: readonly PractisedInput[];
  assignments: readonly AssignmentSeen[];
  /** Jobs that exercises can be about. */
  jobs: readonly JobName[];
}

/** Who stands where and on which mistake, by name and not by rank; what is set, and by when. */
export function ClassView({ practised, assignments, jobs }: Props) {
  const router = useRouter();
  const [fault, setFault] = useState<string>();
  const people = useMemo(() => {
    const names = [...new Set(practised.map((p) => p.who))].sort((a, b) => a.localeCompare(b));
    return names.map((who) => {
      const own = practised.filter((p) => p.who === who);
      return { who, own, standing: standingOf(own), wrong: keepsWrong(own) };
    });
  }, [practised]);
  /** @returns whether the server took it */
  const change = async (method: 'PUT' | 'DELETE', path: string, body?: unknown): Promise<boolean> => {
    const sent = await send(method, path, body);
    setFault(sent.ok ? undefined : sent.fault);
    router.refresh();
    return sent.ok;
  };
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-4 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">Class</h1>
        <PracticeTabs here="/practice/class" />
      </div>
      {fault && (
        <p role="alert" className="text-danger">
          {fault}
        </p>
      )}
      <SetWork
        names={people.map((p) => p.who)}
        jobs={jobs}
        onSet={(one) => change('PUT', '/api/v1/practice/assignments', one)}
      />
      {assignments.length > 0 && (
        <SetList
          assignments={assignments}
          seed={sheetSeed(practised.length)}
          onTakeBack={(id) => void change('DELETE', `/api/v1/practice/assignments/${id}`)}
        />
      )}
      <section aria-label="Who stands where" className="flex flex-col gap-2">
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="mr-auto font-cond text-xl font-semibold">Who stands where</h2>
          <a className="btn" href="/practice.csv">
            CSV
          </a>
          <a className="btn" href={`/practice/sheet?seed=${sheetSeed(practised.length)}`}>
            Sheet to print
          </a>
        </div>
        {people.length === 0 ? (
          <p role="status" className="text-lg">
            Nobody has practised yet. Each enters a name in Practice; what they do stands here.
          </p>
        ) : (
          <ul className="flex flex-col gap-2">
            {people.map(({ who, own, standing, wrong }) => (
              <li key={who} className="plate p-3">
                <div className="flex flex-wrap items-baseline gap-x-4">
                  <b className="font-cond text-xl">{who}</b>
                  <span>
                    {standing.filter((s) => s.isSure).length} of {KINDS_TO_LEARN.length} sure, {own.length} done
                  </span>
                  {wrong.length > 0 && <span>keeps going wrong: {wrong.map((m) => MISTAKES[m]).join('; ')}</span>}
                  <RemoveName
                    who={who}
                    onRemove={() => void change('DELETE', `/api/v1/practice/names/${encodeURIComponent(who)}`)}
                  />
                </div>
                <ul className="mt-1 flex flex-wrap gap-1 text-[14px]">
                  {standing
                    .filter((s) => s.done > 0)
                    .map((s) => (
                      <li key={s.kind} className="rounded-sm border border-steel-300 bg-white px-2 py-0.5">
                        {s.isSure ? '✓ ' : ''}
                        {practisedTitle(s.kind)}: {s.right} of {s.done}
                      </li>
                    ))}
                </ul>
              </li>
            ))}
          </ul>
        )}
      </section>
    </main>
  );
}

/** Another sheet as the class goes on. */
const sheetSeed = (done: number): number => 1 + done;

interface SetListProps {
  assignments: readonly AssignmentSeen[];
  seed: number;
  onTakeBack: (id: string) => void;
}

/** A sheet of the exercises that are set; hands are not done on paper. */
const onPaper = ({ kinds, jobId }: Assignment, seed: number): string =>
  `/practice/sheet?${new URLSearchParams({ seed: String(seed), kinds: kinds.join(), ...(jobId ? { job: jobId } : {}) })}`;

/** What is set, for whom, by when and about which job. */
function SetList({ assignments, seed, onTakeBack }: SetListProps) {
  return (
    <section aria-label="Set">
      <h2 className="font-cond text-xl font-semibold">Set</h2>
      <ul className="plate divide-y divide-steel-200">
        {assignments.map((a) => (
          <li key={a.id} className="flex flex-wrap items-center gap-x-3 px-3 py-1">
            <span className="min-w-0 flex-1">
              <b>{a.names.length === 0 ? 'Everybody' : a.names.join(', ')}</b>, by {a.due}
              {a.jobName !== undefined && `, about ${a.jobName}`}: {a.kinds.map(practisedTitle).join(', ')}
            </span>
            {a.kinds.some(isExerciseKind) && (
              <a className="link content-center min-h-11" href={onPaper(a, seed)}>
                On paper
              </a>
            )}
            <button type="button" className="link min-h-11" onClick={() => onTakeBack(a.id)}>
              Take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A name goes with all that was done under it, once that was asked for twice. */
function RemoveName({ who, onRemove }: { who: string; onRemove: () => void }) {
  const [asked, setAsked] = useState(false);
  return asked ? (
    <span className="ml-auto flex items-center gap-3">
      Remove {who} and everything done under that name?
      <button type="button" className="btn" onClick={onRemove}>
        Remove
      </button>
      <button type="button" className="link min-h-11" onClick={() => setAsked(false)}>
        Keep
      </button>
    </span>
  ) : (
    <button type="button" className="link ml-auto min-h-11" onClick={() => setAsked(true)} aria-label={`Remove ${who}`}>
      Remove
    </button>
  );
}

const isDay = (text: string): boolean => assignment.shape.due.safeParse(text).success;

interface SetWorkProps {
  names: readonly string[];
  jobs: readonly JobName[];
  /** Resolves to whether it was taken: what was chosen stays where it was not. */
  onSet: (one: Assignment) => Promise<boolean>;
}

/** Chooses exercises, about what, for whom, and by when. */
function SetWork({ names, jobs, onSet }: SetWorkProps) {
  const [kinds, setKinds] = useState<readonly PractisedKind[]>([]);
  const [who, setWho] = useState<readonly string[]>([]);
  const [due, setDue] = useState('');
  const [jobId, setJobId] = useState('');
  const offered: readonly PractisedKind[] = jobId === '' ? PRACTISED_KINDS : KINDS_OF_A_HOLE;
  const chosen = kinds.filter((k) => offered.includes(k));
  const toggle = <T,>(list: readonly T[], one: T): T[] =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
  return (
    <details className="plate p-3">
      <summary className="link min-h-11 content-center text-lg">Set exercises</summary>
      <SelectField label="About" value={jobId} onChange={setJobId} className="mt-2 max-w-md">
        <option value="">any hole of the shop</option>
        {jobs.map((j) => (
          <option key={j.id} value={j.id}>
            the holes of {j.name}
          </option>
        ))}
      </SelectField>
      <fieldset className="mt-2 flex flex-wrap gap-x-4">
        <legend className="label">Exercises</legend>
        {offered.map((k) => (
          <label key={k} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={kinds.includes(k)}
              onChange={() => setKinds(toggle(kinds, k))}
            />
            {practisedTitle(k)}
          </label>
        ))}
      </fieldset>
      {names.length > 0 && (
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="label">For; everybody where none is chosen</legend>
          {names.map((n) => (
            <label key={n} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={who.includes(n)}
                onChange={() => setWho(toggle(who, n))}
              />
              {n}
            </label>
          ))}
        </fieldset>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="By"
          value={due}
          onChange={setDue}
          placeholder="2026-12-24"
          error={due === '' || isDay(due) ? undefined : 'A date such as 2026-12-24.'}
          className="w-44"
        />
        <button
          type="button"
          className="btn"
          disabled={chosen.length === 0 || !isDay(due)}
          onClick={() =>
            void onSet({ id: uuidv7(), kinds: chosen, names: [...who], due, ...(jobId === '' ? {} : { jobId }) }).then(
              (taken) => taken && setKinds([]),
            )
          }
        >
          Set
        </button>
      </div>
    </details>
  );
}
