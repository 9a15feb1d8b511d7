'use client';

import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Problem } from '@/core/answer/answer';
import type { CribFile } from '@/core/formats/crib-csv';
import { tell, type Display } from '@/core/units/show';
import { SelectField } from '@/ui/field';
import { download, FilePreview } from '@/ui/file-preview';
import { ReadingBar } from '@/ui/reading-bar';
import { send } from '@/ui/send';
import { useFileReader } from '@/ui/use-file-reader';
import type { CaseEntry, TapEntry, ToolEntry } from '@/contracts/crib';
import { drillItem } from './drills-panel';
import { CopiesPanel } from './copies-panel';
import type { CribState } from './use-crib';

interface Props {
  cases: CaseEntry[];
  tools: ToolEntry[];
  taps: TapEntry[];
  state: CribState;
  display: Display;
}

interface Preview {
  name: string;
  found?: CribFile;
  problems: Problem[];
}

/** Drills, taps and tools as a table in and out; what was understood is shown before anything changes. */
export function FilesPanel({ cases, tools, taps, state, display }: Props) {
  const [preview, setPreview] = useState<Preview>();
  const reader = useFileReader();
  const [pasted, setPasted] = useState('');
  const [into, setInto] = useState(cases[0]?.id ?? '');
  const [done, setDone] = useState<string>();

  async function look(name: string, file: Blob): Promise<void> {
    setDone(undefined);
    setPreview(undefined);
    const read = await reader.read(name, file, 'crib-csv', display === 'inch' ? 'in' : 'mm');
    setPreview(read.ok ? { name, found: read.value, problems: [] } : { name, problems: read.problems });
  }
  async function take(found: CribFile): Promise<void> {
    const caseOf = (name: string): string => cases.find((c) => c.name === name || c.id === name)?.id ?? into;
    const got = await send('POST', '/api/v1/crib/import', {
      drills: found.drills.map((d) => drillItem(caseOf(d.case), d, d.id ?? uuidv7())),
      tools: found.tools.map((t) => ({ ...t, id: t.id ?? uuidv7() })),
      taps: found.taps.map((t) => ({ ...t, id: t.id ?? uuidv7() })),
    });
    state.heard(got);
    if (!got.ok) return;
    setDone(found.understood.map((p) => tell(p, display)).join(' '));
    setPreview(undefined);
    setPasted('');
    state.refresh();
  }
  async function out(): Promise<void> {
    const { writeCribCsv } = await import('@/core/formats/crib-csv');
    const text = writeCribCsv(
      cases.flatMap((c) => c.drills.map((d) => ({ ...d, case: c.name }))),
      tools,
      taps,
    );
    download('crib.csv', 'text/csv', text);
  }

  return (
    <div className="grid items-start gap-3 md:grid-cols-2">
      <section className="plate flex flex-col gap-3 p-3">
        <h2 className="font-cond text-xl font-semibold">Import</h2>
        <p className="text-[15px]">
          A table with a first line: kind, name, diameter; also case, small, step, angle, fit, reach, material,
          condition, where, id; for taps thread, geometry, chamfer threads, flutes, set. A row whose id is already here
          changes that entry.
        </p>
        <SelectField label="Drills without a case go into" value={into} onChange={setInto}>
          {cases.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </SelectField>
        <label className="flex flex-col gap-1">
          <span className="label">CSV file</span>
          <input
            type="file"
            accept=".csv,.tsv,.txt"
            className="file-field"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void look(file.name, file);
              e.target.value = '';
            }}
          />
        </label>
        <label className="flex flex-col gap-1">
          <span className="label">Or paste cells</span>
          <textarea
            className="field h-24 py-1 font-mono text-sm"
            value={pasted}
            onChange={(e) => setPasted(e.target.value)}
            placeholder={'kind\tname\tdiameter\ndrill\t6.8\t\nreamer\tReamer 12 H7\t12'}
          />
        </label>
        <button
          type="button"
          className="btn self-start"
          disabled={pasted.trim() === ''}
          onClick={() => void look('pasted cells', new Blob([pasted]))}
        >
          Preview
        </button>
        <ReadingBar reading={reader.reading} onCancel={reader.cancel} />
        {done && <p role="status">Imported: {done}</p>}
        {preview && (
          <FilePreview
            name={preview.name}
            problems={preview.problems}
            understood={preview.found?.understood}
            display={display}
            onTake={preview.found && (() => preview.found && void take(preview.found))}
            onLeave={() => setPreview(undefined)}
          />
        )}
      </section>
      <div className="flex flex-col gap-3">
        <section className="plate flex flex-col gap-3 p-3">
          <h2 className="font-cond text-xl font-semibold">Export</h2>
          <p className="text-[15px]">
            Every drill, tap and tool, a row each. The table can be imported again unchanged.
          </p>
          <button type="button" className="btn self-start" onClick={() => void out()}>
            CSV
          </button>
        </section>
        <CopiesPanel />
      </div>
    </div>
  );
}
