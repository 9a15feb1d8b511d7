'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { LogEntry, LogPage, LogQuery } from '@/contracts/log';
import { LOG_KINDS, type LogKind } from '@/core/run/log-words';
import { recordWords } from '@/core/run/record-words';
import { tell, type Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { LogTabs } from './log-tabs';
import { logRow } from './log-row';

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

/** The same question of a view or of a file; a job's view names its job already. */
function addressOf({ page, ...rest }: Partial<LogQuery>, path: string): string {
  const said = { ...rest, page: page === 1 ? undefined : page };
  const params = new URLSearchParams(
    Object.entries(said).flatMap(([key, value]) => (value ? [[key, String(value)]] : [])),
  );
  return params.size === 0 ? path : `${path}?${params.toString()}`;
}

/** Everything that happened in the shop, or on one job, the newest first: found by words, narrowed by kind, taken out as a file. */
export function LogView({ query, found: { entries, more }, narrow, job }: Props) {
  const router = useRouter();
  const here = (part: Partial<LogQuery>): string =>
    addressOf({ ...query, ...part, job: undefined }, job ? `/jobs/${job.id}/log` : '/log');
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
        <a className="btn" href={addressOf({ ...query, page: 1 }, '/log.csv')}>
          CSV
        </a>
        <a className="btn" href={addressOf({ ...query, page: 1 }, '/log.json')}>
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
      {entries.length === 0 ? (
        <p role="status" className="text-lg">
          {query.q === '' && !query.kind
            ? 'Nothing recorded yet. What is laid out, made and gauged stands here, newest first.'
            : 'Nothing like it was recorded. Try fewer words, or all kinds.'}
        </p>
      ) : (
        <Days entries={entries} job={job} />
      )}
      <nav aria-label="Pages" className="flex items-center gap-4">
        {query.page > 1 && (
          <Link className="btn" href={here({ page: query.page - 1 })}>
            ← Newer
          </Link>
        )}
        {more && (
          <Link className="btn" href={here({ page: query.page + 1 })}>
            Older →
          </Link>
        )}
      </nav>
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

/** A day's records under its date. */
function Days({ entries, job }: Pick<Props, 'job'> & { entries: readonly LogEntry[] }) {
  const at = useShopTime();
  const days = new Map<string, LogEntry[]>();
  for (const entry of entries) {
    const day = at(entry.record.happenedAt, 'day');
    days.set(day, [...(days.get(day) ?? []), entry]);
  }
  return [...days].map(([day, list]) => (
    <section key={day} aria-label={day}>
      <h2 className="font-cond text-xl font-semibold">{day}</h2>
      <ol className="plate divide-y divide-steel-200">
        {list.map((entry) => (
          <Entry key={entry.record.id} entry={entry} of={job} />
        ))}
      </ol>
    </section>
  ));
}

/** One record: the hole and job that it is of, what it says, who and when. */
function Entry({ entry, of }: { entry: LogEntry; of: Props['job'] }) {
  const { display: here } = useUnits();
  const display = of?.units ?? here;
  const at = useShopTime();
  const { record, job, hole } = entry;
  const row = logRow(entry);
  const isTrouble = record.kind === 'tap-broken' || ('verdict' in record.body && record.body.verdict === 'bad');
  return (
    <li className="grid grid-cols-[52px_minmax(0,1fr)_auto] items-baseline gap-x-3 px-3 py-1.5">
      {job && hole && 'featureId' in record ? (
        <Link
          className="link min-h-9 content-center font-cond text-lg font-semibold"
          href={
            row.part === undefined || !('holeNumber' in record)
              ? `/jobs/${job.id}/holes?hole=${record.featureId}`
              : `/jobs/${job.id}/holes/${record.featureId}/${record.holeNumber}?part=${row.part}`
          }
          prefetch={false}
          aria-label={`Hole ${row.hole} of ${job.name}`}
        >
          {row.hole}
        </Link>
      ) : (
        <span />
      )}
      <span className="min-w-0">
        <span className={`block first-letter:uppercase ${isTrouble ? 'font-bold text-danger' : ''}`}>
          {isTrouble && '✕ '}
          {tell(recordWords(row.told), display)}
          {record.corrects && <span className="text-steel-700">, in place of an earlier record</span>}
        </span>
        <span className="block text-[14px] text-steel-700">
          {job && !of && (
            <>
              <Link className="link" href={`/jobs/${job.id}/log`} prefetch={false}>
                {job.name}
              </Link>
              {(row.callout || row.part !== undefined) && ', '}
            </>
          )}
          {[row.callout, row.part === undefined ? '' : `part ${row.part}`].filter(Boolean).join(', ')}
        </span>
      </span>
      <span className="text-right text-[14px] text-steel-700">
        {row.who && `${row.who}, `}
        {at(record.happenedAt, 'clock')}
      </span>
    </li>
  );
}
