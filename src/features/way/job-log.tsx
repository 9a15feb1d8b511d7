'use client';

import { useState } from 'react';
import type { RecordKept } from '@/contracts/record';
import { recordWords, type Told } from '@/core/run/record-words';
import { tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { useShopTime } from '@/ui/shop-clock';

interface Props {
  job: { name: string; letters: Record<string, string> };
  /** The last ones, newest first. */
  records: RecordKept[];
  display: Display;
}

/** What happened on a job, newest first; found by words. */
export function JobLog({ job, records, display }: Props) {
  const [search, setSearch] = useState('');
  const at = useShopTime();
  const rows = records.map((r) => {
    const hole = 'featureId' in r && r.featureId ? `${job.letters[r.featureId] ?? ''}${r.holeNumber ?? ''}` : '';
    const part = 'part' in r.body ? `part ${r.body.part}` : '';
    return { id: r.id, hole, part, said: tell(recordWords(r as Told), display), who: r.who ?? '', when: r.happenedAt };
  });
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = rows.filter((row) => {
    const text = `${row.hole} ${row.part} ${row.said} ${row.who}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  return (
    <main id="main" className="mx-auto flex max-w-4xl flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-2xl font-semibold">{job.name}, log</h1>
        <TextField
          label="Find"
          value={search}
          onChange={setSearch}
          placeholder="broken, A2, not good"
          className="w-64"
        />
      </div>
      {rows.length === 0 && <p>Nothing recorded yet. What is done at the bench stands here, newest first.</p>}
      {rows.length > 0 && found.length === 0 && <p role="status">Nothing in the last {rows.length} records.</p>}
      <ol className="plate divide-y divide-steel-200">
        {found.map((row) => (
          <li key={row.id} className="grid grid-cols-[56px_minmax(0,1fr)_auto] gap-x-3 px-3 py-1.5">
            <strong className="font-cond text-lg">{row.hole}</strong>
            <span className="first-letter:uppercase">
              {row.said}
              {row.part && <span className="text-steel-700">, {row.part}</span>}
            </span>
            <span className="text-right text-[14px] text-steel-700">
              {row.who && `${row.who}, `}
              {at(row.when, 'time')}
            </span>
          </li>
        ))}
      </ol>
    </main>
  );
}
