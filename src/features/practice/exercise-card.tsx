'use client';

import Link from 'next/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { REASONS } from '@/core/answer/reasons';
import { judgeAnswer, type Asked, type Exercise, type Given, type Judged } from '@/core/practice/exercise';
import { EXERCISE_KINDS, type ExerciseKind } from '@/core/practice/kinds-of-exercise';
import { showText, tell, type Display } from '@/core/units/show';
import { useKeys } from '@/ui/keys';
import { Scene } from './scene';

interface Props {
  exercise: Exercise;
  display: Display;
  /** It was answered; told once. */
  onDone: (judged: Judged & { hints: number }) => void;
  onNext: () => void;
}

const UNIT = { mm: 'mm', turns: 'turns', threads: 'threads' } as const;

/** One exercise: the question, what decides it, an answer by pointer or by keys, and why at once. */
export function ExerciseCard({ exercise, display, onDone, onNext }: Props) {
  const { ask, facts, asked, hints, scene, kind, reason } = exercise;
  const [shown, setShown] = useState(0);
  const [given, setGiven] = useState<Given>();
  const judged = useMemo(() => (given === undefined ? undefined : judgeAnswer(exercise, given)), [exercise, given]);
  const told = useRef<HTMLParagraphElement>(null);
  useEffect(() => told.current?.focus(), [judged]);
  const answer = (value: Given): void => {
    if (given !== undefined) return;
    setGiven(value);
    onDone({ ...judgeAnswer(exercise, value), hints: shown });
  };
  const choices = asked.by === 'choice' ? asked.choices : [];
  useKeys(
    Object.fromEntries([
      ...choices.map((c, i) => [String(i + 1), () => answer(c.id)] as const),
      ['h', () => setShown((n) => Math.min(hints.length, n + 1))] as const,
    ]),
  );
  // Facts stand in the reader’s unit, and so does the answer; a scale is read in its own.
  const inInch = asked.by === 'figure' && asked.unit === 'mm' && display === 'inch' && !scene;
  return (
    <section aria-label={EXERCISE_KINDS[kind as ExerciseKind].title} className="plate flex flex-col gap-3 p-4">
      <h2 className="font-cond text-2xl font-semibold">{tell(ask, display)}</h2>
      {scene && <Scene scene={scene} />}
      {facts.length > 0 && (
        <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1">
          {facts.map(({ label, value: of }) => (
            <div key={label} className="contents">
              <dt className="text-steel-700">{label}</dt>
              <dd className="font-semibold">{'text' in of ? tell(of, display) : showText(of, display)}</dd>
            </div>
          ))}
        </dl>
      )}
      {asked.by === 'choice' ? (
        <Choices asked={asked} given={given} display={display} onAnswer={answer} />
      ) : (
        <Figure unit={asked.unit} inInch={inInch} isGiven={given !== undefined} onAnswer={answer} />
      )}
      {judged ? (
        <div className={`border-l-4 pl-3 ${judged.right ? 'border-l-pass' : 'border-l-brass-dark'}`}>
          <p ref={told} tabIndex={-1} role="status" className="text-lg outline-none">
            <b className={judged.right ? 'text-pass' : 'text-brass-dark'}>{judged.right ? '✓ Right.' : '✕ Not so.'}</b>{' '}
            {tell(judged.says, display)}
          </p>
          <p className="text-[15px]">
            {REASONS[reason].says}{' '}
            <Link className="link" href={`/practice/why?rule=${reason}`} prefetch={false}>
              Open the why page
            </Link>
          </p>
          <button type="button" className="btn-next mt-2" onClick={onNext}>
            Next exercise
          </button>
        </div>
      ) : (
        <div className="text-[15px]">
          {hints.slice(0, shown).map((h) => (
            <p key={h.text}>{tell(h, display)}</p>
          ))}
          {shown < hints.length && (
            <button type="button" className="link min-h-11" onClick={() => setShown(shown + 1)}>
              {shown === 0 ? 'A hint' : 'Another hint'}{' '}
              <kbd className="ml-1 rounded-sm border border-steel-500 px-1 font-cond">H</kbd>
            </button>
          )}
        </div>
      )}
    </section>
  );
}

interface ChoicesProps {
  asked: Extract<Asked, { by: 'choice' }>;
  given?: Given;
  display: Display;
  onAnswer: (id: string) => void;
}

/** Answers to choose from, each with the key that gives it; afterwards the best are marked. */
function Choices({ asked, given, display, onAnswer }: ChoicesProps) {
  return (
    <ol className="flex flex-col gap-2">
      {asked.choices.map((c, i) => {
        const isBest = asked.best.includes(c.id);
        const mark = given === undefined ? '' : isBest ? '✓ ' : c.id === given ? '✕ ' : '';
        return (
          <li key={c.id}>
            <button
              type="button"
              className={`flex min-h-11 w-full items-center gap-3 rounded-sm border px-3 py-1 text-left ${given !== undefined && isBest ? 'border-pass font-bold' : c.id === given ? 'border-brass-dark' : 'border-steel-500 bg-white'}`}
              aria-disabled={given !== undefined}
              onClick={() => onAnswer(c.id)}
            >
              <kbd className="rounded-sm border border-steel-500 px-1.5 font-cond">{i + 1}</kbd>
              <span>
                {mark}
                {tell(c.says, display)}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

interface FigureProps {
  unit: Extract<Asked, { by: 'figure' }>['unit'];
  inInch: boolean;
  isGiven: boolean;
  /** @param value in the unit that is asked for */
  onAnswer: (value: number) => void;
}

/** A figure to be typed. */
function Figure({ unit, inInch, isGiven, onAnswer }: FigureProps) {
  const [typed, setTyped] = useState('');
  const value = Number(typed.trim().replace(',', '.')) * (inInch ? 25.4 : 1);
  const isRead = typed.trim() !== '' && Number.isFinite(value);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (isRead) onAnswer(value);
      }}
    >
      <label className="flex flex-col gap-1">
        <span className="label">Your answer, {inInch ? 'in' : UNIT[unit]}</span>
        <input
          className="field w-40"
          inputMode="decimal"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          readOnly={isGiven}
          autoComplete="off"
        />
      </label>
      <button type="submit" className="btn" disabled={!isRead || isGiven}>
        Answer
      </button>
      {typed.trim() !== '' && !isRead && (
        <p role="alert" className="text-danger">
          “{typed}” is no number. Enter one such as {inInch ? '0.492' : '12.5'}.
        </p>
      )}
    </form>
  );
}
