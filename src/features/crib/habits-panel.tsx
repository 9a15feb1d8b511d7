'use client';

import { useRef } from 'react';
import type { ShopChange } from '@/contracts/crib';
import { HABITS, USUAL_HABITS, type ShopHabits } from '@/core/shop/habits';
import { Choice } from '@/ui/choice';
import { SelectField } from '@/ui/field';
import type { CribState } from './use-crib';

/** Where practice differs: the methods, the usual one first, each with what hangs on it. */
export function HabitsPanel({ habits, state }: { habits: ShopChange; state: CribState }) {
  const wanted = useRef(habits);
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
          Where practice differs, every answer follows what stands here, and still shows the other methods beside it.
        </p>
        <Choice
          label="Units"
          value={habits.units}
          onChange={(units) => change({ units })}
          options={[
            ['mm', 'mm'],
            ['inch', 'inch'],
          ]}
        />
      </div>
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
                    back to the usual
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
