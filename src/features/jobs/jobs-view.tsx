'use client';

import { format, parseISO } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState, useTransition } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Job, ListedJob } from '@/contracts/job';
import type { JobSummary } from '@/core/job/summary';
import type { Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { send } from '@/ui/send';
import { JobLinks } from './job-links';
import { lineText } from './job-summary';
import { RouteStrip } from './route-strip';

export interface JobRow {
  job: ListedJob;
  material: string;
  /** Undefined while it could not be made. */
  summary?: JobSummary;
}

interface Props {
  jobs: JobRow[];
  search: string;
  page: number;
  pages: number;
  /** How many jobs have the words searched for. */
  total: number;
  display: Display;
}

const SEARCH_AFTER_MS = 250;
const addressOf = (search: string, page: number): string => {
  const params = new URLSearchParams({ ...(search ? { search } : {}), ...(page > 1 ? { page: String(page) } : {}) });
  return params.size > 0 ? `/jobs?${params}` : '/jobs';
};

/** What is on the bench: search, open, copy, delete with undo. */
export function JobsView({ jobs, search: searched, page, pages, total, display }: Props) {
  const router = useRouter();
  const [search, setSearch] = useState(searched);
  const [gone, setGone] = useState<{ id: string; name: string }>();
  const [fault, setFault] = useState<string>();
  const [searching, begin] = useTransition();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  function find(text: string): void {
    setSearch(text);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => begin(() => router.replace(addressOf(text.trim(), 1))), SEARCH_AFTER_MS);
  }

  async function act(method: string, path: string): Promise<Job | undefined> {
    const got = await send<Job>(method, path);
    setFault(got.ok ? undefined : got.fault);
    router.refresh();
    return got.ok ? got.value : undefined;
  }
  async function remove(id: string, name: string): Promise<void> {
    await act('DELETE', `/api/v1/jobs/${id}`);
    setGone({ id, name });
  }
  const undo = useCallback(async (): Promise<void> => {
    if (!gone) return;
    const got = await send('POST', `/api/v1/jobs/${gone.id}/restore`);
    if (!got.ok) setFault(got.fault);
    else setGone(undefined);
    router.refresh();
  }, [gone, router]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const typing = (event.target as HTMLElement).matches('input, textarea, select');
      if (event.key.toLowerCase() === 'z' && !typing && !event.altKey) void undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo]);
  async function beginJob(): Promise<void> {
    const id = uuidv7();
    const body = { id, name: 'New job', materialId: 'steel-low-carbon', quantity: 1, notes: '', holes: [] };
    const got = await send<Job>('POST', '/api/v1/jobs', body);
    if (got.ok) router.push(`/jobs/${id}`);
    else setFault(got.fault);
  }

  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">Jobs</h1>
        <TextField label="Search" value={search} onChange={find} placeholder="name, metal, thread" className="w-64" />
        <button type="button" className="btn-next" onClick={() => void beginJob()}>
          New job
        </button>
      </div>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      {gone && (
        <p role="status" className="plate flex items-center gap-3 border-l-8 border-l-brass px-3 py-2">
          “{gone.name}” was deleted.
          <button type="button" className="btn" onClick={() => void undo()}>
            Undo <kbd className="rounded-sm border border-steel-500 bg-white px-1.5 text-sm">Z</kbd>
          </button>
        </p>
      )}
      {jobs.length === 0 && (
        <p className="plate p-5 text-lg">
          {searched === '' ? (
            <>
              Nothing on the bench.{' '}
              <Link href="/" className="link">
                Ask about a hole
              </Link>{' '}
              and save it, or start a new job here.
            </>
          ) : (
            'No job has all of these words.'
          )}
        </p>
      )}
      <ul className="flex flex-col gap-3" aria-busy={searching}>
        {jobs.map(({ job, material, summary }) => (
          <li key={job.id} className="plate flex flex-col gap-2 p-3">
            <div className="flex flex-wrap items-baseline gap-x-4">
              <h2 className="text-xl font-bold">
                <Link href={`/jobs/${job.id}`} className="link" prefetch={false}>
                  {job.name}
                </Link>
              </h2>
              <span>
                {job.quantity} × {material}
              </span>
              <span className="ml-auto text-sm text-steel-700">{format(parseISO(job.updatedAt), 'd MMM yyyy')}</span>
            </div>
            {summary && <Kinds summary={summary} display={display} />}
            {summary && <RouteStrip work={summary.work} />}
            <div className="flex flex-wrap gap-2">
              <JobLinks jobId={job.id} />
              <button
                type="button"
                className="btn"
                onClick={() => void act('POST', `/api/v1/jobs/${job.id}/duplicate`)}
              >
                Duplicate
              </button>
              <button
                type="button"
                className="btn"
                onClick={() => void remove(job.id, job.name)}
                aria-label={`Delete ${job.name}`}
              >
                Delete
              </button>
            </div>
          </li>
        ))}
      </ul>
      {pages > 1 && (
        <nav aria-label="Pages" className="flex items-center gap-3">
          {page > 1 && (
            <Link className="btn" href={addressOf(searched, page - 1)}>
              ← Newer
            </Link>
          )}
          <span>
            Page {page} of {pages}; {total} jobs
          </span>
          {page < pages && (
            <Link className="btn" href={addressOf(searched, page + 1)}>
              Older →
            </Link>
          )}
        </nav>
      )}
    </main>
  );
}

/** The kinds of holes of a job, each in a word; what is wrong with one is said on its mark. */
function Kinds({ summary, display }: { summary: JobSummary; display: Display }) {
  if (summary.holes === 0) return <p className="text-[15px]">No holes yet: open it and add one.</p>;
  return (
    <p className="flex flex-wrap gap-x-5 text-[15px]">
      {summary.lines.map((line) => {
        const { drill, troubles } = lineText(line, display);
        return (
          <span key={line.id}>
            <strong>{line.callout}</strong>{' '}
            {drill ? (
              `drill ${drill}`
            ) : troubles.length > 0 ? (
              <span className="font-bold text-danger">can’t be made as drawn</span>
            ) : (
              'nothing to drill'
            )}
            {troubles.length > 0 && (
              <span
                className="font-bold text-danger"
                role="img"
                aria-label={troubles.join(' ')}
                title={troubles.join(' ')}
              >
                {' !'}
              </span>
            )}
          </span>
        );
      })}
      {summary.more > 0 && <span>and {summary.more} more kinds</span>}
    </p>
  );
}
