'use client';

import { useState } from 'react';
import type { RouteSettings } from '@/contracts/route';
import { nameOfSetUp } from '@/core/route/batch';
import { mayJoin, moveVisit, type Route, type RouteSetUp } from '@/core/route/route';
import { tell, type Display } from '@/core/units/show';
import { SortableSteps } from '@/ui/sortable-steps';
import { FirstHoles } from './first-holes';
import { timeOf, toggled, VisitRow } from './visit-row';

interface Props {
  route: Route;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
  display: Display;
  chosen?: string;
  onChoose: (visit: string) => void;
}

interface SetUpProps extends Omit<Props, 'route'> {
  setUp: RouteSetUp;
  number: number;
  quantity: number;
  /** On the machine of the set-up before it: its clamping can be spared. */
  follows: boolean;
}

function SetUpSection({ setUp, number, quantity, follows, settings, decide, display, chosen, onChoose }: SetUpProps) {
  const [refused, setRefused] = useState<string>();
  const { key, visits, weighed } = setUp;
  const [quickest] = weighed;
  const joined = settings.joined?.includes(key);
  function move(from: string, to: string): void {
    const moved = moveVisit(
      setUp,
      from,
      visits.findIndex((v) => v.key === to),
    );
    setRefused(moved.ok ? undefined : `${tell(moved.problems[0], display)} ${tell(moved.problems[0].remedy, display)}`);
    if (!moved.ok) return;
    decide((s) => ({
      ...s,
      order: { ...s.order, [key]: moved.value },
      pinned: s.pinned?.includes(from) ? s.pinned : [...(s.pinned ?? []), from],
    }));
  }
  const back = (): void =>
    decide(({ order, pinned, ...s }) => {
      const { [key]: _, ...others } = order ?? {};
      return { ...s, order: others, pinned: pinned?.filter((k) => !k.startsWith(`${key}/`)) };
    });
  return (
    <section id={encodeURIComponent(key)} aria-label={nameOfSetUp(setUp)} className="plate p-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="font-cond text-2xl font-semibold">
          {number} {nameOfSetUp(setUp)}
        </h2>
        <span className="font-cond text-lg">
          {timeOf(setUp.seconds)} {setUp.isFirst ? 'on the first part' : 'for all parts'}
        </span>
        <span className="text-[15px] text-steel-700">{tell(setUp.reason, display)}</span>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1 text-[15px]">
        {quantity > 1 && !setUp.isFirst && (
          <label className="flex items-center gap-2">
            All parts
            <select
              className="field h-11 w-auto sm:h-9"
              value={settings.mode?.[key] ?? ''}
              onChange={(e) => {
                const mode = e.target.value as 'part' | 'operation' | '';
                decide((s) => {
                  const { [key]: _, ...others } = s.mode ?? {};
                  return { ...s, mode: mode === '' ? others : { ...others, [key]: mode } };
                });
              }}
            >
              <option value="">
                quicker: {quickest?.mode === 'operation' ? 'one operation over all' : 'one part finished first'}
              </option>
              <option value="part">one part finished before the next</option>
              <option value="operation">one operation over all parts</option>
            </select>
          </label>
        )}
        {follows && (
          <label className="flex min-h-11 items-center gap-2 sm:min-h-9">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={joined ?? false}
              onChange={() => decide((s) => ({ ...s, joined: toggled(s.joined, key) }))}
            />
            in the clamping before it
          </label>
        )}
        {settings.order?.[key] && (
          <button type="button" className="link min-h-11 sm:min-h-8" onClick={back}>
            Back to the order proposed
          </button>
        )}
      </div>
      {setUp.firsts && <FirstHoles firsts={setUp.firsts} decide={decide} />}
      {refused && (
        <p role="alert" className="py-1 font-bold text-danger">
          Not there. {refused}
        </p>
      )}
      <SortableSteps ids={visits.map((v) => v.key)} onMove={move}>
        {visits.map((visit, i) => (
          <VisitRow
            key={visit.key}
            visit={visit}
            at={i}
            setUp={setUp}
            settings={settings}
            decide={decide}
            display={display}
            chosen={chosen === visit.key}
            onChoose={onChoose}
          />
        ))}
      </SortableSteps>
    </section>
  );
}

/** The set-ups in order, each with its visits: dragged within what precedence allows, pinned, joined and split. */
export function SetUpList({ route, ...rest }: Props) {
  return route.setUps.map((setUp, i) => (
    <SetUpSection
      key={setUp.key}
      setUp={setUp}
      number={i + 1}
      quantity={route.quantity}
      follows={
        setUp.machine !== undefined &&
        !route.setUps[i - 1]?.isFirst &&
        mayJoin(route.setUps[i - 1] ?? {}, setUp) &&
        route.setUps[i - 1]?.machine?.id === setUp.machine.id
      }
      {...rest}
    />
  ));
}
