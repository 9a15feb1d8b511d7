'use client';

import { useRef, useSyncExternalStore, type ReactNode } from 'react';
import type { ShopChange } from '@/contracts/crib';
import { HABITS } from '@/core/shop/habit-questions';
import { USUAL_HABITS, type ShopHabits } from '@/core/shop/habits';
import { Choice } from '@/ui/choice';
import { SelectField } from '@/ui/field';
import { useUnits } from '@/ui/units';
import type { CribState } from './use-crib';

interface Props {
  habits: ShopChange;
  state: CribState;
  /** One hole worked out by the habits. */
  example: ReactNode;
}

const never = (): (() => void) => () => undefined;
let known: string[] | undefined;
/** Every zone that this browser knows, and the one that is set; only that one until the page is in the browser. */
function useZones(set: string | undefined): string[] {
  const all = useSyncExternalStore(
    never,
    () => (known ??= Intl.supportedValuesOf('timeZone')),
    () => undefined,
  );
  return [...new Set([...(set ? [set] : []), ...(all ?? [])])].sort();
}

/** Where practice differs: the methods, the usual one first, each with what hangs on it. */
export function HabitsPanel({ habits, state, example }: Props) {
  const wanted = useRef(habits);
  const { choose } = useUnits();
  const zones = useZones(habits.timeZone);
  function change(part: Partial<ShopChange>): void {
    wanted.current = { ...wanted.current, ...part };
    void state.change('shop', habits.version, 'PUT', '/api/v1/shop', wanted.current);
  }
  const set = <K extends keyof ShopHabits>(key: K, value: ShopHabits[K]): void =>
    change({ habits: { ...wanted.current.habits, [key]: value } });
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-4">
        <p className="mr-auto max-w-xl">
          Where practice differs, every answer follows these settings and still shows the other methods beside it.
        </p>
        <SelectField
          label="Time zone of the shop"
          value={habits.timeZone ?? ''}
          onChange={(timeZone) => change({ timeZone })}
          className="w-56"
        >
          {zones.map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </SelectField>
        <Choice
          label="Units by default"
          value={habits.units}
          onChange={(units) => {
            choose(units);
            change({ units });
          }}
          options={[
            ['mm', 'mm'],
            ['inch', 'inch'],
          ]}
        />
      </div>
      <div className="sticky top-0 z-10">{example}</div>
      <ul className="grid items-start gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {HABITS.map(({ id, question, why, options }) => (
          <li key={id} className="plate p-3">
            <SelectField
              label={question}
              value={habits.habits[id]}
              onChange={(value) => set(id, value as ShopHabits[typeof id])}
            >
              {options.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </SelectField>
            <p className="mt-1 text-sm text-steel-700">
              {why}
              {habits.habits[id] !== USUAL_HABITS[id] && (
                <>
                  {' '}
                  <button type="button" className="link" onClick={() => set(id, USUAL_HABITS[id])}>
                    use the default
                  </button>
                </>
              )}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}
