'use client';

import { useState } from 'react';
import type { JobFeature } from '@/contracts/job';
import type { RouteSettings } from '@/contracts/route';
import type { CutBetween } from '@/core/route/work-item';
import { SelectField, TextField } from '@/ui/field';
import { v7 as uuidv7 } from 'uuid';

interface Props {
  features: readonly JobFeature[];
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
}

const PLACES = { '': 'either', first: 'before the cut', finish: 'last tap after it', then: 'after the cut' } as const;
type When = keyof typeof PLACES;
const placesOf = Object.keys(PLACES).filter((p): p is Exclude<When, ''> => p !== '');

/** Cuts that come between drilling and tapping: sawn apart, faced, opened; which features wait for them. */
export function CutsPanel({ features, settings, decide }: Props) {
  const [name, setName] = useState('');
  const [minutes, setMinutes] = useState('');
  const cuts = settings.cuts ?? [];
  const long = Number(minutes.replace(',', '.'));
  const ready = name.trim() !== '' && minutes.trim() !== '' && long >= 0 && long <= 10000;
  const whenOf = (cut: CutBetween, id: string): When => placesOf.find((p) => cut[p]?.includes(id)) ?? '';
  const setWhen = (cut: CutBetween, id: string, when: When): void =>
    decide((s) => ({
      ...s,
      cuts: s.cuts?.map((c) =>
        c.id !== cut.id
          ? c
          : {
              ...c,
              ...Object.fromEntries(
                placesOf.map((p) => [p, [...(c[p] ?? []).filter((f) => f !== id), ...(p === when ? [id] : [])]]),
              ),
            },
      ),
    }));
  if (features.length === 0) return null;
  return (
    <section aria-label="Cuts in between" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">Cuts in between</h2>
      {cuts.length === 0 && (
        <p className="text-[15px]">Where the part is sawn apart, faced or opened before the holes are finished.</p>
      )}
      {cuts.map((cut) => (
        <fieldset key={cut.id} className="border-t border-steel-200 pt-2">
          <legend className="sr-only">{cut.name}</legend>
          <p className="flex items-center gap-3 text-[15px]">
            <strong className="min-w-0 flex-1">
              {cut.name}, {cut.minutes} min
            </strong>
            <button
              type="button"
              className="btn h-11 sm:h-9"
              onClick={() => decide((s) => ({ ...s, cuts: s.cuts?.filter((c) => c.id !== cut.id) }))}
            >
              Remove
            </button>
          </p>
          <div className="grid grid-cols-2 gap-2">
            {features.map((f) => (
              <SelectField
                key={f.id}
                label={`${f.letter} ${f.question.callout}`}
                value={whenOf(cut, f.id)}
                onChange={(w) => setWhen(cut, f.id, w as When)}
              >
                {Object.entries(PLACES).map(([id, text]) => (
                  <option key={id} value={id}>
                    {text}
                  </option>
                ))}
              </SelectField>
            ))}
          </div>
        </fieldset>
      ))}
      <div className="grid grid-cols-[1fr_110px_auto] items-end gap-2">
        <TextField label="What is cut" value={name} onChange={setName} placeholder="Saw apart" />
        <TextField label="Minutes a part" value={minutes} onChange={setMinutes} />
        <button
          type="button"
          className="btn"
          disabled={!ready}
          onClick={() => {
            decide((s) => ({ ...s, cuts: [...(s.cuts ?? []), { id: uuidv7(), name: name.trim(), minutes: long }] }));
            setName('');
            setMinutes('');
          }}
        >
          Add
        </button>
      </div>
    </section>
  );
}
