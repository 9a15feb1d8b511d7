'use client';

import { later } from '@/ui/later';
import { z } from 'zod';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { CRIB_INPUT, type CribItem } from '@/contracts/crib';
import { drillName, type Drill, type DrillCondition, pointAngleOf, USUAL_POINT_DEG } from '@/core/drills/drill';
import { DRILL_SETS } from '@/core/drills/drill-sets';
import type { Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import type { RecordField } from '@/ui/record-dialog';
import { send } from '@/ui/send';
import type { CaseEntry, DrillEntry } from '@/contracts/crib';
import { DrillIndex } from './drill-index';
import { InUseSwitch } from './in-use-switch';
import type { CribState } from './use-crib';
import { useFind } from './use-find';

const RecordDialog = later(() => import('@/ui/record-dialog'));

export const CONDITIONS: readonly (readonly [DrillCondition, string])[] = [
  ['sharp', 'sharp'],
  ['worn', 'worn'],
  ['blunt', 'blunt: do not use'],
  ['lost', 'missing'],
];
const DRILL = z.object(CRIB_INPUT.drills.shape);
const FIELDS: readonly RecordField[] = [
  { key: 'label', label: 'Stamped', kind: 'text', hint: '6.8, 17/64, #7 or F' },
  { key: 'diameterMm', label: 'Diameter', kind: 'length' },
  { key: 'condition', label: 'Condition', kind: 'choice', options: CONDITIONS },
  {
    key: 'material',
    label: 'Material',
    kind: 'choice',
    options: [
      ['hss', 'high-speed steel'],
      ['cobalt', 'cobalt'],
      ['carbide', 'solid carbide'],
    ],
  },
  { key: 'pointAngleDeg', label: 'Point, degrees', kind: 'number' },
  {
    key: 'fluteMm',
    label: 'Flutes reach',
    kind: 'length',
    optional: true,
    hint: 'Left out: as long as a jobber drill.',
  },
  { key: 'where', label: 'Location', kind: 'text', optional: true },
];

/** A drill of a case as it is sent. */
export const drillItem = (caseId: string, drill: Drill, id: string): CribItem<'drills'> => ({
  id,
  caseId,
  series: drill.series,
  label: drill.label,
  diameterMm: drill.diameterMm,
  pointAngleDeg: pointAngleOf(drill),
  material: drill.material ?? 'hss',
  condition: drill.condition ?? 'sharp',
  ...(drill.fluteMm === undefined ? {} : { fluteMm: drill.fluteMm }),
  where: drill.where ?? '',
});

interface Props {
  cases: CaseEntry[];
  state: CribState;
  display: Display;
}

/** A drill that is open in its dialog; `fresh` while it is not in the crib yet. */
interface OpenDrill {
  caseId: string;
  drill: DrillEntry;
  fresh: boolean;
}

const opened = (caseId: string, own: DrillEntry | undefined, size: Drill): OpenDrill => ({
  caseId,
  drill: own ?? {
    ...size,
    id: uuidv7(),
    version: 0,
    condition: 'sharp',
    pointAngleDeg: USUAL_POINT_DEG,
    material: 'hss',
  },
  fresh: own === undefined,
});

/** Whether a drill is one that is looked for: by the start of its name, where it is kept, its state or its material. */
const isLike = (wanted: string, d: Drill): boolean =>
  wanted === '' ||
  drillName(d).toLowerCase().startsWith(wanted) ||
  (d.where ?? '').toLowerCase().includes(wanted) ||
  (d.condition === 'lost' ? 'missing' : (d.condition ?? 'sharp')) === wanted ||
  (d.material ?? 'hss') === wanted;

/** The drills as they stand in their cases; a drill opens when touched, a missing one can be put back. */
export function DrillsPanel({ cases, state, display }: Props) {
  const [open, setOpen] = useState<OpenDrill>();
  const { search, setSearch, wanted, shown } = useFind(
    cases,
    (c, text) => text === '' || c.drills.some((d) => isLike(text, d)),
  );
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <p className="mr-auto max-w-xl">
          Solid: in the crib. Hollow: missing, or too blunt to use. Touch a drill to mark it, a missing one to put it
          back.
        </p>
        <TextField label="Find" value={search} onChange={setSearch} placeholder="6.8, blunt, cobalt" className="w-48" />
      </div>
      {shown.length === 0 && cases.length > 0 && <p role="status">No drill like “{search.trim()}” in any case.</p>}
      {shown.map((c) => (
        <Case
          key={c.id}
          entry={c}
          wanted={wanted}
          state={state}
          display={display}
          onOpen={(own, size) => setOpen(opened(c.id, own, size))}
        />
      ))}
      <NewCase state={state} onAdded={() => setSearch('')} />
      {open && <DrillDialog open={open} state={state} display={display} onClose={() => setOpen(undefined)} />}
    </div>
  );
}

interface CaseProps extends Omit<Props, 'cases'> {
  entry: CaseEntry;
  wanted: string;
  onOpen: (own: DrillEntry | undefined, size: Drill) => void;
}

function Case({ entry: c, wanted, state, display, onOpen }: CaseProps) {
  const remove = (): void =>
    void state.remove('cases', { id: c.id, version: c.version, name: c.name, setId: c.setId } as never, c.name);
  return (
    <section>
      <div className="flex flex-wrap items-center gap-3 py-1">
        <h2 className="text-lg font-bold">{c.name}</h2>
        <span className="text-[15px] text-steel-700">{c.drills.length} drills</span>
        <span className="ml-auto flex items-center gap-2">
          <button
            type="button"
            className="btn h-9"
            onClick={() => onOpen(undefined, { series: 'metric', label: '', diameterMm: 1 })}
          >
            Add a drill
          </button>
          {c.drills.length === 0 && (
            <button type="button" className="btn h-9" onClick={remove}>
              Remove the case
            </button>
          )}
          <InUseSwitch
            name={c.name}
            on={c.inUse}
            disabled={state.busy === c.id}
            onChange={(inUse) => void state.change(c.id, c.version, 'PATCH', `/api/v1/crib/cases/${c.id}`, { inUse })}
          />
        </span>
      </div>
      <DrillIndex
        drills={c.drills.filter((d) => isLike(wanted, d))}
        madeFor={wanted === '' ? (DRILL_SETS.find((s) => s.id === c.setId)?.drills ?? []) : []}
        display={display}
        onPick={onOpen}
      />
    </section>
  );
}

/** A case is added empty, or filled with a set as it is sold. */
function NewCase({ state, onAdded }: { state: CribState; onAdded: () => void }) {
  const [name, setName] = useState('');
  const [set, setSet] = useState('');
  async function add(): Promise<void> {
    const id = uuidv7();
    const made = DRILL_SETS.find((s) => s.id === set);
    const title = name.trim() || (made?.label ?? 'New case');
    if (await state.add('cases', { id, name: title, setId: made?.id ?? null } as CribItem<'cases'>)) return;
    if (made) {
      const got = await send('POST', '/api/v1/crib/import', {
        drills: made.drills.map((d) => drillItem(id, d, uuidv7())),
      });
      if (!got.ok) state.heard(got);
      state.refresh();
    }
    setName('');
    setSet('');
    onAdded();
  }
  return (
    <section className="plate flex flex-wrap items-end gap-3 p-3">
      <TextField label="New case" value={name} onChange={setName} placeholder="Drawer 3" className="w-56" />
      <SelectField label="Filled with" value={set} onChange={setSet} className="w-80">
        <option value="">nothing yet</option>
        {DRILL_SETS.slice(0, 4).map((s) => (
          <option key={s.id} value={s.id}>
            {s.label}
          </option>
        ))}
      </SelectField>
      <button type="button" className="btn" disabled={name.trim() === '' && set === ''} onClick={() => void add()}>
        Add the case
      </button>
    </section>
  );
}

interface DialogProps extends Omit<Props, 'cases'> {
  open: OpenDrill;
  onClose: () => void;
}

function DrillDialog({ open: { caseId, drill, fresh }, state, display, onClose }: DialogProps) {
  return (
    <RecordDialog
      title={fresh ? 'Add a drill' : drillName(drill)}
      fields={FIELDS}
      value={drill}
      display={display}
      schema={DRILL}
      compose={(d) => drillItem(caseId, d as DrillEntry, drill.id)}
      onSave={(d) => {
        const item = drillItem(caseId, d as DrillEntry, drill.id);
        return fresh ? state.add('drills', item) : state.put('drills', { ...item, version: drill.version });
      }}
      onRemove={
        fresh
          ? undefined
          : () =>
              void state.remove(
                'drills',
                { ...drillItem(caseId, drill, drill.id), version: drill.version },
                drillName(drill),
              )
      }
      onClose={onClose}
    />
  );
}
