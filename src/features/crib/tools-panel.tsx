'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { TOOL_KINDS, type ToolKind } from '@/core/shop/tool';
import { showText, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import type { RecordField } from '@/ui/record-dialog';
import type { ToolEntry } from '@/contracts/crib';
import { CONDITIONS } from './drills-panel';
import type { CribState } from './use-crib';

const RecordDialog = dynamic(() => import('@/ui/record-dialog'), { ssr: false });

const KINDS = Object.entries(TOOL_KINDS) as [ToolKind, string][];

/** Which figures a kind has, with the name that each bears there. */
const FIGURES: Record<ToolKind, readonly RecordField[]> = {
  'centre-drill': [
    { key: 'smallMm', label: 'Tip', kind: 'length' },
    { key: 'diameterMm', label: 'Body', kind: 'length', optional: true },
  ],
  'spot-drill': [
    { key: 'diameterMm', label: 'Body', kind: 'length' },
    { key: 'angleDeg', label: 'Angle, degrees', kind: 'number' },
  ],
  countersink: [
    { key: 'diameterMm', label: 'Widest', kind: 'length' },
    { key: 'angleDeg', label: 'Angle, degrees', kind: 'number' },
  ],
  counterbore: [
    { key: 'diameterMm', label: 'Diameter', kind: 'length' },
    { key: 'smallMm', label: 'Pilot', kind: 'length', optional: true },
    { key: 'reachMm', label: 'Reaches', kind: 'length', optional: true },
  ],
  reamer: [
    { key: 'diameterMm', label: 'Diameter', kind: 'length' },
    { key: 'fit', label: 'Makes fit', kind: 'text', optional: true, hint: 'H7' },
    { key: 'reachMm', label: 'Reaches', kind: 'length', optional: true },
  ],
  'step-drill': [
    { key: 'smallMm', label: 'First step', kind: 'length' },
    { key: 'stepMm', label: 'Rises by', kind: 'length' },
    { key: 'diameterMm', label: 'Last step', kind: 'length' },
    { key: 'reachMm', label: 'Height of a step', kind: 'length', optional: true },
  ],
  'annular-cutter': [
    { key: 'diameterMm', label: 'Diameter', kind: 'length' },
    { key: 'reachMm', label: 'Cuts to', kind: 'length', optional: true },
  ],
  'hole-saw': [
    { key: 'diameterMm', label: 'Diameter', kind: 'length' },
    { key: 'reachMm', label: 'Cuts to', kind: 'length', optional: true },
  ],
  punch: [{ key: 'angleDeg', label: 'Angle, degrees', kind: 'number', optional: true }],
  layout: [{ key: 'reachMm', label: 'Reaches', kind: 'length', optional: true }],
  fluid: [],
  'work-holding': [{ key: 'reachMm', label: 'Opens to', kind: 'length', optional: true }],
};

const fieldsOf = (kind: ToolKind): readonly RecordField[] => [
  { key: 'name', label: 'Name', kind: 'text' },
  ...FIGURES[kind],
  { key: 'condition', label: 'Condition', kind: 'choice', options: CONDITIONS },
  { key: 'where', label: 'Lies in', kind: 'text', optional: true },
];

interface Props {
  tools: ToolEntry[];
  state: CribState;
  display: Display;
}

/** Everything else of the crib by kind: find it, add, change, mark blunt or lost. */
export function ToolsPanel({ tools, state, display }: Props) {
  const [open, setOpen] = useState<ToolEntry>();
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const shown = tools.filter((t) =>
    [t.name, t.where ?? '', t.condition ?? '', TOOL_KINDS[t.kind]].some((text) => text.toLowerCase().includes(wanted)),
  );
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <p className="mr-auto max-w-xl">
          What is marked blunt or lost is not chosen. A kind with nothing in it is said in the plan as to be got.
        </p>
        <TextField
          label="Find"
          value={search}
          onChange={setSearch}
          placeholder="reamer, mill drawer"
          className="w-56"
        />
      </div>
      <div className="grid items-start gap-3 md:grid-cols-2 xl:grid-cols-3">
        {KINDS.map(([kind, label]) => {
          const list = shown.filter((t) => t.kind === kind);
          if (wanted !== '' && list.length === 0) return null;
          return (
            <section key={kind} className="plate p-3">
              <div className="flex items-center justify-between">
                <h2 className="font-cond text-xl font-semibold">{label}</h2>
                <button
                  type="button"
                  className="btn h-9"
                  aria-label={`Add: ${label}`}
                  onClick={() => setOpen({ id: uuidv7(), version: 0, kind, name: '', condition: 'sharp' })}
                >
                  Add
                </button>
              </div>
              <ul>
                {list.map((t) => (
                  <li key={t.id} className="border-t border-steel-200 first:border-0">
                    <button
                      type="button"
                      className="flex min-h-10 w-full flex-wrap items-baseline gap-x-2 py-1 text-left"
                      onClick={() => setOpen(t)}
                    >
                      <strong className={t.condition === 'blunt' || t.condition === 'lost' ? 'line-through' : ''}>
                        {t.name}
                      </strong>
                      <span className="text-[15px] text-steel-700">
                        {[
                          ...FIGURES[t.kind].flatMap((f) => {
                            const value = t[f.key as keyof ToolEntry];
                            return f.kind === 'length' && value !== undefined
                              ? [`${f.label.toLowerCase()} ${showText({ value: Number(value), unit: 'mm' }, display)}`]
                              : [];
                          }),
                          ...(t.condition && t.condition !== 'sharp' ? [t.condition] : []),
                          ...(t.where ? [t.where] : []),
                        ].join(', ')}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
              {list.length === 0 && <p className="text-[15px] text-steel-700">None.</p>}
            </section>
          );
        })}
      </div>
      {open && (
        <RecordDialog
          title={open.version === 0 ? `Add: ${TOOL_KINDS[open.kind]}` : open.name}
          fields={fieldsOf(open.kind)}
          value={open}
          display={display}
          onSave={(t) => {
            const { version: _, ...tool } = t as ToolEntry;
            return open.version === 0
              ? state.add('tools', tool)
              : state.put('tools', { ...tool, version: open.version });
          }}
          onRemove={open.version === 0 ? undefined : () => void state.remove('tools', open, open.name)}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}
