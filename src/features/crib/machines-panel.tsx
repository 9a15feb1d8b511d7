'use client';

import { later } from '@/ui/later';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { usualStop } from '@/core/cutting/depth-stop';
import type { Machine } from '@/core/cutting/machine';
import { showText, type Display } from '@/core/units/show';
import { BeltRows } from '@/ui/drawings/belt-rows';
import type { MachineEntry } from '@/contracts/crib';
import { InUseSwitch } from './in-use-switch';
import type { CribState } from './use-crib';

const MachineDialog = later(() => import('./machine-dialog'));

const KIND: Record<Machine['kind'], string> = {
  'drill-press': 'drill press',
  mill: 'mill',
  lathe: 'lathe',
  'hand-drill': 'held by hand',
};
const NEW: MachineEntry = {
  id: '',
  version: 0,
  inUse: true,
  name: '',
  kind: 'drill-press',
  speeds: { kind: 'steps', steps: [] },
  reversible: false,
  tappingHead: false,
  coastRevolutions: 1.5,
  coastAtRpm: 140,
  chuckMm: 13,
};

interface Props {
  machines: MachineEntry[];
  state: CribState;
  display: Display;
}

/** The machines, with what they can turn, reach and tell. */
export function MachinesPanel({ machines, state, display }: Props) {
  const [open, setOpen] = useState<MachineEntry>();
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-3">
        <p className="mr-auto">Machines in use can be picked in Ask and in jobs.</p>
        <button type="button" className="btn" onClick={() => setOpen({ ...NEW, id: uuidv7() })}>
          Add a machine
        </button>
      </div>
      <ul className="grid gap-2 md:grid-cols-2">
        {machines.map((m) => (
          <li key={m.id} className={`plate flex gap-3 p-3 ${m.inUse ? '' : 'border-dashed bg-steel-100'}`}>
            <div className="min-w-0 flex-1">
              <h2 className="text-lg font-bold">{m.name}</h2>
              <p className="text-[15px] text-steel-700">{factsOf(m, display).join('; ')}</p>
              <Speeds machine={m} />
            </div>
            <div className="flex flex-col items-end gap-2">
              <InUseSwitch
                name={m.name}
                on={m.inUse}
                disabled={state.busy === m.id}
                onChange={(inUse) =>
                  void state.change(m.id, m.version, 'PATCH', `/api/v1/crib/machines/${m.id}`, { inUse })
                }
              />
              <button type="button" className="btn h-9" onClick={() => setOpen(m)} aria-label={`Change ${m.name}`}>
                Change
              </button>
            </div>
          </li>
        ))}
      </ul>
      {machines.length === 0 && <p>No machines yet: add your machine.</p>}
      {open && (
        <MachineDialog
          machine={open}
          display={display}
          onSave={(m) =>
            open.version === 0
              ? state.add('machines', body(m))
              : state.put('machines', { ...body(m), version: open.version })
          }
          onRemove={
            open.version === 0
              ? undefined
              : () => void state.remove('machines', { ...body(open), version: open.version }, open.name)
          }
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}

function body({ version: _v, inUse: _u, ...machine }: MachineEntry): Machine {
  return machine;
}

const STOP = {
  scale: 'scale and nut',
  collar: 'collar',
  tape: 'tape',
  readout: 'readout',
  tailstock: 'tailstock wheel',
};

function factsOf(m: MachineEntry, display: Display): string[] {
  const length = (value: number, places?: number): string => showText({ value, unit: 'mm', places }, display);
  const stop = usualStop(m);
  return [
    KIND[m.kind],
    m.reversible ? 'reverses' : 'does not reverse',
    ...(m.tappingHead ? ['tapping head'] : []),
    `chuck to ${length(m.chuckMm)}`,
    `coasts ${m.coastRevolutions} turns from ${m.coastAtRpm} rev/min`,
    ...(m.quillStrokeMm === undefined ? [] : [`quill ${length(m.quillStrokeMm, 1)}`]),
    `depth by ${STOP[stop.kind]}`,
    ...(m.dial ? [`dials ${length(m.dial.travelMm)} a turn, ${m.dial.divisions} divisions`] : []),
    ...(m.powerW === undefined ? [] : [showText({ value: m.powerW, unit: 'W', places: 0 }, display)]),
  ];
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
    <>
      <ul className="mt-1 flex flex-wrap gap-1 font-cond text-[15px]" aria-label="Speeds in rev/min">
        {speeds.steps.map((s) => (
          <li key={`${s.rpm}${s.label}`} className="rounded-sm bg-dye-900 px-1.5 py-0.5 text-scribe">
            <strong className="font-semibold">{s.rpm}</strong>{' '}
            <span className="text-dye-200">{s.label.replace(/^belts /, '')}</span>
          </li>
        ))}
      </ul>
      {machine.pulleys && (
        <div className="dye mt-2 w-fit p-2">
          <BeltRows pulleys={machine.pulleys} width={230} height={112} />
        </div>
      )}
    </>
  );
}
