'use client';

import { useRouter } from 'next/navigation';
import { Switch } from 'radix-ui';
import { useRef, useState, type ReactNode } from 'react';
import type { ShopChange } from '@/contracts/crib';
import type { Machine } from '@/core/cutting/machine';
import type { Drill } from '@/core/drills/drill';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import { showText, type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { SelectField } from '@/ui/field';
import { send } from '@/ui/send';
import { DrillIndex } from './drill-index';

interface InUse {
  id: string;
  version: number;
  inUse: boolean;
}
interface Props {
  shopName: string;
  machines: (Machine & InUse)[];
  cases: (InUse & { name: string; setId: string | null; drills: Drill[] })[];
  habits: ShopChange;
}

const KIND: Record<Machine['kind'], string> = {
  'drill-press': 'drill press',
  mill: 'mill',
  lathe: 'lathe',
  'hand-drill': 'held by hand',
};

/** What the shop has and how it works: choose the machines and cases in use, set the habits. */
export function CribView({ shopName, machines, cases, habits }: Props) {
  const router = useRouter();
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState<string>();
  const display: Display = habits.units;

  // One change after the other, each from the version that the one before it left.
  const queue = useRef(Promise.resolve());
  const versions = useRef(new Map<string, number>());
  function change(id: string, seen: number, method: string, path: string, body: object): void {
    setBusy(id);
    queue.current = queue.current.then(async () => {
      const version = Math.max(seen, versions.current.get(id) ?? 0);
      const got = await send(method, path, { ...body, version });
      if (got.ok) versions.current.set(id, version + 1);
      setFault(got.ok ? undefined : got.fault);
      setBusy(undefined);
      router.refresh();
    });
  }
  const use = (kind: 'machines' | 'cases', item: InUse, name: string) => (
    <InUseSwitch
      name={name}
      on={item.inUse}
      disabled={busy === item.id}
      onChange={(inUse) => change(item.id, item.version, 'PATCH', `/api/v1/crib/${kind}/${item.id}`, { inUse })}
    />
  );
  const wanted = useRef(habits);
  function habit(part: Partial<ShopChange>): void {
    wanted.current = { ...wanted.current, ...part };
    change('shop', habits.version, 'PUT', '/api/v1/shop', wanted.current);
  }

  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <h1 className="font-cond text-3xl font-semibold">
        Crib <span className="text-xl font-medium text-steel-700">{shopName}</span>
      </h1>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      <Section title="Machines" hint="Those in use can be chosen in Ask.">
        <ul className="grid gap-2 md:grid-cols-2">
          {machines.map((m) => (
            <li key={m.id} className={`plate flex gap-3 p-3 ${m.inUse ? '' : 'opacity-75'}`}>
              <div className="min-w-0 flex-1">
                <h3 className="text-lg font-bold">{m.name}</h3>
                <p className="text-[15px] text-steel-700">
                  {KIND[m.kind]}; {m.reversible ? 'reverses' : 'does not reverse'}; chuck to{' '}
                  {showText({ value: m.chuckMm, unit: 'mm' }, display)}; runs on {m.coastRevolutions} turns from{' '}
                  {m.coastAtRpm} rev/min
                  {m.quillStrokeMm !== undefined &&
                    `; quill ${showText({ value: m.quillStrokeMm, unit: 'mm', places: 1 }, display)}`}
                </p>
                <Speeds machine={m} />
              </div>
              {use('machines', m, m.name)}
            </li>
          ))}
        </ul>
        {machines.length === 0 && <p>No machines yet.</p>}
      </Section>
      <Section
        title="Drills"
        hint="Solid: to hand. Hollow: a gap, or too blunt to use. Ask chooses from the cases in use."
      >
        <ul className="flex flex-col gap-3">
          {cases.map((c) => (
            <li key={c.id} className={c.inUse ? '' : 'opacity-75'}>
              <div className="flex items-center gap-3 py-1">
                <h3 className="text-lg font-bold">{c.name}</h3>
                <span className="text-[15px] text-steel-700">{c.drills.length} drills</span>
                <span className="ml-auto">{use('cases', c, c.name)}</span>
              </div>
              <DrillIndex
                drills={c.drills}
                madeFor={DRILL_SETS.find((s) => s.id === c.setId)?.drills ?? []}
                display={display}
              />
            </li>
          ))}
        </ul>
        {cases.length === 0 && <p>No drills yet; Ask can choose from the usual sets meanwhile.</p>}
      </Section>
      <Section title="How this shop works" hint="Where practice differs. Ask and the jobs follow it.">
        <div className="plate grid items-start gap-4 p-3 sm:grid-cols-2 lg:grid-cols-4">
          <Choice
            label="Units"
            value={habits.units}
            onChange={(units) => habit({ units })}
            options={[
              ['mm', 'mm'],
              ['inch', 'inch'],
            ]}
          />
          <SelectField
            label="Between two speed steps"
            value={habits.stepRule}
            onChange={(v) => habit({ stepRule: v as ShopChange['stepRule'] })}
          >
            <option value="auto">below for hard metal and by hand, else nearest</option>
            <option value="nearest">always the nearest</option>
            <option value="below">always the next below</option>
          </SelectField>
          <SelectField
            label="Names of hand taps"
            value={habits.tapNames}
            onChange={(v) => habit({ tapNames: v as ShopChange['tapNames'] })}
          >
            <option value="taper-plug-bottoming">taper (8), plug (4), bottoming (2)</option>
            <option value="taper-second-plug">taper (8), second (4), plug (2)</option>
          </SelectField>
          <SelectField
            label="Formed threads may be"
            value={habits.formedLooser ? 'looser' : 'same'}
            onChange={(v) => habit({ formedLooser: v === 'looser' })}
          >
            <option value="same">in the class of the drawing</option>
            <option value="looser">one grade looser in minor diameter</option>
          </SelectField>
        </div>
      </Section>
    </main>
  );
}

function Section({ title, hint, children }: { title: string; hint: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-2">
      <h2 className="font-cond text-2xl font-semibold">
        {title} <span className="ml-2 text-base font-medium text-steel-700">{hint}</span>
      </h2>
      {children}
    </section>
  );
}

function InUseSwitch({
  name,
  on,
  disabled,
  onChange,
}: {
  name: string;
  on: boolean;
  disabled: boolean;
  onChange: (on: boolean) => void;
}) {
  return (
    <span className="flex flex-col items-center gap-1">
      <Switch.Root
        checked={on}
        disabled={disabled}
        onCheckedChange={onChange}
        aria-label={`${name} in use`}
        className="flex h-11 w-[68px] items-center rounded-sm border border-steel-500 bg-white p-1 data-[state=checked]:bg-ink"
      >
        <Switch.Thumb className="block h-8 w-7 rounded-[2px] bg-steel-500 transition-transform data-[state=checked]:translate-x-[31px] data-[state=checked]:bg-brass" />
      </Switch.Root>
      <span className="font-cond text-[15px] leading-none font-medium">{on ? 'in use' : 'not used'}</span>
    </span>
  );
}

function Speeds({ machine }: { machine: Machine }) {
  const { speeds } = machine;
  if (speeds.kind === 'range')
    return (
      <p className="mt-1 font-cond text-lg font-semibold">
        {speeds.minRpm} to {speeds.maxRpm} rev/min, variable
      </p>
    );
  return (
    <ul className="mt-1 flex flex-wrap gap-1 font-cond text-[15px]" aria-label="Speeds in rev/min">
      {speeds.steps.map((s) => (
        <li key={s.rpm} className="rounded-sm bg-dye-900 px-1.5 py-0.5 text-scribe" title={s.label}>
          <strong className="font-semibold">{s.rpm}</strong>{' '}
          <span className="text-dye-200">{s.label.replace(/^belts /, '')}</span>
        </li>
      ))}
    </ul>
  );
}
