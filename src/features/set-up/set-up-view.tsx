'use client';

import { DRILL_SETS } from '@/core/drills/drill-sets';
import { USUAL_MACHINES, USUAL_TAP_SETS, type UsualTapSet } from '@/core/shop/usual-machines';
import { Choice } from '@/ui/choice';
import { useSetUp, usualFor, type ShopNow } from './use-set-up';

interface TicksProps<T extends string> {
  title: string;
  hint: string;
  all: readonly (readonly [id: T, label: string])[];
  on: ReadonlySet<T>;
  change: (next: ReadonlySet<T>) => void;
}

function Ticks<T extends string>({ title, hint, all, on, change }: TicksProps<T>) {
  function toggle(id: T): void {
    const next = new Set(on);
    if (!next.delete(id)) next.add(id);
    change(next);
  }
  return (
    <fieldset className="plate p-3">
      <legend className="font-cond text-xl font-semibold">{title}</legend>
      <p className="text-[15px] text-steel-700">{hint}</p>
      {all.map(([id, label]) => (
        <label key={id} className="flex min-h-11 items-center gap-3 text-lg">
          <input
            type="checkbox"
            className="size-6 flex-none accent-ink"
            checked={on.has(id)}
            onChange={() => toggle(id)}
          />
          {label}
        </label>
      ))}
    </fieldset>
  );
}

/** The shop in two minutes: unit, machines, drills, taps, by ticking; every figure is set right later in the crib. */
export function SetUpView({ shop }: { shop: ShopNow }) {
  const { ticked, setTicked, busy, fault, make } = useSetUp(shop);
  return (
    <main id="main" className="mx-auto flex max-w-3xl flex-col gap-3 p-3 sm:px-5">
      <h1 className="font-cond text-3xl font-semibold">Set up your shop</h1>
      <p>Tick what you have. It is enough for a first right answer; every figure can be set right in the crib later.</p>
      <Choice
        label="Units"
        value={ticked.units}
        onChange={(units) => setTicked({ ...ticked, units, ...usualFor(units) })}
        options={[
          ['mm', 'millimetres'],
          ['inch', 'inches'],
        ]}
      />
      <Ticks
        title="Machines"
        hint="Usual ones: speeds and pulleys are typed in the crib from the plate on yours."
        all={USUAL_MACHINES.map((m) => [m.name, m.name] as const)}
        on={ticked.machines}
        change={(machines) => setTicked({ ...ticked, machines })}
      />
      <Ticks
        title="Drills"
        hint="Whole cases: mark what is missing when you find it."
        all={DRILL_SETS.slice(0, 4).map((s) => [s.id, s.label] as const)}
        on={ticked.drills}
        change={(drills) => setTicked({ ...ticked, drills })}
      />
      <Ticks
        title="Taps"
        hint="Sets of taper, plug and bottoming."
        all={(Object.keys(USUAL_TAP_SETS) as UsualTapSet[]).map((name) => [name, name] as const)}
        on={ticked.taps}
        change={(taps) => setTicked({ ...ticked, taps })}
      />
      {shop.hasSample && (
        <label className="plate flex min-h-11 items-center gap-3 p-3 text-lg">
          <input
            type="checkbox"
            className="size-6 flex-none accent-ink"
            checked={ticked.withoutSample}
            onChange={(e) => setTicked({ ...ticked, withoutSample: e.target.checked })}
          />
          <span>
            Take the sample shop out
            <span className="block text-[15px] text-steel-700">
              Its jobs and tools go; what you have changed or added stays.
            </span>
          </span>
        </label>
      )}
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault} What was done before it stays; pressed again, it goes on from there.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-4">
        <button type="button" className="btn-next text-xl" disabled={busy !== undefined} onClick={() => void make()}>
          {busy === undefined ? 'This is my shop' : `${busy}…`}
        </button>
        <a className="link" href="/?callout=">
          Not now
        </a>
      </div>
    </main>
  );
}
