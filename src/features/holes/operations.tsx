'use client';

import { arrayMove } from '@dnd-kit/sortable';
import { useState } from 'react';
import { quantity } from '@/core/answer/answer';
import type { Drill } from '@/core/drills/drill';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Operation } from '@/core/operation/operation';
import { orderFaults } from '@/core/operation/order-rules';
import { showText, tell, type Display } from '@/core/units/show';
import { ForYou } from '../run/for-you';
import { Insert } from './insert-step';
import { Details } from './operation-details';
import { SortableStep } from '@/ui/sortable-step';
import { SortableSteps } from '@/ui/sortable-steps';
import type { HolesState } from './use-holes';

interface Props {
  plan: HolePlan;
  state: HolesState;
  display: Display;
  chosen?: string;
  onChoose: (key: string) => void;
  /** Step that is open. */
  open?: string;
  onOpen: (key: string | undefined) => void;
  /** Marks a drill of the crib missing; undefined where the drills are not the crib's. */
  onMissing?: (drill: Drill) => void;
}

const time = (s: number): string => (s < 100 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`);

/** The operations in order: each opens to its figures, can be moved, left out, changed and put back. */
export function Operations({ plan, state, display, chosen, onChoose, open, onOpen, onMissing }: Props) {
  const { operations, steps, dropped, faults, problems } = plan;
  const { setEdits } = state;
  const [refused, setRefused] = useState<string>();
  const edited = state.group?.holes[0].edits !== undefined;

  function move(from: string, to: string): void {
    const keys = operations.map((o) => o.key);
    const next = arrayMove(steps, keys.indexOf(from), keys.indexOf(to));
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
      <SortableSteps ids={operations.map((o) => o.key)} onMove={move}>
        {operations.map((op, i) => (
          <SortableStep key={op.key} id={op.key} chosen={chosen === op.key} number={i + 1}>
            <Row
              plan={plan}
              op={op}
              number={i + 1}
              display={display}
              expanded={open === op.key}
              onToggle={() => {
                onOpen(open === op.key ? undefined : op.key);
                onChoose(op.key);
              }}
            />
            {open === op.key && (
              <Details
                key={op.key}
                op={op}
                state={state}
                display={display}
                onMissing={onMissing}
                onDrop={() => drop(op)}
              />
            )}
          </SortableStep>
        ))}
      </SortableSteps>
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
            Restore
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

interface RowProps extends Pick<Props, 'plan' | 'display'> {
  op: Operation;
  number: number;
  expanded: boolean;
  onToggle: () => void;
}

/** One step: what is done and with which speed, what would spoil it, and what whoever works here keeps getting wrong. */
function Row({ plan, op, number, display, expanded, onToggle }: RowProps) {
  const warned = op.cautions.filter((c) => c.level !== 'note');
  const wrong = plan.faults.filter((f) => f.key === op.key);
  const speed = op.cut?.speed;
  return (
    <>
      <div className="flex items-start gap-1">
        <button
          type="button"
          aria-expanded={expanded}
          className="grid min-h-11 min-w-0 flex-1 grid-cols-[20px_minmax(0,1fr)_auto] gap-x-1.5 px-1 py-1 text-left"
          onClick={onToggle}
        >
          <span className="font-cond text-[17px] font-semibold text-steel-700">{number}</span>
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
      </div>
      <div className="pl-7">
        {[...wrong.map((f) => tell(f.why, display)), ...warned.map((c) => tell(c, display))].map((text) => (
          <p key={text} className="text-[15px] leading-snug font-bold text-danger">
            ! {text}
          </p>
        ))}
        <ForYou plan={plan} op={op} display={display} className="mb-1 text-[15px] leading-snug" />
        {op.changes?.map((c) => (
          <p key={tell(c, display)} className="text-[15px] leading-snug text-brass-dark">
            Changed: {tell(c, display)}
          </p>
        ))}
      </div>
    </>
  );
}
