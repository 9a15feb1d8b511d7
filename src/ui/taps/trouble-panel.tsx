'use client';

import { useState } from 'react';
import type { AskForm } from '@/core/hole/form';
import type { HolePlan } from '@/core/hole/hole-plan';
import { remedyFor } from '@/core/hole/remedies';
import { brokenTap } from '@/core/tapping/broken-tap';
import { causesOf, SIGNS, signsAt, type Sign, type TroubleCase } from '@/core/tapping/trouble';
import { tell, type Display } from '@/core/units/show';
import { SelectField } from '../field';

interface Props {
  plan: HolePlan;
  display: Display;
  change: (part: Partial<AskForm>) => void;
}

const likely = (weight: number): string => (weight >= 0.7 ? 'likely' : weight >= 0.4 ? 'possible' : 'less likely');

/** What is seen or felt at the tap: causes ranked by this hole’s own figures, each with a remedy in one step. */
export default function TroublePanel({ plan, display, change }: Props) {
  const [sign, setSign] = useState<Sign | ''>('');
  const [done, setDone] = useState<string>();
  if (!plan.thread) return null;
  const at: TroubleCase = {
    way: plan.thread.tapping.best,
    kind: plan.thread.kind,
    dry: plan.dry && !plan.material.runsDry,
    through: plan.thread.at.through,
  };
  const broken = sign === 'broken' ? brokenTap(at) : undefined;
  const causes = sign === '' || sign === 'broken' ? [] : causesOf(sign, at);
  return (
    <div className="flex max-w-3xl flex-col gap-2">
      <SelectField
        label="What is wrong"
        value={sign}
        onChange={(s) => {
          setSign(s as Sign | '');
          setDone(undefined);
        }}
        className="max-w-md"
      >
        <option value="">pick what you see or feel</option>
        {signsAt(at).map((id) => (
          <option key={id} value={id}>
            {SIGNS[id]}
          </option>
        ))}
      </SelectField>
      {done && <p role="status">Changed: {done}.</p>}
      <ol>
        {causes.map((c) => {
          const remedy = c.change === 'none' ? undefined : remedyFor(c.change, plan);
          return (
            <li
              key={c.cause.text}
              className="flex flex-wrap items-center gap-x-3 border-t border-steel-200 py-1.5 first:border-0"
            >
              <span className="min-w-0 flex-1 basis-72">
                <strong>{tell(c.cause, display)}</strong> <span className="text-steel-700">{likely(c.weight)}</span>
                <span className="block text-[15px]">{tell(c.remedy, display)}</span>
              </span>
              {remedy && (
                <button
                  type="button"
                  className="btn h-11 sm:h-9"
                  onClick={() => {
                    setDone(tell(remedy.label, display));
                    change(remedy.change);
                  }}
                >
                  {tell(remedy.label, display)}
                </button>
              )}
            </li>
          );
        })}
      </ol>
      {broken && (
        <>
          <ul className="list-disc pl-5 font-bold">
            {broken.first.map((p) => (
              <li key={p.text}>{tell(p, display)}</li>
            ))}
          </ul>
          <h3 className="font-cond text-lg font-semibold">Ways out, best first for this hole</h3>
          <ol className="list-decimal pl-6">
            {broken.waysOut.map((w) => (
              <li key={w.label.text}>{tell(w.label, display)}</li>
            ))}
          </ol>
          <p>{tell(broken.part, display)}</p>
        </>
      )}
    </div>
  );
}
