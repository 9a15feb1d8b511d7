'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState, useTransition } from 'react';
import type { Job, ListedJob } from '@/contracts/job';
import type { JobSummary } from '@/core/job/summary';
import { NOTHING_RECORDED, stageOf, type Recorded, type Stage } from '@/core/job/stage';
import { tell, type Display } from '@/core/units/show';
import { useUndecidedJobs } from '@/features/job-store/undecided';
import { useShopTime } from '@/ui/shop-clock';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { later } from '@/ui/later';
import { useKeys } from '@/ui/keys';
import { send } from '@/ui/send';
import { useUnits } from '@/ui/units';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { madeIn } from './made-in';
import { JobMenu } from './job-menu';
import { lineText } from './job-summary';

const NewJob = later(() => import('./new-job'));

export interface JobRow {
  job: ListedJob;
  material: string;
  /** Undefined while it could not be made. */
  summary?: JobSummary;
  recorded?: Recorded;
}

interface Props {
  jobs: JobRow[];
  search: string;
  page: number;
  pages: number;
  /** How many jobs have the words searched for. */
  total: number;
}

const SEARCH_AFTER_MS = 250;
const addressOf = (search: string, page: number): string => {
  const params = new URLSearchParams({ ...(search ? { search } : {}), ...(page > 1 ? { page: String(page) } : {}) });
  return params.size > 0 ? `/jobs?${params}` : '/jobs';
};

/** What is on the bench: search, open, copy, delete with undo. */
export function JobsView({ jobs, search: searched, page, pages, total }: Props) {
  const { display } = useUnits();
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
  useKeys({ z: () => void undo() });
  const [isNew, setNew] = useState(false);
  const [state, setState] = useState<Stage['stage'] | 'all'>('all');
  const staged = jobs.map((row) => ({ row, stage: stageOfRow(row).stage }));
  const states = [...new Set(staged.map((s) => s.stage))].sort((a, b) => rankOf(a) - rankOf(b));
  const shown = staged
    .filter((s) => state === 'all' || s.stage === state || !states.includes(state))
    .sort((a, b) => rankOf(a.stage) - rankOf(b.stage))
    .map((s) => s.row);

  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">Jobs</h1>
        <TextField label="Search" value={search} onChange={find} placeholder="name, metal, thread" className="w-64" />
        <button type="button" className="btn-next" onClick={() => setNew(true)}>
          New job
        </button>
      </div>
      {isNew && <NewJob display={display} onClose={() => setNew(false)} />}
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
            'No job matches all of these words.'
          )}
        </p>
      )}
      {states.length > 1 && (
        <Choice
          label="Show"
          value={state}
          onChange={setState}
          options={[['all', `all ${jobs.length}`], ...states.map((name) => [name, name] as const)]}
        />
      )}
      <ul className="flex flex-col gap-2" aria-busy={searching}>
        {shown.map((row) => (
          <Row
            key={row.job.id}
            row={row}
            display={row.job.units ?? display}
            onCopy={() => void act('POST', `/api/v1/jobs/${row.job.id}/duplicate`)}
            onDelete={() => void remove(row.job.id, row.job.name)}
          />
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

interface RowProps {
  row: JobRow;
  display: Display;
  onCopy: () => void;
  onDelete: () => void;
}

const stageOfRow = ({ summary, recorded = NOTHING_RECORDED }: Pick<JobRow, 'summary' | 'recorded'>): Stage =>
  stageOf({
    holes: summary?.holes ?? 0,
    impossible: summary?.impossible ?? 0,
    unplaced: summary?.unplaced ?? 0,
    features: summary?.features ?? 0,
    ...recorded,
  });

/** What somebody has to decide comes first, then what is at the bench; what is made comes last. */
const FIRST: readonly Stage['stage'][] = ['waiting', 'at the bench'];
const rankOf = (stage: Stage['stage']): number =>
  stage === 'made' ? FIRST.length + 1 : FIRST.includes(stage) ? FIRST.indexOf(stage) : FIRST.length;

/** A job in a row: its face, what it is of, how far it is and what comes next. */
function Row({ row: { job, material, summary, recorded = NOTHING_RECORDED }, display, onCopy, onDelete }: RowProps) {
  const { stage, next } = stageOfRow({ summary, recorded });
  const { bench } = recorded;
  const at = useShopTime();
  const waits = useUndecidedJobs().has(job.id);
  return (
    <li className="plate relative grid grid-cols-[76px_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 p-2 focus-within:border-ink hover:border-ink md:grid-cols-[96px_minmax(0,2.2fr)_minmax(0,1fr)_auto]">
      <div className="dye row-span-2 grid h-[72px] grid-rows-[minmax(0,1fr)] place-items-center gap-1 p-1 md:row-span-1">
        {summary?.sketch ? (
          <FaceDrawing sketch={summary.sketch} isMade={madeIn(bench)} className="size-full" />
        ) : (
          <span className="font-cond text-sm text-dye-200">not laid out</span>
        )}
        {bench && bench.done > 0 && (
          <span
            role="img"
            aria-label={`${bench.done} of ${bench.steps} steps done`}
            className="h-1.5 w-full self-end bg-dye-200/30"
          >
            <span className="block h-full bg-brass" style={{ width: `${(100 * bench.done) / bench.steps}%` }} />
          </span>
        )}
      </div>
      <div className="min-w-0">
        <h2 className="flex flex-wrap items-baseline gap-x-4 text-xl font-bold">
          <Link href={`/jobs/${job.id}`} className="link after:absolute after:inset-0" prefetch={false}>
            {job.name}
          </Link>
          <span className="text-base font-normal">
            {job.quantity} × {material}
          </span>
        </h2>
        {summary && <Kinds summary={summary} display={display} />}
        {waits && (
          <p className="border-l-4 border-l-brass pl-2 font-bold">
            A change that you made waits here: open the job and choose.
          </p>
        )}
      </div>
      <p className="col-start-2 min-w-0 md:col-start-3 md:row-start-1">
        <span className="font-cond text-lg font-semibold">{stage}</span>
        <span className="block text-[15px]">{tell(next, display)}</span>
      </p>
      <div className="relative col-start-3 row-start-1 flex flex-col items-end gap-1 md:col-start-4">
        <JobMenu jobId={job.id} name={job.name} onCopy={onCopy} onDelete={onDelete} />
        <span className="hidden text-sm text-steel-700 sm:inline">{at(job.updatedAt, 'day')}</span>
      </div>
    </li>
  );
}

/** The kinds of holes of a job, each in a word; what is wrong with one is said on its mark. */
function Kinds({ summary, display }: { summary: JobSummary; display: Display }) {
  if (summary.holes === 0) return <p className="text-[15px]">No holes yet: open it and add one.</p>;
  return (
    <p className="flex flex-wrap gap-x-4 text-[15px]">
      {summary.lines.map((line) => {
        const { drill, troubles } = lineText(line, display);
        return (
          <span key={line.id}>
            {line.callout}
            {!drill && troubles.length > 0 && <strong className="text-danger"> can’t be made as drawn</strong>}
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
