'use client';

import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { quantity } from '@/core/answer/answer';
import { mainCut, type HolePlan } from '@/core/hole/hole-plan';
import type { OperationEdits } from '@/core/operation/edits';
import { MAIN_KEY, type Operation } from '@/core/operation/operation';
import type { OperationOverride } from '@/core/operation/override';
import { orderFaults } from '@/core/operation/order-rules';
import { parseLength } from '@/core/units/length';
import { show, showText, tell, type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { Working } from '@/ui/working';
import type { HolesState } from './use-holes';

interface Props {
  plan: HolePlan;
  state: HolesState;
  display: Display;
  chosen?: string;
  onChoose: (key: string) => void;
}

const time = (s: number): string => (s < 100 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`);

/** The operations in order: each opens to its figures, can be moved, left out, changed and put back. */
export function Operations({ plan, state, display, chosen, onChoose }: Props) {
  const { operations, dropped, faults, problems } = plan;
  const { setEdits } = state;
  const [open, setOpen] = useState<string>();
  const [refused, setRefused] = useState<string>();
  const edited = state.group?.holes[0].edits !== undefined;

  function move(i: number, by: -1 | 1): void {
    const next = [...operations];
    [next[i], next[i + by]] = [next[i + by], next[i]];
    const worse = orderFaults(next).find(
      (f) => f.level === 'stop' && !faults.some((o) => o.key === f.key && o.against === f.against),
    );
    setRefused(worse && tell(worse.why, display));
    if (!worse) setEdits((e) => ({ ...e, order: next.map((o) => o.key) }));
  }
  const drop = (op: Operation): void =>
    setEdits((e) =>
      op.inserted
        ? { ...e, inserted: e.inserted?.filter((a) => a.key !== op.key), order: e.order?.filter((k) => k !== op.key) }
        : { ...e, dropped: [...(e.dropped ?? []), op.key] },
    );

  return (
    <>
      <ol className="flex flex-col">
        {operations.map((op, i) => {
          const expanded = open === op.key;
          const warned = op.cautions.filter((c) => c.level !== 'note');
          const wrong = faults.filter((f) => f.key === op.key);
          const speed = op.cut?.speed;
          return (
            <li
              key={op.key}
              className={`border-t border-steel-200 first:border-0 ${chosen === op.key ? 'bg-white' : ''}`}
            >
              <div className="flex items-start gap-1">
                <button
                  type="button"
                  aria-expanded={expanded}
                  className="grid min-h-11 min-w-0 flex-1 grid-cols-[20px_minmax(0,1fr)_auto] gap-x-1.5 px-1 py-1 text-left"
                  onClick={() => {
                    setOpen(expanded ? undefined : op.key);
                    onChoose(op.key);
                  }}
                >
                  <span className="font-cond text-[17px] font-semibold text-steel-700">{i + 1}</span>
                  <span className="leading-snug font-bold">{tell(op.order, display)}</span>
                  <span className="font-cond text-[17px] whitespace-nowrap text-steel-700">
                    {op.time.value > 0 ? time(op.time.value) : ''}
                  </span>
                  {op.cut && (
                    <span className="col-start-2 text-[15px] text-steel-700">
                      {speed?.ok
                        ? `${showText(quantity(speed.value.rpm, 'rpm'), display)}, ${speed.value.label}; ${showText(op.cut.feed, display)}`
                        : 'not on this machine'}
                    </span>
                  )}
                </button>
                <span className="flex pt-0.5">
                  {(
                    [
                      [-1, '↑', 'earlier'],
                      [1, '↓', 'later'],
                    ] as const
                  ).map(([by, sign, word]) => (
                    <button
                      key={word}
                      type="button"
                      className="h-9 w-8 rounded-sm font-bold hover:bg-steel-200 disabled:opacity-30"
                      disabled={i + by < 0 || i + by >= operations.length}
                      onClick={() => move(i, by)}
                      aria-label={`Do step ${i + 1} ${word}`}
                    >
                      {sign}
                    </button>
                  ))}
                </span>
              </div>
              <div className="pl-7">
                {[...wrong.map((f) => tell(f.why, display)), ...warned.map((c) => tell(c, display))].map((text) => (
                  <p key={text} className="text-[15px] leading-snug font-bold text-danger">
                    ! {text}
                  </p>
                ))}
                {op.changes?.map((c) => (
                  <p key={tell(c, display)} className="text-[15px] leading-snug text-brass-dark">
                    Changed: {tell(c, display)}
                  </p>
                ))}
              </div>
              {expanded && <Details key={op.key} op={op} state={state} display={display} onDrop={() => drop(op)} />}
            </li>
          );
        })}
      </ol>
      {refused && (
        <p role="alert" className="py-1 font-bold text-danger">
          Not in that order. {refused}
        </p>
      )}
      {problems.map((p) => (
        <p key={p.field + p.code} role="alert" className="py-1 font-bold text-danger">
          {tell(p, display)} <span className="font-normal text-ink">{tell(p.remedy, display)}</span>
        </p>
      ))}
      {dropped.map((op) => (
        <p key={op.key} className="flex flex-wrap items-center gap-2 border-t border-steel-200 py-1 text-[15px]">
          <span className="line-through">{tell(op.order, display)}</span>
          <button
            type="button"
            className="btn h-9"
            onClick={() => setEdits((e) => ({ ...e, dropped: e.dropped?.filter((k) => k !== op.key) }))}
          >
            Put back
          </button>
          {faults
            .filter((f) => f.key === op.key && f.against === op.key)
            .map((f) => (
              <strong key={tell(f.why, display)} className="w-full text-danger">
                ! {tell(f.why, display)}
              </strong>
            ))}
        </p>
      ))}
      <Insert plan={plan} state={state} display={display} />
      {edited && (
        <button type="button" className="btn mt-1 h-9" onClick={() => setEdits(() => ({}))}>
          Back to the plan as proposed
        </button>
      )}
    </>
  );
}

interface DetailsProps {
  op: Operation;
  state: HolesState;
  display: Display;
  onDrop: () => void;
}

function Details({ op, state, display, onDrop }: DetailsProps) {
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
              ['stop', cut.travel],
              ['torque', cut.torque],
              ['force when it grabs', cut.grab?.force],
              ['time', op.time],
            ] as const
          ).map(
            ([name, of]) =>
              of && (
                <span key={name}>
                  {name} {showText(of, display)}&nbsp;
                  <Working of={of} name={name} display={display} />
                </span>
              ),
          )}
        </p>
      )}
      {op.choices && (
        <ul>
          {op.choices.map((c) => (
            <li key={c.id}>
              <strong>
                {c.used ? '● ' : '○ '}
                {c.label}
              </strong>{' '}
              {tell(c.why, display)}{' '}
              {c.possible && !c.used && (
                <button
                  type="button"
                  className="btn h-9"
                  onClick={() => state.setEdits((e) => ({ ...e, tool: c.id as OperationEdits['tool'] }))}
                >
                  Use the {c.label}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-2">
        {cut && !op.inserted && (
          <>
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
        )}
        {over && (
          <button type="button" className="btn h-10" onClick={putBack}>
            Put back the plan’s figures
          </button>
        )}
        <button type="button" className="btn h-10" onClick={onDrop}>
          Leave out
        </button>
      </div>
    </div>
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
        error={bad && 'Not readable.'}
      />
    </form>
  );
}

function Insert({ plan, state, display }: { plan: HolePlan; state: HolesState; display: Display }) {
  const [kind, setKind] = useState<'drill' | 'note'>();
  const [text, setText] = useState('');
  const [second, setSecond] = useState('');
  const [fault, setFault] = useState<string>();
  if (!kind)
    return (
      <div className="mt-1 flex gap-2 border-t border-steel-200 pt-2">
        <button type="button" className="btn h-9" onClick={() => setKind('drill')}>
          Add a drill
        </button>
        <button type="button" className="btn h-9" onClick={() => setKind('note')}>
          Add a step
        </button>
      </div>
    );
  function add(): void {
    if (text.trim() === '') {
      setFault(kind === 'drill' ? 'Say which drill: 6.8, 17/64, #7 or F.' : 'Say what is to be done.');
      return;
    }
    const key = `own-${uuidv7().slice(-12)}`;
    if (kind === 'drill') {
      const parsed = parseLength(second, display === 'inch' ? 'in' : 'mm');
      const fullMm = second.trim() === '' ? (mainCut(plan)?.spec.fullMm ?? NaN) : parsed.ok ? parsed.value.mm : NaN;
      if (!(fullMm > 0)) {
        setFault('Say how deep at full diameter.');
        return;
      }
      const main = plan.operations.findIndex((op) => op.key === MAIN_KEY);
      const keys = plan.operations.map((op) => op.key);
      state.setEdits((e) => ({
        ...e,
        inserted: [...(e.inserted ?? []), { key, kind: 'drill', drill: text.trim(), fullMm }],
        order: main < 0 ? e.order : [...keys.slice(0, main), key, ...keys.slice(main)],
      }));
    } else {
      const minutes = Number(second.replace(',', '.') || '1');
      state.setEdits((e) => ({
        ...e,
        inserted: [
          ...(e.inserted ?? []),
          { key, kind: 'note', text: text.trim(), seconds: Number.isFinite(minutes) ? Math.max(0, minutes * 60) : 60 },
        ],
      }));
    }
    setKind(undefined);
    setText('');
    setSecond('');
    setFault(undefined);
  }
  return (
    <form
      className="mt-1 flex flex-wrap items-end gap-2 border-t border-steel-200 pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <Choice
        label="Add"
        value={kind}
        onChange={setKind}
        options={[
          ['drill', 'drill'],
          ['note', 'step'],
        ]}
      />
      <TextField
        label={kind === 'drill' ? 'Which' : 'What is to be done'}
        value={text}
        onChange={setText}
        className={kind === 'drill' ? 'w-24' : 'w-56'}
        error={fault}
      />
      <TextField
        label={kind === 'drill' ? `Depth, ${display === 'inch' ? 'in' : 'mm'}` : 'Minutes'}
        value={second}
        onChange={setSecond}
        className="w-24"
      />
      <button type="submit" className="btn">
        Add
      </button>
      <button type="button" className="btn" onClick={() => setKind(undefined)}>
        Leave it
      </button>
    </form>
  );
}
