'use client';

import { useState } from 'react';
import type { Drill } from '@/core/drills/drill';
import type { OperationEdits } from '@/core/operation/edits';
import type { Operation } from '@/core/operation/operation';
import type { OperationOverride } from '@/core/operation/override';
import { parseLength } from '@/core/units/length';
import { show, tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { Working } from '@/ui/working';
import type { HolesState } from './use-holes';

interface DetailsProps {
  op: Operation;
  state: HolesState;
  display: Display;
  onMissing?: (drill: Drill) => void;
  onDrop: () => void;
}

/** A step opened: its words, its figures with their workings, and every figure that can be set. */
export function Details({ op, state, display, onMissing, onDrop }: DetailsProps) {
  const { cut } = op;
  const over = state.group?.holes[0].edits?.overrides?.[op.key];
  const set = (part: OperationOverride): void =>
    state.setEdits((e) => ({ ...e, overrides: { ...e.overrides, [op.key]: { ...e.overrides?.[op.key], ...part } } }));
  const putBack = (): void =>
    state.setEdits((e) => {
      const { [op.key]: _, ...rest } = e.overrides ?? {};
      return { ...e, overrides: rest };
    });
  return (
    <div className="flex flex-col gap-2 border-l-4 border-brass py-1 pr-1 pl-3 text-[15px]">
      {op.details.length > 0 && <p>{op.details.map((d) => tell(d, display)).join(' ')}</p>}
      {op.cautions
        .filter((c) => c.level === 'note')
        .map((c) => (
          <p key={c.code}>{tell(c, display)}</p>
        ))}
      {cut && cut.stop.length > 0 && op.code !== 'start' && op.code !== 'chamfer' && (
        <ul className="list-disc pl-5">
          {cut.stop.map((s, i) => (
            <li key={tell(s.order, display)} className={i === 0 ? 'font-bold' : ''}>
              {tell(s.order, display)}
            </li>
          ))}
        </ul>
      )}
      {cut && (
        <p className="flex flex-wrap gap-x-3">
          {(
            [
              ['ideal speed', cut.ideal],
              ['feed', cut.feed],
              ['travel', cut.travel],
              ['torque', cut.torque],
              ['force when it grabs', cut.grab?.force],
              ['time', op.time],
            ] as const
          ).map(
            ([name, of]) =>
              of && (
                <span key={name}>
                  {name} <Working of={of} name={name} display={display} />
                </span>
              ),
          )}
        </p>
      )}
      {op.choices && (
        <Choices
          choices={op.choices}
          display={display}
          onUse={(tool) => state.setEdits((e) => ({ ...e, tool: tool as OperationEdits['tool'] }))}
        />
      )}
      <div className="flex flex-wrap items-end gap-2">
        {cut && !op.inserted && <Overrides cut={cut} display={display} set={set} />}
        {over && (
          <button type="button" className="btn h-10" onClick={putBack}>
            Back to the plan’s figures
          </button>
        )}
        {onMissing && cut?.spec.drill && cut.spec.tool.owned && (
          <button type="button" className="btn h-10" onClick={() => cut.spec.drill && onMissing(cut.spec.drill)}>
            I don’t have this drill
          </button>
        )}
        <button type="button" className="btn h-10" onClick={onDrop}>
          Leave out
        </button>
      </div>
    </div>
  );
}

interface ChoicesProps {
  choices: NonNullable<Operation['choices']>;
  display: Display;
  onUse: (id: string) => void;
}

/** Tools that would do it, each with why. */
function Choices({ choices, display, onUse }: ChoicesProps) {
  return (
    <ul>
      {choices.map((c) => (
        <li key={c.id}>
          <strong>
            {c.used ? '● ' : '○ '}
            {c.label}
          </strong>{' '}
          {tell(c.why, display)}{' '}
          {c.possible && !c.used && (
            <button type="button" className="btn h-9" onClick={() => onUse(c.id)}>
              Use the {c.label}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

interface OverridesProps {
  cut: NonNullable<Operation['cut']>;
  display: Display;
  set: (part: OperationOverride) => void;
}

/** Figures of a cut that can be set. */
function Overrides({ cut, display, set }: OverridesProps) {
  return (
    <>
      <Override
        label="Speed, rev/min"
        value={(cut.speed.ok ? cut.speed.value.rpm : cut.ideal.value).toFixed(0)}
        read={(text) => {
          const value = Number(text.replace(',', '.'));
          return Number.isFinite(value) && value > 0 ? value : undefined;
        }}
        onSet={(rpm) => set({ rpm })}
      />
      <Override
        label={`Feed, ${show({ value: 1, unit: 'mm/rev' }, display).unit}`}
        value={show(cut.feed, display).number}
        read={(text) => {
          const value = Number(text.replace(',', '.')) * (display === 'inch' ? 25.4 : 1);
          return Number.isFinite(value) && value > 0 ? value : undefined;
        }}
        onSet={(feed) => set({ feed })}
      />
      {cut.spec.family === 'drill' && !cut.spec.through && (
        <Override
          label={`Full depth, ${display === 'inch' ? 'in' : 'mm'}`}
          value={show({ value: cut.spec.fullMm, unit: 'mm', places: 1 }, display).number}
          read={(text) => {
            const parsed = parseLength(text, display === 'inch' ? 'in' : 'mm');
            return parsed.ok && parsed.value.mm > 0 ? parsed.value.mm : undefined;
          }}
          onSet={(fullMm) => set({ fullMm })}
        />
      )}
      {cut.spec.family === 'drill' && (
        <Override
          label="Drill"
          value={cut.spec.drill?.label ?? ''}
          read={(text) => (text.trim() === '' ? undefined : text.trim())}
          onSet={(drill) => set({ drill })}
        />
      )}
    </>
  );
}

interface OverrideProps<T> {
  label: string;
  value: string;
  read: (text: string) => T | undefined;
  onSet: (value: T) => void;
}

function Override<T>({ label, value, read, onSet }: OverrideProps<T>) {
  const [typed, setTyped] = useState<string>();
  const [bad, setBad] = useState(false);
  const commit = (): void => {
    if (typed === undefined || typed.trim() === value) return;
    const next = read(typed);
    setBad(next === undefined);
    if (next === undefined) return;
    onSet(next);
    setTyped(undefined);
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        commit();
      }}
      onBlur={commit}
    >
      <TextField
        label={label}
        value={typed ?? value}
        onChange={setTyped}
        className="w-28"
        error={bad && 'Can’t be read.'}
      />
    </form>
  );
}
