'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { LogPage, LogQuery } from '@/contracts/log';
import { LOG_KINDS, type LogKind } from '@/core/run/log-words';
import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';
import { logAddress } from './log-address';
import { LogStream } from './log-stream';
import { LogTabs } from './log-tabs';

interface Props {
  query: LogQuery;
  found: LogPage;
  /** What it can be narrowed to. */
  narrow?: { metals: { id: string; label: string }[]; tools: { id: string; label: string }[] };
  /** Of one job, in its own unit; of the whole shop where left out. */
  job?: { id: string; name: string; units?: Display };
}

/** What is typed is looked for so long after the last key, ms. */
const WAIT_MS = 250;

/** Everything that happened in the shop, or on one job, the newest first: found by words, narrowed by kind, taken out as a file. */
export function LogView({ query, found, narrow, job }: Props) {
  const router = useRouter();
  const here = (part: Partial<LogQuery>): string =>
    logAddress({ ...query, ...part, job: undefined }, job ? `/jobs/${job.id}/log` : '/log');
  const [asked, setAsked] = useState({ q: query.q, kind: query.kind });
  // What is asked here comes back as the query; a query from elsewhere, such as the bar above, is taken over.
  const arrived = here({ page: 1 });
  const mine = useRef(new Set([arrived]));
  useEffect(() => {
    if (mine.current.delete(arrived)) return;
    setAsked({ q: query.q, kind: query.kind });
  }, [arrived, query]);
  const wanted = here({ ...asked, page: 1 });
  useEffect(() => {
    if (wanted === arrived) return undefined;
    const timer = setTimeout(() => {
      mine.current.add(wanted);
      router.replace(wanted);
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [wanted, arrived, router]);
  const kinds: [LogKind | 'all', string][] = [
    ['all', 'all'],
    ...Object.keys(LOG_KINDS).map((k): [LogKind, string] => [k as LogKind, k]),
  ];
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">{job ? `${job.name}, log` : 'Log'}</h1>
        <TextField
          label="Find"
          value={asked.q}
          onChange={(q) => setAsked({ ...asked, q })}
          placeholder="broken, M6 in stainless, D1 pier"
          className="w-full sm:w-80"
        />
        <a className="btn" href={logAddress({ ...query, page: 1 }, '/log.csv')}>
          CSV
        </a>
        <a className="btn" href={logAddress({ ...query, page: 1 }, '/log.json')}>
          JSON
        </a>
      </div>
      {!job && <LogTabs here="/log" />}
      <Choice
        label="Show"
        value={asked.kind ?? 'all'}
        onChange={(kind) => setAsked({ ...asked, kind: kind === 'all' ? undefined : kind })}
        options={kinds}
      />
      {narrow && <Narrow query={query} narrow={narrow} go={(part) => router.replace(here({ ...part, page: 1 }))} />}
      {found.entries.length === 0 ? (
        <p role="status" className="text-lg">
          {query.q === '' && !query.kind
            ? 'Nothing recorded yet. What is laid out, made and gauged stands here, newest first.'
            : 'Nothing like it was recorded. Try fewer words, or all kinds.'}
        </p>
      ) : (
        <LogStream key={arrived} query={query} first={found} job={job} />
      )}
    </main>
  );
}

/** By metal, by tool and by time; folded while nothing is narrowed so. */
function Narrow({
  query: { metal = '', tool = '', from = '', to = '' },
  narrow: { metals, tools },
  go,
}: {
  query: LogQuery;
  narrow: NonNullable<Props['narrow']>;
  go: (part: Partial<LogQuery>) => void;
}) {
  const lists = [
    ['Metal', 'metal', metal, metals],
    ['Tool', 'tool', tool, tools],
  ] as const;
  return (
    <details open={metal !== '' || tool !== '' || from !== '' || to !== ''}>
      <summary className="link min-h-11 content-center">By metal, tool or day</summary>
      <div className="grid gap-3 sm:grid-cols-4">
        {lists.map(([label, field, value, options]) => (
          <SelectField key={field} label={label} value={value} onChange={(id) => go({ [field]: id || undefined })}>
            <option value="">all</option>
            {options.map((o) => (
              <option key={o.id} value={o.id}>
                {o.label}
              </option>
            ))}
          </SelectField>
        ))}
        {(['from', 'to'] as const).map((field) => (
          <label key={field} className="flex flex-col gap-1">
            <span className="label">{field === 'from' ? 'From' : 'Up to'}</span>
            <input
              type="date"
              className="field"
              value={field === 'from' ? from : to}
              onChange={({ target }) => go({ [field]: target.value || undefined })}
            />
          </label>
        ))}
      </div>
    </details>
  );
}
