'use client';

import { useState } from 'react';
import type { FeatureInput, Job } from '@/contracts/job';
import type { Problem } from '@/core/answer/answer';
import type { ColumnMap, TableHead } from '@/core/formats/table-columns';
import type { Imported } from '@/core/layout/imported';
import type { Display } from '@/core/units/show';
import { facesOf, type FaceId } from '@/core/layout/part';
import { countHoles, MOST_HOLES } from '@/core/layout/place';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';
import { download, FilePreview } from '@/ui/file-preview';
import { ReadingBar } from '@/ui/reading-bar';
import { send } from '@/ui/send';
import { useFileReader } from '@/ui/use-file-reader';
import { useJobList } from '../job-store/use-job-list';
import { ColumnMapping } from './column-map';
import {
  csvFeature,
  doublesOf,
  featuresFrom,
  WITH_DOUBLES,
  withImported,
  type Usual,
  type WithDoubles,
} from './csv-features';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  display: Display;
  name: string;
  jobId: string;
  machineId: string;
  letters: ReadonlyMap<string, string>;
}

interface Preview {
  file: string;
  found?: Imported;
  /** A whole part of ours, which replaces what is here. */
  whole?: { part: PlateState['plan']['part']; holes: FeatureInput[] };
  problems: Problem[];
  /** A table whose headings are not ours: its columns have to be named. */
  table?: { text: string; head: TableHead };
}

/** Largest file read, bytes. */
const MOST_BYTES = 20_000_000;
const TOO_LARGE: Problem = {
  code: 'file-large',
  field: 'file',
  text: 'The file is larger than 20 MB.',
  remedy: { text: 'Import one part at a time.' },
};

/** Files in, with a look at what was understood before anything changes; files out. */
export function TransferPanel({ state, display, name, jobId, machineId, letters }: Props) {
  const { plan, laid, face, edit } = state;
  const [preview, setPreview] = useState<Preview>();
  const [doubles, setDoubles] = useState<WithDoubles>('update');
  const reader = useFileReader();
  const [pasted, setPasted] = useState('');
  const [unit, setUnit] = useState<'mm' | 'inch'>(display);
  const base = `${name.replace(/[^\w-]+/g, '-').toLowerCase()}-${face}`;
  const label = (id: string): string => {
    const hole = plan.holes.find((h) => h.id === id);
    return `${letters.get(id) ?? ''} ${hole?.question.callout ?? ''}`.trim();
  };

  const usual: Usual = {
    face,
    question: { machine: machineId, units: display },
    taken: new Set(plan.holes.map((h) => h.id)),
  };

  /** What was found, with the answers in it that are none said. */
  function said(found: Imported): Imported {
    const wrong = featuresFrom(found, usual).wrong.map((key) => ({
      text: '“{key}” has a value that can’t be used.',
      values: { key },
    }));
    return { ...found, leftOut: [...found.leftOut, ...wrong] };
  }
  function tooMany(found: Imported): Problem[] {
    const total = countHoles(withImported(plan.holes, found, usual, 'update'));
    if (total <= MOST_HOLES) return [];
    return [
      {
        code: 'place-many',
        field: 'file',
        text: 'With these the part has {total} holes; at most {most}.',
        values: { total, most: MOST_HOLES },
        remedy: { text: 'Import fewer, or split the part into two jobs.' },
      },
    ];
  }
  async function bring(name: string, file: Blob): Promise<void> {
    setPreview(undefined);
    if (file.size > MOST_BYTES) {
      setPreview({ file: name, problems: [TOO_LARGE] });
      return;
    }
    const bare = unit === 'inch' ? 'in' : 'mm';
    if (/\.json$/i.test(name)) {
      const { readPartFile } = await import('./read-part-file');
      const text = await reader.read(name, file, 'text', bare);
      setPreview({ file: name, ...(text.ok ? readPartFile(text.value) : { problems: text.problems }) });
      return;
    }
    const read = await reader.read(name, file, /\.dxf$/i.test(name) ? 'dxf' : 'plate-csv', bare);
    const problems = read.ok ? tooMany(read.value) : read.problems;
    if (problems[0]?.code === 'csv-columns') {
      const { tableHead } = await import('@/core/formats/table-columns');
      const text = await file.text();
      setPreview({ file: name, problems: [], table: { text, head: tableHead(text) } });
      return;
    }
    setDoubles('update');
    setPreview({ file: name, problems, ...(read.ok && problems.length === 0 ? { found: said(read.value) } : {}) });
  }
  function take({ found, whole }: Preview): void {
    if (whole) edit(() => whole);
    else if (found) {
      edit((p) => ({
        part: found.stock ? { ...p.part, stock: found.stock } : p.part,
        holes: withImported(p.holes, found, usual, doubles),
      }));
    }
    setPreview(undefined);
    setPasted('');
  }
  async function bringMapped(name: string, text: string, map: ColumnMap): Promise<void> {
    const { withOurColumns } = await import('@/core/formats/table-columns');
    await bring(name, new Blob([withOurColumns(text, map)]));
  }
  const already = preview?.found ? doublesOf(preview.found, usual, plan.holes).length : 0;
  async function out(kind: 'dxf' | 'csv' | 'svg' | 'json'): Promise<void> {
    if (kind === 'dxf')
      download(`${base}.dxf`, 'image/vnd.dxf', (await import('@/core/formats/plate-dxf')).writePlateDxf(laid, label));
    else if (kind === 'svg')
      download(`${base}.svg`, 'image/svg+xml', (await import('@/core/formats/plate-svg')).writePlateSvg(laid, label));
    else if (kind === 'csv') {
      const { writePlateCsv } = await import('@/core/formats/plate-csv');
      download(`${base}.csv`, 'text/csv', writePlateCsv(plan.holes.map(csvFeature)));
    } else {
      const file = { format: 'jolly-bit part', version: 1, name, part: plan.part, features: plan.holes };
      download(`${base}.json`, 'application/json', JSON.stringify(file, null, 2));
    }
  }

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
              if (file) void bring(file.name, file);
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
          onClick={() => void bring('pasted cells', new Blob([pasted]))}
        >
          Preview
        </button>
        <ReadingBar reading={reader.reading} onCancel={reader.cancel} />
        {preview?.table && (
          <ColumnMapping
            key={preview.table.head.headings.join()}
            head={preview.table.head}
            onUse={(map) => void bringMapped(preview.file, preview.table?.text ?? '', map)}
          />
        )}
        {preview && !preview.table && (
          <FilePreview
            name={preview.file}
            problems={preview.problems}
            understood={preview.found?.understood}
            leftOut={preview.found?.leftOut}
            display={display}
            onTake={(preview.found ?? preview.whole) && (() => take(preview))}
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
      <section className="flex flex-col gap-2">
        <h2 className="font-cond text-lg font-semibold">Export</h2>
        <div className="flex flex-wrap gap-1.5">
          {(['dxf', 'csv', 'svg', 'json'] as const).map((kind) => (
            <button key={kind} type="button" className="btn" onClick={() => void out(kind)}>
              {kind.toUpperCase()}
            </button>
          ))}
        </div>
        <p className="flex flex-wrap gap-1.5">
          {(['a4', 'letter'] as const).map((paper) => (
            <a key={paper} className="btn" href={`/jobs/${jobId}/template.pdf?face=${face}&paper=${paper}`}>
              Template 1:1, {paper === 'a4' ? 'A4' : 'letter'}
            </a>
          ))}
        </p>
        <p className="text-sm text-steel-700">
          DXF and SVG hold the {face} face at true size; CSV and JSON the whole part.{' '}
          <a className="link" href="/api/part-file.schema.json">
            Schema of the JSON
          </a>
        </p>
      </section>
    </div>
  );
}

interface MateProps {
  jobId: string;
  face: FaceId;
  onFound: (name: string, found: Imported) => void;
}

/** Match-drilling on paper: the places of a mating part, looked at above before they are taken. */
function Mate({ jobId, face, onFound }: MateProps) {
  const [opened, setOpened] = useState(false);
  const list = useJobList(opened);
  const jobs = list.jobs.filter((j) => j.id !== jobId);
  const [failed, setFault] = useState<string>();
  const fault = failed ?? list.fault;
  const [mirrored, setMirrored] = useState(true);
  async function choose(id: string): Promise<void> {
    if (id === '') return;
    const got = await send<Job>('GET', `/api/v1/jobs/${id}`);
    setFault(got.ok ? undefined : got.fault);
    if (!got.ok) return;
    const mate = got.value;
    const { fromMate } = await import('@/core/layout/from-mate');
    const features = mate.holes.map((h) => ({ ...h, callout: h.question.callout }));
    onFound(mate.name, fromMate(mate.part, facesOf(mate.part.stock).includes(face) ? face : 'top', features, mirrored));
  }
  return (
    <section className="flex flex-col gap-2">
      <h2 className="font-cond text-lg font-semibold">Match a mating part</h2>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      {!opened ? (
        <button type="button" className="btn self-start" onClick={() => setOpened(true)}>
          Choose the part
        </button>
      ) : (
        <>
          <label className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={mirrored}
              onChange={(e) => setMirrored(e.target.checked)}
            />
            The faces lie on each other: mirror
          </label>
          {list.many && (
            <TextField
              label="Find a job"
              value={list.search}
              onChange={list.setSearch}
              placeholder="name, metal, thread"
            />
          )}
          <SelectField label="Mating part" value="" onChange={(id) => void choose(id)}>
            <option value="">choose</option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </SelectField>
        </>
      )}
    </section>
  );
}
