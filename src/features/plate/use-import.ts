import { useState } from 'react';
import type { FeatureInput } from '@/contracts/job';
import type { Problem } from '@/core/answer/answer';
import type { ColumnMap, TableHead } from '@/core/formats/table-columns';
import type { Imported } from '@/core/layout/imported';
import { countHoles, MOST_HOLES } from '@/core/layout/place';
import type { Display } from '@/core/units/show';
import { useFileReader } from '@/ui/use-file-reader';
import { doublesOf, featuresFrom, withImported, type Usual, type WithDoubles } from './csv-features';
import type { PlateState } from './use-plate';

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

/** Files in: what was understood stands as a preview until it is taken. */
export function useImport(state: PlateState, machineId: string, display: Display) {
  const { plan, face, edit } = state;
  const [preview, setPreview] = useState<Preview>();
  const [doubles, setDoubles] = useState<WithDoubles>('update');
  const reader = useFileReader();
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
  async function bring(name: string, file: Blob, unit: Display): Promise<void> {
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
  }
  async function bringMapped(name: string, text: string, map: ColumnMap, unit: Display): Promise<void> {
    const { withOurColumns } = await import('@/core/formats/table-columns');
    await bring(name, new Blob([withOurColumns(text, map)]), unit);
  }
  const already = preview?.found ? doublesOf(preview.found, usual, plan.holes).length : 0;
  return { preview, setPreview, reader, doubles, setDoubles, already, bring, bringMapped, take };
}

export type ImportState = ReturnType<typeof useImport>;
