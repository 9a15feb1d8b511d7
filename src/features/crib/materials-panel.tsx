'use client';

import { later } from '@/ui/later';
import { z } from 'zod';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { sfmToMPerMin } from '@/core/cutting/cutting-speed';
import { MATERIAL_GROUPS } from '@/core/materials/material';
import { showText, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import type { RecordField } from '@/ui/record-dialog';
import { CRIB_INPUT, type MaterialEntry } from '@/contracts/crib';
import type { CribState } from './use-crib';
import { hasWords, useFind } from './use-find';

const RecordDialog = later(() => import('@/ui/record-dialog'));

const number = (key: string, label: string, hint?: string): RecordField => ({ key, label, kind: 'number', hint });
const MATERIAL = z.object(CRIB_INPUT.materials.shape);
const FIELDS: readonly RecordField[] = [
  { key: 'label', label: 'Name', kind: 'text' },
  {
    key: 'group',
    label: 'Group',
    kind: 'choice',
    options: MATERIAL_GROUPS.map((g) => [g, g] as const),
  },
  number('hardnessHb', 'Hardness, HB'),
  { key: 'tensileMPa', label: 'Tensile strength', kind: 'strength' },
  { key: 'shearMPa', label: 'Shear strength', kind: 'strength' },
  number('elongationPercent', 'Elongation, %'),
  { key: 'drillSfmHss.low', label: 'Drill at, low', kind: 'cutting-speed' },
  { key: 'drillSfmHss.start', label: 'Drill at, start here', kind: 'cutting-speed' },
  { key: 'drillSfmHss.high', label: 'Drill at, high', kind: 'cutting-speed' },
  number('feedFactor', 'Feed, share of mild steel'),
  { key: 'tapSfmCut.low', label: 'Tap at, low', kind: 'cutting-speed' },
  { key: 'tapSfmCut.high', label: 'Tap at, high', kind: 'cutting-speed' },
  number('threadPercent.low', 'Thread, %, minimum'),
  number('threadPercent.target', 'Thread, %, target'),
  number('threadPercent.high', 'Thread, %, maximum'),
  { key: 'kc11', label: 'Cutting force at 1 mm of chip', kind: 'strength', hint: 'For torque: our model.' },
  number('mc', 'Its exponent'),
  {
    key: 'chips',
    label: 'Chips',
    kind: 'choice',
    options: [
      ['short', 'short'],
      ['powder', 'powder'],
      ['long', 'long'],
      ['stringy', 'stringy'],
    ],
  },
  {
    key: 'formTapping',
    label: 'Thread forming',
    kind: 'choice',
    options: [
      ['good', 'good'],
      ['marginal', 'marginal'],
      ['no', 'no'],
    ],
  },
  { key: 'lubricant', label: 'Fluid', kind: 'text' },
  { key: 'runsDry', label: 'Cut dry as a rule', kind: 'check' },
  { key: 'notes', label: 'Notes', kind: 'text', optional: true },
  { key: 'hazard', label: 'Hazard', kind: 'text', optional: true },
];

interface Props {
  materials: MaterialEntry[];
  state: CribState;
  display: Display;
}

/** Work materials: copy one and change the copy to the metal at hand. */
export function MaterialsPanel({ materials, state, display }: Props) {
  const [open, setOpen] = useState<MaterialEntry>();
  const { search, setSearch, shown, showAdded } = useFind(
    materials,
    (m, wanted) => hasWords(`${m.label} ${m.group} ${m.notes}`, wanted),
    (m) => m.label,
  );
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <p className="mr-auto max-w-xl">
          Typical figures. Copy a material, name the copy after your bar, and enter what your own work has shown.
        </p>
        <TextField label="Find" value={search} onChange={setSearch} placeholder="stainless" className="w-56" />
      </div>
      <div className="plate relative overflow-x-auto">
        <table className="w-full text-[15px]">
          <thead>
            <tr className="border-b border-steel-300 text-left font-cond text-base">
              <th className="sticky left-0 bg-steel-50 p-2">Material</th>
              <th className="p-2">Hardness</th>
              <th className="p-2">Drill at</th>
              <th className="p-2">Feed, × mild steel</th>
              <th className="p-2">Thread</th>
              <th className="p-2">Chips</th>
              <th className="p-2">Fluid</th>
              <th className="p-2">
                <span className="sr-only">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((m) => (
              <tr key={m.id} className="border-b border-steel-200 last:border-0">
                <th scope="row" className="sticky left-0 max-w-40 bg-steel-50 p-2 text-left sm:max-w-none">
                  {m.label}
                </th>
                <td className="p-2 whitespace-nowrap">{m.hardnessHb > 0 ? `${m.hardnessHb} HB` : '—'}</td>
                <td className="p-2 whitespace-nowrap">
                  {showText({ value: sfmToMPerMin(m.drillSfmHss.start), unit: 'm/min' }, display)}
                </td>
                <td className="p-2">{m.feedFactor}</td>
                <td className="p-2 whitespace-nowrap">{m.threadPercent.target} %</td>
                <td className="p-2">{m.chips}</td>
                <td className="p-2">{m.lubricant}</td>
                <td className="p-2 whitespace-nowrap">
                  <button type="button" className="btn h-9" aria-label={`Change ${m.label}`} onClick={() => setOpen(m)}>
                    Change
                  </button>{' '}
                  <button
                    type="button"
                    className="btn h-9"
                    aria-label={`Copy ${m.label}`}
                    onClick={() => setOpen({ ...m, id: uuidv7(), version: 0, label: `${m.label} (copy)` })}
                  >
                    Copy
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {open && (
        <RecordDialog
          title={open.version === 0 ? 'A copy to change' : open.label}
          fields={FIELDS}
          value={open}
          display={display}
          schema={MATERIAL}
          compose={(m) => ({ notes: '', hazard: '', ...m })}
          onSave={(value) => {
            const { version: _, ...m } = value as MaterialEntry;
            const material = { ...m, notes: m.notes ?? '', hazard: m.hazard ?? '' };
            return open.version === 0
              ? showAdded(value as MaterialEntry, state.add('materials', material))
              : state.put('materials', { ...material, version: open.version });
          }}
          onRemove={open.version === 0 ? undefined : () => void state.remove('materials', open, open.label)}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}
