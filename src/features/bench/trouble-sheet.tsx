'use client';

import { useState } from 'react';
import { quantity } from '@/core/answer/answer';
import { adviseFromChips, CHIP_SIGNS, type ChipSign } from '@/core/cutting/chips-adviser';
import type { HolePlan } from '@/core/hole/hole-plan';
import { remedyFor } from '@/core/hole/remedies';
import type { BenchKind, BodyOf, RemedyChange } from '@/core/run/bench-record';
import type { ChoiceChange } from '@/core/run/choice-change';
import { CHOICES, type Choice } from '@/core/gauging/verdict';
import type { Operation } from '@/core/operation/operation';
import { brokenTap, causesOf, SIGNS, type Sign, type TroubleCase } from '@/core/tapping/trouble';
import { showText, tell, type Display } from '@/core/units/show';

interface Props {
  plan: HolePlan;
  op: Operation;
  part: number;
  display: Display;
  record: <K extends BenchKind>(kind: K, body: BodyOf<K>) => void;
  /** What a choice changes of how this hole is made. */
  changeOf: (choice: Choice) => ChoiceChange | undefined;
  onPosition?: () => void;
  /** Address where a punch mark is measured, for a hole that is laid out. */
  marksAt?: string;
  onClose: () => void;
}

const caseOf = (plan: HolePlan): TroubleCase | undefined =>
  plan.thread && {
    way: plan.thread.tapping.best,
    kind: plan.thread.kind,
    dry: plan.dry && !plan.material.runsDry,
    through: plan.thread.at.through,
  };

const AFTER_BREAK: Choice[] = ['clean', 'larger', 'scrap'];

interface RemedyKeysProps {
  label: string;
  onApply: (scope: 'hole' | 'rest') => void;
}

const RemedyKeys = ({ label, onApply }: RemedyKeysProps) => (
  <div className="mt-1 flex flex-wrap gap-2">
    <button type="button" className="bench-key bench-next" onClick={() => onApply('hole')}>
      {label}: this hole
    </button>
    <button type="button" className="bench-key" onClick={() => onApply('rest')}>
      and the rest
    </button>
  </div>
);

/** What is seen, heard or felt: causes for this hole, and a remedy for it or for it and the rest. */
export function TroubleSheet({ plan, op, part, display, record, changeOf, onPosition, marksAt, onClose }: Props) {
  const [chips, setChips] = useState<ChipSign>();
  const [sign, setSign] = useState<Sign>();
  const { cut } = op;
  const picked = chips !== undefined || sign !== undefined;
  const at = op.tap ? caseOf(plan) : undefined;
  function remedy(label: string, change: RemedyChange, scope: 'hole' | 'rest'): void {
    record('remedy', { part, scope, label, change });
    onClose();
  }
  const rpm = cut && (cut.speed.ok ? cut.speed.value.rpm : cut.ideal.value);
  const advice =
    cut && chips && rpm !== undefined
      ? adviseFromChips(chips, { rpm, feed: cut.feed.value, idealRpm: cut.ideal.value }, plan.material, plan.machine)
      : undefined;
  const over = advice && {
    ...(advice.speed.ok && advice.moved.speed !== 0 ? { rpm: advice.speed.value.rpm } : {}),
    ...(advice.moved.feed !== 0 ? { feed: Number(advice.feed.toFixed(3)) } : {}),
  };
  const overLabel = over && [
    over.rpm !== undefined ? showText(quantity(over.rpm, 'rpm'), display) : '',
    over.feed !== undefined ? `feed ${showText(quantity(over.feed, 'mm/rev'), display)}` : '',
  ];
  const broken = sign === 'broken' && at ? brokenTap(at) : undefined;
  const larger = broken && changeOf('larger')?.says;
  const causes = at && sign && sign !== 'broken' ? causesOf(sign, at) : [];
  return (
    <section aria-label="Trouble" className="flex flex-1 flex-col gap-3 overflow-auto">
      <h1 className="font-cond text-[48px] leading-none font-semibold">What do you see, hear or feel?</h1>
      <div className="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {cut &&
          (Object.keys(CHIP_SIGNS) as ChipSign[])
            .filter((id) => !picked || id === chips)
            .map((id) => (
              <button
                key={id}
                type="button"
                aria-pressed={chips === id}
                className={`bench-key first-letter:uppercase ${chips === id ? 'bench-next' : ''}`}
                onClick={() => {
                  setChips(id);
                  record('chip-seen', { part, chips: id });
                }}
              >
                {CHIP_SIGNS[id]}
              </button>
            ))}
        {cut && !picked && (
          <button
            type="button"
            className="bench-key"
            onClick={() => {
              record('drill-dull', { part, tool: cut.spec.tool.name });
              onClose();
            }}
          >
            The drill is dull: changed
          </button>
        )}
        {at &&
          (Object.keys(SIGNS) as Sign[])
            .filter((id) => !picked || id === sign)
            .map((id) => (
              <button
                key={id}
                type="button"
                aria-pressed={sign === id}
                className={`bench-key ${sign === id ? 'bench-next' : ''}`}
                onClick={() => {
                  setSign(id);
                  if (id === 'broken') record('tap-broken', { part, tap: op.tap?.tap.name ?? '' });
                  else record('tap-felt', { part, sign: id });
                }}
              >
                {SIGNS[id]}
              </button>
            ))}
        {picked && (
          <button type="button" className="bench-key" onClick={() => (setChips(undefined), setSign(undefined))}>
            Another sign
          </button>
        )}
        {marksAt && (
          <a className="bench-key" href={marksAt}>
            The punch mark is off: measure it
          </a>
        )}
        {onPosition && !picked && (
          <button type="button" className="bench-key" onClick={onPosition}>
            Off its place
          </button>
        )}
      </div>
      {advice && (
        <div className="text-[24px] leading-snug">
          <p className="font-bold">{tell(advice.reason, display)}</p>
          <p>{tell(advice.look, display)}</p>
          {over && Object.keys(over).length > 0 && (
            <RemedyKeys
              label={overLabel?.filter(Boolean).join(', ') ?? ''}
              onApply={(scope) => remedy(tell(advice.reason, display), { overrides: { [op.key]: over } }, scope)}
            />
          )}
        </div>
      )}
      <ol>
        {causes.map((c) => {
          const found = c.change === 'none' ? undefined : remedyFor(c.change, plan);
          return (
            <li
              key={c.cause.text}
              className="border-t py-2 text-[22px] leading-snug"
              style={{ borderColor: 'var(--bench-line)' }}
            >
              <strong>{tell(c.cause, display)}</strong> {tell(c.remedy, display)}
              {found && (
                <RemedyKeys
                  label={tell(found.label, display)}
                  onApply={(scope) => remedy(tell(found.label, display), found.change as RemedyChange, scope)}
                />
              )}
            </li>
          );
        })}
      </ol>
      {broken && (
        <div className="text-[22px] leading-snug">
          <ul className="list-disc pl-6 font-bold">
            {broken.first.map((p) => (
              <li key={p.text}>{tell(p, display)}</li>
            ))}
          </ul>
          <ol className="mt-2 list-decimal pl-8">
            {broken.waysOut.map((w) => (
              <li key={w.label.text}>{tell(w.label, display)}</li>
            ))}
          </ol>
          <p>{tell(broken.part, display)}</p>
          {larger && (
            <p>
              {CHOICES.larger.label}: {tell(larger, display)}
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            {AFTER_BREAK.map((choice) => (
              <button
                key={choice}
                type="button"
                className="bench-key"
                onClick={() => {
                  record('decision', { part, choice, change: changeOf(choice)?.change });
                  onClose();
                }}
              >
                {choice === 'clean' ? 'It is out: carry on' : CHOICES[choice].label}
              </button>
            ))}
            <button type="button" className="bench-key" onClick={onClose}>
              Decide later
            </button>
          </div>
        </div>
      )}
      <div className="mt-auto flex gap-2">
        <button type="button" className="bench-key flex-1" onClick={onClose}>
          Back to the step
        </button>
      </div>
    </section>
  );
}
