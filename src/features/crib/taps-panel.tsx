'use client';

import { later } from '@/ui/later';
import { z } from 'zod';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { CRIB_INPUT, type TapEntry } from '@/contracts/crib';
import { TAP_CENTRES, TAP_CONDITIONS, tapName, usualOwnTap, type OwnTap } from '@/core/tapping/own-tap';
import { GEOMETRY_LABEL, TAP_PLACES, TAP_STEELS, TAP_SURFACES, type TapNames, type TapRole } from '@/core/tapping/tap';
import { threadNamed } from '@/core/threads/thread-named';
import type { Display } from '@/core/units/show';
import { SelectField, TextField } from '@/ui/field';
import type { RecordField } from '@/ui/record-dialog';
import { send } from '@/ui/send';
import { TapRack } from './tap-rack';
import type { CribState } from './use-crib';
import { hasWords, useFind } from './use-find';

const RecordDialog = later(() => import('@/ui/record-dialog'));

const TAP = z.object(CRIB_INPUT.taps.shape);
const same = (list: readonly string[]): [string, string][] => list.map((id) => [id, id.replace('-', ' ')]);
const FIELDS: readonly RecordField[] = [
  { key: 'thread', label: 'Thread', kind: 'text', hint: 'M8, 1/4-20, 2 BA' },
  { key: 'hand', label: 'Hand', kind: 'choice', options: same(['right', 'left']) },
  { key: 'geometry', label: 'Kind', kind: 'choice', options: Object.entries(GEOMETRY_LABEL) },
  { key: 'chamferThreads', label: 'Chamfer threads', kind: 'number' },
  { key: 'condition', label: 'Condition', kind: 'choice', options: same(TAP_CONDITIONS) },
  { key: 'holesDone', label: 'Holes done', kind: 'number' },
  { key: 'place', label: 'In a serial set', kind: 'choice', options: same(TAP_PLACES) },
  { key: 'flutes', label: 'Flutes', kind: 'number' },
  { key: 'steel', label: 'Steel', kind: 'choice', options: Object.entries(TAP_STEELS) },
  { key: 'surface', label: 'Surface', kind: 'choice', options: same(TAP_SURFACES) },
  { key: 'makesClass', label: 'Makes class', kind: 'text', optional: true, hint: '6H, 2B' },
  { key: 'ground', label: 'Ground thread', kind: 'check' },
  { key: 'overallMm', label: 'Overall length', kind: 'length' },
  { key: 'threadMm', label: 'Length of thread', kind: 'length' },
  { key: 'neckMm', label: 'Neck', kind: 'length', optional: true },
  { key: 'shankMm', label: 'Shank', kind: 'length' },
  { key: 'squareMm', label: 'Square', kind: 'length' },
  { key: 'centre', label: 'Centre at the front', kind: 'choice', options: same(TAP_CENTRES) },
  { key: 'where', label: 'Location', kind: 'text', optional: true },
];

/** What can be added at once, and the taps that it is made of. */
const NEW: Record<string, [label: string, roles: TapRole[]]> = {
  set: ['hand set: taper, plug, bottoming', ['taper', 'plug', 'bottoming']],
  taper: ['taper', ['taper']],
  plug: ['plug', ['plug']],
  bottoming: ['bottoming', ['bottoming']],
  ground: ['ground bottoming', ['ground-bottoming']],
  point: ['spiral point', ['spiral-point']],
  spiral: ['spiral flute', ['spiral-flute']],
  form: ['forming', ['form']],
  serial: ['serial set: rougher, intermediate, finisher', ['rougher', 'intermediate', 'finisher']],
};

interface Props {
  taps: TapEntry[];
  names: TapNames;
  state: CribState;
  display: Display;
}

/** The taps in their rack: find them, add with usual figures, change, copy, mark worn or broken. */
export function TapsPanel({ taps, names, state, display }: Props) {
  const [open, setOpen] = useState<TapEntry>();
  const { search, setSearch, shown, show, showAdded } = useFind(
    taps,
    (t, text) =>
      hasWords(`${t.thread} ${tapName(t, names)} ${t.geometry} ${t.condition} ${t.steel} ${t.hand} ${t.where}`, text),
    (t) => t.thread,
  );
  const [thread, setThread] = useState('');
  const [kind, setKind] = useState('set');
  const [wrong, setWrong] = useState<string>();
  const fresh = (tap: OwnTap): TapEntry => ({ ...tap, version: 0 });
  const label = (t: OwnTap): string => `${t.thread} ${tapName(t, names)}`;

  async function add(): Promise<void> {
    const found = threadNamed(thread);
    if (!found) return setWrong('Enter a thread as on a drawing, such as M8 or 1/4-20.');
    setWrong(undefined);
    const made = NEW[kind][1].map((role) => usualOwnTap(uuidv7(), found, role));
    if (made.length === 1) return setOpen(fresh(made[0]));
    const got = await send('POST', '/api/v1/crib/import', { taps: made });
    state.heard(got);
    if (got.ok) {
      setThread('');
      show(fresh(made[0]));
    }
    state.refresh();
  }
  const mark = (tap: TapEntry, condition: OwnTap['condition']): void => {
    setOpen(undefined);
    void state.mark('taps', tap, { condition }, `${label(tap)} marked ${condition}.`);
  };

  return (
    <div className="flex flex-col gap-3">
      <form
        className="plate flex flex-wrap items-end gap-3 p-3"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <TextField
          label="Add: thread"
          value={thread}
          onChange={setThread}
          placeholder="M8"
          error={wrong}
          className="w-44"
        />
        <SelectField label="Kind" value={kind} onChange={setKind} className="w-72">
          {Object.entries(NEW).map(([id, [text]]) => (
            <option key={id} value={id}>
              {text}
            </option>
          ))}
        </SelectField>
        <button type="submit" className="btn">
          Add
        </button>
        <TextField
          label="Find"
          value={search}
          onChange={setSearch}
          placeholder="M6 worn, spiral"
          className="ml-auto w-56"
        />
      </form>
      <p className="text-[15px]">
        Broken and missing taps are not used; worn ones count as duller. The number is the chamfer, in threads. With no
        taps here the plans assume the usual ones.
      </p>
      <TapRack
        taps={shown}
        names={names}
        onPick={setOpen}
        onGap={(name, role) => {
          const found = threadNamed(name);
          if (found) setOpen(fresh(usualOwnTap(uuidv7(), found, role)));
        }}
      />
      {shown.length === 0 && <p>{taps.length === 0 ? 'No taps yet.' : 'No tap like that.'}</p>}
      {open && (
        <RecordDialog
          title={open.version === 0 ? `Add: ${label(open)}` : label(open)}
          fields={FIELDS}
          value={open}
          display={display}
          schema={TAP}
          compose={(t) => {
            const { version: _, ...tap } = t as TapEntry;
            return { ...tap, neckMm: tap.neckMm ?? 0 };
          }}
          onSave={(t) => {
            // The schema names a thread as the standards do: M8 is M8x1.25.
            const tap = TAP.parse(t);
            return open.version === 0
              ? showAdded(fresh(tap), state.add('taps', tap))
              : state.put('taps', { ...tap, version: open.version });
          }}
          onRemove={open.version === 0 ? undefined : () => void state.remove('taps', open, label(open))}
          onClose={() => setOpen(undefined)}
        >
          {open.version > 0 && (
            <div className="flex flex-wrap gap-2">
              {TAP_CONDITIONS.filter((c) => c !== open.condition).map((c) => (
                <button key={c} type="button" className="btn" onClick={() => mark(open, c)}>
                  Mark {c}
                </button>
              ))}
              <button type="button" className="btn" onClick={() => setOpen({ ...open, id: uuidv7(), version: 0 })}>
                Copy
              </button>
            </div>
          )}
        </RecordDialog>
      )}
    </div>
  );
}
