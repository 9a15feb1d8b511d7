'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { assignment, type Assignment, type PractisedInput } from '@/contracts/practice';
import { MISTAKES } from '@/core/practice/exercise';
import { KINDS_TO_LEARN, PRACTISED_KINDS, practisedTitle, type PractisedKind } from '@/core/practice/kinds-of-exercise';
import { keepsWrong } from '@/core/practice/keeps-wrong';
import { standingOf } from '@/core/practice/learner';
import { TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { PracticeTabs } from './practice-tabs';

interface Props {
  practised: readonly PractisedInput[];
  assignments: readonly Assignment[];
}

/** Who stands where and on which mistake, by name and not by rank; what is set, and by when. */
export function ClassView({ practised, assignments }: Props) {
  const router = useRouter();
  const [fault, setFault] = useState<string>();
  const people = useMemo(() => {
    const names = [...new Set(practised.map((p) => p.who))].sort((a, b) => a.localeCompare(b));
    return names.map((who) => {
      const own = practised.filter((p) => p.who === who);
      return { who, own, standing: standingOf(own), wrong: keepsWrong(own) };
    });
  }, [practised]);
  const change = async (method: 'PUT' | 'DELETE', path: string, body?: unknown): Promise<void> => {
    const sent = await send(method, path, body);
    setFault(sent.ok ? undefined : sent.fault);
    router.refresh();
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
        onSet={(one) => void change('PUT', '/api/v1/practice/assignments', one)}
      />
      {assignments.length > 0 && (
        <section aria-label="Set">
          <h2 className="font-cond text-xl font-semibold">Set</h2>
          <ul className="plate divide-y divide-steel-200">
            {assignments.map((a) => (
              <li key={a.id} className="flex flex-wrap items-center gap-x-3 px-3 py-1">
                <span className="min-w-0 flex-1">
                  <b>{a.names.length === 0 ? 'Everybody' : a.names.join(', ')}</b>, by {a.due}:{' '}
                  {a.kinds.map(practisedTitle).join(', ')}
                </span>
                <button
                  type="button"
                  className="link min-h-11"
                  onClick={() => void change('DELETE', `/api/v1/practice/assignments/${a.id}`)}
                >
                  Take back
                </button>
              </li>
            ))}
          </ul>
        </section>
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

/** Chooses exercises, for whom, and by when. */
function SetWork({ names, onSet }: { names: readonly string[]; onSet: (one: Assignment) => void }) {
  const [kinds, setKinds] = useState<readonly PractisedKind[]>([]);
  const [who, setWho] = useState<readonly string[]>([]);
  const [due, setDue] = useState('');
  const toggle = <T,>(list: readonly T[], one: T): T[] =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
  return (
    <details className="plate p-3">
      <summary className="link min-h-11 content-center text-lg">Set exercises</summary>
      <fieldset className="mt-2 flex flex-wrap gap-x-4">
        <legend className="label">Exercises</legend>
        {PRACTISED_KINDS.map((k) => (
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
          disabled={kinds.length === 0 || !isDay(due)}
          onClick={() => {
            onSet({ id: uuidv7(), kinds: [...kinds], names: [...who], due });
            setKinds([]);
          }}
        >
          Set
        </button>
      </div>
    </details>
  );
}
