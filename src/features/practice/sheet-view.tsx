'use client';

import { useMemo } from 'react';
import { EXERCISE_KINDS, exerciseOf, KINDS_TO_LEARN, type ExerciseKind } from '@/core/practice/kinds-of-exercise';
import type { AskForm } from '@/core/hole/form';
import type { Exercise } from '@/core/practice/exercise';
import { wholeShop, type ShopWithCrib } from '@/core/shop/shop';
import { showText, tell, type Display } from '@/core/units/show';
import { useUnits } from '@/ui/units';
import { Scene } from './scene';

interface Props {
  shop: ShopWithCrib;
  seed: number;
  /** Every kind where left out. */
  kinds?: readonly ExerciseKind[];
  /** A job whose own holes they are about. */
  job?: { name: string; holes: AskForm[] };
}

/** Exercises on paper, their answers on another page. */
export function SheetView({ shop, seed, kinds = KINDS_TO_LEARN, job }: Props) {
  const { display } = useUnits();
  const exercises = useMemo(
    () =>
      kinds.flatMap((kind, i) => exerciseOf(kind, seed * 100 + i, { shop: wholeShop(shop), holes: job?.holes }) ?? []),
    [shop, seed, kinds, job],
  );
  return (
    <main id="main" className="mx-auto flex max-w-[800px] flex-col gap-4 bg-white p-6">
      <div className="flex items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">
          Exercises{job && ` for ${job.name}`}, sheet {seed}
        </h1>
        <button type="button" className="btn print:hidden" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <p className="border-b border-steel-500 pb-1">Name:</p>
      <ol className="flex list-decimal flex-col gap-5 pl-6">
        {exercises.map((e) => (
          <li key={e.kind} className="break-inside-avoid">
            <Asked exercise={e} display={display} />
          </li>
        ))}
      </ol>
      <section className="break-before-page" aria-label="Answers">
        <h2 className="font-cond text-2xl font-semibold">Answers, sheet {seed}</h2>
        <ol className="flex list-decimal flex-col gap-2 pl-6">
          {exercises.map((e) => (
            <li key={e.kind}>
              <b>{rightOf(e, display)}</b> {whyOf(e, display)}
            </li>
          ))}
        </ol>
      </section>
    </main>
  );
}

function Asked({ exercise: { ask, facts, asked, scene, kind }, display }: { exercise: Exercise; display: Display }) {
  return (
    <>
      <p className="text-lg">
        <span className="label mr-2">{EXERCISE_KINDS[kind as keyof typeof EXERCISE_KINDS].title}</span>
        <b>{tell(ask, display)}</b>
      </p>
      {scene && <Scene scene={scene} />}
      {facts.length > 0 && (
        <p>
          {facts
            .map(({ label, value }) => `${label}: ${'text' in value ? tell(value, display) : showText(value, display)}`)
            .join('; ')}
          .
        </p>
      )}
      {asked.by === 'choice' ? (
        <ul>
          {asked.choices.map((c) => (
            <li key={c.id}>☐ {tell(c.says, display)}</li>
          ))}
        </ul>
      ) : (
        <p>Answer: ____________ {asked.unit}</p>
      )}
    </>
  );
}

const rightOf = ({ asked }: Exercise, display: Display): string =>
  asked.by === 'figure'
    ? `${Number(asked.value.toFixed(2))} ${asked.unit}.`
    : `${asked.choices
        .filter((c) => asked.best.includes(c.id))
        .map((c) => tell(c.says, display))
        .join(', or ')}.`;

const whyOf = ({ asked }: Exercise, display: Display): string =>
  tell(
    asked.by === 'figure' ? asked.why : (asked.choices.find((c) => c.id === asked.best[0])?.why ?? { text: '' }),
    display,
  );
