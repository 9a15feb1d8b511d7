'use client';

import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { mainCut, type HolePlan } from '@/core/hole/hole-plan';
import { MAIN_KEY } from '@/core/operation/operation';
import { parseLength } from '@/core/units/length';
import { type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import type { HolesState } from './use-holes';

/** Adds a drill or a step in words to the plan. */
export function Insert({ plan, state, display }: { plan: HolePlan; state: HolesState; display: Display }) {
  const [kind, setKind] = useState<'drill' | 'note'>();
  const [text, setText] = useState('');
  const [second, setSecond] = useState('');
  const [fault, setFault] = useState<string>();
  if (!kind)
    return (
      <div className="mt-1 flex gap-2 border-t border-steel-200 pt-2">
        <button type="button" className="btn h-9" onClick={() => setKind('drill')}>
          Add a drill
        </button>
        <button type="button" className="btn h-9" onClick={() => setKind('note')}>
          Add a step
        </button>
      </div>
    );
  function add(): void {
    if (text.trim() === '') {
      setFault(kind === 'drill' ? 'Enter a drill: 6.8, 17/64, #7 or F.' : 'Enter what to do.');
      return;
    }
    const key = `own-${uuidv7().slice(-12)}`;
    if (kind === 'drill') {
      const parsed = parseLength(second, display === 'inch' ? 'in' : 'mm');
      const fullMm = second.trim() === '' ? (mainCut(plan)?.spec.fullMm ?? NaN) : parsed.ok ? parsed.value.mm : NaN;
      if (!(fullMm > 0)) {
        setFault('Enter the depth at full diameter.');
        return;
      }
      const main = plan.operations.findIndex((op) => op.key === MAIN_KEY);
      const keys = plan.operations.map((op) => op.key);
      state.setEdits((e) => ({
        ...e,
        inserted: [...(e.inserted ?? []), { key, kind: 'drill', drill: text.trim(), fullMm }],
        order: main < 0 ? e.order : [...keys.slice(0, main), key, ...keys.slice(main)],
      }));
    } else {
      const minutes = Number(second.replace(',', '.') || '1');
      state.setEdits((e) => ({
        ...e,
        inserted: [
          ...(e.inserted ?? []),
          { key, kind: 'note', text: text.trim(), seconds: Number.isFinite(minutes) ? Math.max(0, minutes * 60) : 60 },
        ],
      }));
    }
    setKind(undefined);
    setText('');
    setSecond('');
    setFault(undefined);
  }
  return (
    <form
      className="mt-1 flex flex-wrap items-end gap-2 border-t border-steel-200 pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <Choice
        label="Add"
        value={kind}
        onChange={setKind}
        options={[
          ['drill', 'drill'],
          ['note', 'step'],
        ]}
      />
      <TextField
        label={kind === 'drill' ? 'Which' : 'What to do'}
        value={text}
        onChange={setText}
        className={kind === 'drill' ? 'w-24' : 'w-56'}
        error={fault}
      />
      <TextField
        label={kind === 'drill' ? `Depth, ${display === 'inch' ? 'in' : 'mm'}` : 'Minutes'}
        value={second}
        onChange={setSecond}
        className="w-24"
      />
      <button type="submit" className="btn">
        Add
      </button>
      <button type="button" className="btn" onClick={() => setKind(undefined)}>
        Cancel
      </button>
    </form>
  );
}
