'use client';

import { useState } from 'react';
import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { FilePreview } from '@/ui/file-preview';
import { ReadingBar } from '@/ui/reading-bar';
import { ColumnMapping } from './column-map';
import { WITH_DOUBLES, type WithDoubles } from './csv-features';
import { Export } from './export';
import { Mate } from './mate';
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
  const { preview, setPreview, reader, doubles, setDoubles, already, ...files } = useImport(state, machineId, display);
  const { face } = state;
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
        {preview && !preview.table && (
          <FilePreview
            name={preview.file}
            problems={preview.problems}
            understood={preview.found?.understood}
            leftOut={preview.found?.leftOut}
            display={display}
            onTake={
              (preview.found ?? preview.whole) &&
              (() => {
                files.take(preview);
                setPasted('');
              })
            }
            onLeave={() => setPreview(undefined)}
          >
            {already > 0 && (
              <Choice
                label={already === 1 ? 'One hole stands there already' : `${already} stand there already`}
                value={doubles}
                onChange={setDoubles}
                options={Object.entries(WITH_DOUBLES) as [WithDoubles, string][]}
              />
            )}
            {preview.whole && (
              <p>A whole part: {preview.whole.holes.length} features. It replaces what is here; undo restores it.</p>
            )}
          </FilePreview>
        )}
      </section>
      <Mate jobId={jobId} face={face} onFound={(file, found) => setPreview({ file, found, problems: [] })} />
      <Export state={state} name={name} jobId={jobId} letters={letters} />
    </div>
  );
}
