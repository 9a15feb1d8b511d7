'use client';

import { useState } from 'react';
import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { ReadingBar } from '@/ui/reading-bar';
import { ColumnMapping } from './column-map';
import { Export } from './export';
import { ImportPreview } from './import-preview';
import { useImport } from './use-import';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  display: Display;
  name: string;
  jobId: string;
  machineId: string;
  letters: ReadonlyMap<string, string>;
}

/** Files in, with a look at what was understood before anything changes; files out. */
export function TransferPanel({ state, display, name, jobId, machineId, letters }: Props) {
  const [pasted, setPasted] = useState('');
  const [unit, setUnit] = useState<'mm' | 'inch'>(display);
  const files = useImport(state, machineId, display);
  const { preview, reader } = files;
  const bring = (named: string, file: Blob): void => void files.bring(named, file, unit);
  return (
    <div className="flex flex-col gap-3">
      <section className="flex flex-col gap-2">
        <h2 className="font-cond text-lg font-semibold">Import</h2>
        <Choice
          label="Unit, if the file gives none"
          value={unit}
          onChange={setUnit}
          options={[
            ['mm', 'mm'],
            ['inch', 'inch'],
          ]}
        />
        <label className="flex flex-col gap-1">
          <span className="label">DXF, CSV or JSON</span>
          <input
            type="file"
            accept=".dxf,.csv,.tsv,.txt,.json"
            className="file-field"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) bring(file.name, file);
              e.target.value = '';
            }}
          />
        </label>
        <label className="flex flex-col gap-1">
          <span className="label">Or paste cells from a spreadsheet</span>
          <textarea
            className="field h-20 py-1 font-mono text-sm"
            value={pasted}
            onChange={(e) => setPasted(e.target.value)}
            placeholder={'callout\tx\ty\nM8 THRU\t20\t15'}
          />
        </label>
        <button
          type="button"
          className="btn self-start"
          disabled={pasted.trim() === ''}
          onClick={() => bring('pasted cells', new Blob([pasted]))}
        >
          Preview
        </button>
        <ReadingBar reading={reader.reading} onCancel={reader.cancel} />
        {preview?.table && (
          <ColumnMapping
            key={preview.table.head.headings.join()}
            head={preview.table.head}
            onUse={(map) => void files.bringMapped(preview.file, preview.table?.text ?? '', map, unit)}
          />
        )}
        <ImportPreview files={files} display={display} onTaken={() => setPasted('')} />
      </section>
      <Export state={state} name={name} jobId={jobId} letters={letters} />
    </div>
  );
}
