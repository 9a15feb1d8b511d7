'use client';

import { useState } from 'react';
import type { JobFeature } from '@/contracts/job';
import type { RouteSettings } from '@/contracts/route';
import { ORDER_REASONS } from '@/core/route/work-item';
import { SelectField } from '@/ui/field';

interface Props {
  features: readonly JobFeature[];
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
}

type Why = keyof typeof ORDER_REASONS;

/** Features that wait for others: guided, match-drilled, to be missed, transferred, before a cut. */
export function OrderPanel({ features, settings, decide }: Props) {
  const [first, setFirst] = useState('');
  const [then, setThen] = useState('');
  const [why, setWhy] = useState<Why>('guides');
  const name = (id: string): string => {
    const feature = features.find((f) => f.id === id);
    return feature ? `${feature.letter} ${feature.question.callout}` : 'gone';
  };
  const orders = settings.after ?? [];
  if (features.length < 2) return null;
  const choices = features.map((f) => (
    <option key={f.id} value={f.id}>
      {name(f.id)}
    </option>
  ));
  return (
    <section aria-label="What comes first" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">What comes first</h2>
      <ul>
        {orders.map((o) => (
          <li
            key={`${o.first} ${o.then}`}
            className="flex flex-wrap items-center gap-x-3 border-t border-steel-200 py-1 text-[15px] first:border-0"
          >
            <span className="min-w-0 flex-1">
              <strong>{name(o.first)}</strong> before <strong>{name(o.then)}</strong>: {ORDER_REASONS[o.why]}
            </span>
            <button
              type="button"
              className="btn h-9"
              onClick={() =>
                decide((s) => ({
                  ...s,
                  after: s.after?.filter((x) => x !== o && !(x.first === o.first && x.then === o.then)),
                }))
              }
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-2">
        <SelectField label="First" value={first} onChange={setFirst}>
          <option value="">pick</option>
          {choices}
        </SelectField>
        <SelectField label="Then" value={then} onChange={setThen}>
          <option value="">pick</option>
          {choices}
        </SelectField>
        <SelectField label="because the first" value={why} onChange={(w) => setWhy(w as Why)}>
          {Object.entries(ORDER_REASONS).map(([id, text]) => (
            <option key={id} value={id}>
              {text}
            </option>
          ))}
        </SelectField>
        <button
          type="button"
          className="btn self-end"
          disabled={first === '' || then === '' || first === then}
          onClick={() => {
            decide((s) => ({
              ...s,
              after: [...(s.after ?? []).filter((o) => !(o.first === first && o.then === then)), { first, then, why }],
            }));
            setFirst('');
            setThen('');
          }}
        >
          Add
        </button>
      </div>
    </section>
  );
}
