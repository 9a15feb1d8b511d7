'use client';

import { useState } from 'react';
import type { RouteSettings } from '@/contracts/route';
import { nameOfSetUp } from '@/core/route/batch';
import { mayJoin, moveVisit, type Route, type RouteSetUp, type Visit } from '@/core/route/route';
import { showText, tell, type Display } from '@/core/units/show';
import { SortableStep } from '@/ui/sortable-step';
import { SortableSteps } from '@/ui/sortable-steps';
import { FirstHoles } from './first-holes';

interface Props {
  route: Route;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings) => void;
  display: Display;
  chosen?: string;
  onChoose: (visit: string) => void;
}

const time = (s: number): string => (s < 100 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1)} min`);

/** Holes of a visit by feature: A ×3, B ×4. */
function holesOf({ items }: Visit): string {
  const counts = new Map<string, number>();
  for (const { letter } of items) counts.set(letter, (counts.get(letter) ?? 0) + 1);
  return [...counts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([letter, n]) => (n > 1 ? `${letter} ×${n}` : letter))
    .join(', ');
}

const toggled = (list: readonly string[] | undefined, key: string): string[] =>
  list?.includes(key) ? list.filter((k) => k !== key) : [...(list ?? []), key];

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
          {time(setUp.seconds)} {setUp.isFirst ? 'on the first part' : 'for all parts'}
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
        {visits.map((visit, i) => {
          const stops = [
            ...new Set(visit.items.flatMap((item) => (item.stopMm === undefined ? [] : [item.stopMm.toFixed(2)]))),
          ];
          const pinned = settings.pinned?.includes(visit.key) ?? false;
          const split = settings.splits?.includes(visit.key) ?? false;
          return (
            <SortableStep key={visit.key} id={visit.key} chosen={chosen === visit.key} number={i + 1}>
              <div className="flex min-w-0 flex-wrap items-center gap-x-3 py-1">
                <button
                  type="button"
                  aria-pressed={chosen === visit.key}
                  className="grid min-h-11 min-w-0 flex-1 basis-64 grid-cols-[22px_minmax(0,1fr)_auto] gap-x-1.5 px-1 text-left"
                  onClick={() => onChoose(visit.key)}
                >
                  <span className="font-cond text-[17px] font-semibold text-steel-700">{i + 1}</span>
                  <span className="min-w-0">
                    <strong>{visit.tool}</strong>
                    {!visit.inCrib && <span className="ml-1.5 text-sm text-danger">to buy</span>}{' '}
                    <span className="text-[15px]">{holesOf(visit)}</span>
                    <span className="block text-[15px] text-steel-700">
                      {[
                        visit.rpm === undefined ? '' : `${visit.rpm.toFixed(0)} rev/min, ${visit.speedLabel}`,
                        stops.length === 0 && visit.items.some((item) => item.stopOff) ? 'through, stop off' : '',
                        stops.length > 0
                          ? `stop ${stops.map((mm) => showText({ value: Number(mm), unit: 'mm', places: 1 }, display)).join(', ')}`
                          : '',
                      ]
                        .filter(Boolean)
                        .join('; ')}
                    </span>
                  </span>
                  <span className="font-cond text-[17px] whitespace-nowrap text-steel-700">
                    {time(visit.changeS + visit.workS)}
                  </span>
                </button>
                {(pinned || chosen === visit.key) && (
                  <label className="flex min-h-11 items-center gap-1.5 text-sm">
                    <input
                      type="checkbox"
                      className="size-5 accent-ink"
                      checked={pinned}
                      onChange={() =>
                        decide((s) => ({
                          ...s,
                          pinned: toggled(s.pinned, visit.key),
                          // What is pinned stays where it is when the rest is planned again.
                          order: { ...s.order, [key]: s.order?.[key] ?? visits.map((v) => v.key) },
                        }))
                      }
                    />
                    pinned
                  </label>
                )}
                {i < visits.length - 1 && (split || chosen === visit.key) && (
                  <label className="flex min-h-11 items-center gap-1.5 text-sm">
                    <input
                      type="checkbox"
                      className="size-5 accent-ink"
                      checked={split}
                      onChange={() => decide((s) => ({ ...s, splits: toggled(s.splits, visit.key) }))}
                    />
                    unclamp after
                  </label>
                )}
              </div>
            </SortableStep>
          );
        })}
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
