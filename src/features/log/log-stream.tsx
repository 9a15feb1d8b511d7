'use client';

import { QueryClient, useInfiniteQuery } from '@tanstack/react-query';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { LogEntry, LogPage, LogQuery } from '@/contracts/log';
import { recordWords } from '@/core/run/record-words';
import { tell, type Display } from '@/core/units/show';
import { useShopTime } from '@/ui/shop-clock';
import { useUnits } from '@/ui/units';
import { logAddress } from './log-address';
import { logRow } from './log-row';

type Job = { id: string; name: string; units?: Display } | undefined;

interface Props {
  query: LogQuery;
  first: LogPage;
  job: Job;
}

type Row = { day: string } | { entry: LogEntry };

/** Heights before a row is measured, px. */
const ENTRY_PX = 57;
const DAY_PX = 48;
/** What a page of the server is drawn for. */
const RECT = { width: 1280, height: 1200 };
/** Older ones are fetched when so few rows are left below. */
const AHEAD = 20;

async function olderPage(query: LogQuery, page: number): Promise<LogPage> {
  const answer = await fetch(logAddress({ ...query, page }, '/api/v1/log'));
  if (!answer.ok) throw new Error(`${answer.status}`);
  return (await answer.json()) as LogPage;
}

/** What happened, day by day, the newest first; older ones come as one scrolls to them. */
export function LogStream({ query, first, job }: Props) {
  const at = useShopTime();
  // Its own: what is fetched of a log is not kept beyond this view.
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: 'always' } } }),
  );
  const pages = useInfiniteQuery(
    {
      queryKey: ['log', query],
      queryFn: ({ pageParam }) => olderPage(query, pageParam),
      initialPageParam: query.page,
      initialData: { pages: [first], pageParams: [query.page] },
      getNextPageParam: (last, _all, page) => (last.more ? page + 1 : undefined),
      staleTime: Infinity,
    },
    client,
  );
  const { hasNextPage, isFetchingNextPage, isFetchNextPageError, fetchNextPage, data } = pages;
  const rows = useMemo(() => {
    const all = new Map(data.pages.flatMap(({ entries }) => entries.map((e) => [e.record.id, e])));
    let last = '';
    return [...all.values()].flatMap((entry): Row[] => {
      const day = at(entry.record.happenedAt, 'day');
      const isNew = day !== last;
      last = day;
      return isNew ? [{ day }, { entry }] : [{ entry }];
    });
  }, [data, at]);
  const list = useRef<HTMLOListElement>(null);
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => setAbove(list.current?.offsetTop ?? 0), []);
  const shown = useWindowVirtualizer({
    count: rows.length,
    estimateSize: (i) => ('day' in rows[i] ? DAY_PX : ENTRY_PX),
    getItemKey: (i) => {
      const row = rows[i];
      return 'day' in row ? `day ${row.day} ${i}` : row.entry.record.id;
    },
    overscan: 12,
    scrollMargin: above,
    initialRect: RECT,
  });
  const items = shown.getVirtualItems();
  const isNearEnd = (items.at(-1)?.index ?? 0) >= rows.length - AHEAD;
  useEffect(() => {
    if (isNearEnd && hasNextPage && !isFetchingNextPage && !isFetchNextPageError) void fetchNextPage();
  }, [isNearEnd, hasNextPage, isFetchingNextPage, isFetchNextPageError, fetchNextPage]);
  return (
    <>
      <ol ref={list} className="relative" style={{ height: shown.getTotalSize() }} aria-label="What happened">
        {items.map(({ key, index, start }) => {
          const row = rows[index];
          return (
            <li
              key={key}
              ref={shown.measureElement}
              data-index={index}
              className="absolute inset-x-0 top-0"
              style={{ transform: `translateY(${start - above}px)` }}
            >
              {'day' in row ? (
                <h2 className="border-b border-steel-200 pt-3 pb-1 font-cond text-xl font-semibold">{row.day}</h2>
              ) : (
                <Entry entry={row.entry} of={job} />
              )}
            </li>
          );
        })}
      </ol>
      {hasNextPage && (
        <div className="flex items-center gap-3">
          <button type="button" className="btn" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
            {isFetchingNextPage ? 'Loading…' : 'Older'}
          </button>
          {isFetchNextPageError && <p role="alert">Older records could not be loaded: the server does not answer.</p>}
        </div>
      )}
    </>
  );
}

/** One record: the hole and job that it is of, what it says, who and when. */
function Entry({ entry, of }: { entry: LogEntry; of: Job }) {
  const { display: here } = useUnits();
  const display = of?.units ?? here;
  const at = useShopTime();
  const { record, job, hole } = entry;
  const row = logRow(entry);
  const isTrouble = record.kind === 'tap-broken' || ('verdict' in record.body && record.body.verdict === 'bad');
  return (
    <div className="grid grid-cols-[52px_minmax(0,1fr)] sm:grid-cols-[52px_minmax(0,1fr)_auto] items-baseline gap-x-3 border-x border-b border-steel-200 bg-white px-3 py-1.5">
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
      <span className="text-[14px] text-steel-700 max-sm:col-start-2 sm:text-right">
        {row.who && `${row.who}, `}
        {at(record.happenedAt, 'clock')}
      </span>
    </div>
  );
}
