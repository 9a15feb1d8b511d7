'use client';

import { later } from '@/ui/later';
import { z } from 'zod';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { INSTRUMENTS } from '@/core/shop/instrument-check';
import { checkOfTool, TOOL_KINDS, type ToolKind } from '@/core/shop/tool';
import { showText, tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import type { RecordField } from '@/ui/record-dialog';
import { CRIB_INPUT, type ToolEntry } from '@/contracts/crib';
import { CONDITIONS } from './drills-panel';
import type { CribState } from './use-crib';
import { hasWords, useFind } from './use-find';

const RecordDialog = later(() => import('@/ui/record-dialog'));

const TOOL = z.object(CRIB_INPUT.tools.shape);
const KINDS = Object.entries(TOOL_KINDS) as [ToolKind, string][];

/** What a sheet names a gauge by. */
const KNOWN_BY: readonly RecordField[] = [
  { key: 'number', label: 'Number', kind: 'text', optional: true, hint: 'G-14' },
  { key: 'checkedOn', label: 'Last checked', kind: 'text', optional: true, hint: '2026-10-02' },
];

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
  die: [{ key: 'thread', label: 'Thread', kind: 'text', hint: 'M8x1.25' }],
  'die-stock': [{ key: 'diameterMm', label: 'Takes dies of', kind: 'length', optional: true }],
  'chasing-nut': [{ key: 'thread', label: 'Thread', kind: 'text', hint: 'M8x1.25' }],
  'tap-wrench': [
    { key: 'smallMm', label: 'Smallest square', kind: 'length' },
    { key: 'diameterMm', label: 'Largest square', kind: 'length' },
    { key: 'reachMm', label: 'Length', kind: 'length', optional: true },
  ],
  'tap-holder': [
    { key: 'smallMm', label: 'Smallest shank', kind: 'length' },
    { key: 'diameterMm', label: 'Largest shank', kind: 'length' },
  ],
  'tapping-head': [
    { key: 'smallMm', label: 'Smallest thread', kind: 'length' },
    { key: 'diameterMm', label: 'Largest thread', kind: 'length' },
    { key: 'fromNm', label: 'Clutch from, Nm', kind: 'number' },
    { key: 'toNm', label: 'Clutch to, Nm', kind: 'number' },
    {
      key: 'fit',
      label: 'Blind holes',
      kind: 'choice',
      optional: true,
      options: [['depth stop', 'with depth stop and float']],
    },
  ],
  'tapping-block': [{ key: 'diameterMm', label: 'Largest thread', kind: 'length', optional: true }],
  'spring-centre': [],
  extractor: [{ key: 'diameterMm', label: 'For taps of', kind: 'length', optional: true }],
  'thread-gauge': [
    { key: 'thread', label: 'Thread', kind: 'text', hint: 'M8x1.25' },
    { key: 'fit', label: 'Class', kind: 'text', optional: true, hint: '6H' },
    ...KNOWN_BY,
  ],
  'gauge-pin': [
    { key: 'smallMm', label: 'From', kind: 'length' },
    { key: 'diameterMm', label: 'To', kind: 'length' },
    { key: 'stepMm', label: 'By', kind: 'length', optional: true },
    ...KNOWN_BY,
  ],
  measuring: [
    {
      key: 'instrument',
      label: 'Measures as',
      kind: 'choice',
      options: Object.entries(INSTRUMENTS).map(([id, { label }]) => [id, label] as const),
    },
    { key: 'standardMm', label: 'Checked against', kind: 'length', optional: true, hint: 'gauge block or pin' },
    { key: 'readings', label: 'Read there, mm', kind: 'text', optional: true, hint: '50.02 50.03 50.02' },
    ...KNOWN_BY,
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
  { key: 'where', label: 'Location', kind: 'text', optional: true },
];

interface Props {
  tools: ToolEntry[];
  state: CribState;
  display: Display;
}

/** How true a measuring instrument reads, by its last check. */
function InstrumentSaid({ tool, display }: { tool: ToolEntry; display: Display }) {
  const check = checkOfTool(tool);
  if (!check) return null;
  return (
    <span className={`basis-full text-[15px] ${check.off ? 'font-bold text-danger' : 'text-pass'}`}>
      {check.off ? '! ' : '✓ '}
      {tell(check.said, display)}
    </span>
  );
}

/** Everything else of the crib by kind: find it, add, change, mark blunt or lost. */
export function ToolsPanel({ tools, state, display }: Props) {
  const [open, setOpen] = useState<ToolEntry>();
  const { search, setSearch, wanted, shown, showAdded } = useFind(
    tools,
    (t, text) => hasWords([t.name, t.where, t.condition, TOOL_KINDS[t.kind]].join(' '), text),
    (t) => t.name,
  );
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <p className="mr-auto max-w-xl">
          Tools marked blunt or lost are not used. A kind with none shows in the plan as to buy.
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
                      <InstrumentSaid tool={t} display={display} />
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
          schema={TOOL}
          onSave={(t) => {
            const { version: _, ...tool } = t as ToolEntry;
            return open.version === 0
              ? showAdded(t as ToolEntry, state.add('tools', tool))
              : state.put('tools', { ...tool, version: open.version });
          }}
          onRemove={open.version === 0 ? undefined : () => void state.remove('tools', open, open.name)}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}
