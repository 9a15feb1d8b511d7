'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Place } from '@/core/layout/place';
import { writePlace } from '@/core/layout/write-place';
import type { Conflict, Saving } from './job-store';
import type { JobInHand } from './use-job';
import { useNotKept } from './use-not-kept';

interface Props {
  inHand: JobInHand;
  /** What of the job is shown: plate, holes; left out on the page of the job itself. */
  view?: string;
  /** What stands between the title and the keys. */
  children?: ReactNode;
}

const changes = (n: number): string => (n === 1 ? '1 change' : `${n} changes`);

function wordsOf({ state, waiting }: Saving): string {
  switch (state) {
    case 'saved':
      return 'Saved';
    case 'saving':
      return 'Saving…';
    case 'waiting':
      return `${changes(waiting)} waiting for the server`;
    case 'conflict':
      return 'Changed in two places: see below';
    case 'refused':
      return 'The server refused a change: see below';
  }
}

/** A value as people read it. */
function shown({ field }: Conflict, value: unknown): string {
  if (value === undefined) return field ? 'empty' : 'removed';
  if (field === 'place') return writePlace(value as Place, 'mm') ?? (value as Place).kind;
  if (typeof value === 'string') return value === '' ? 'empty' : value;
  if (typeof value === 'number') return String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (!field) return (value as { question?: { callout: string } }).question?.callout ?? 'changed';
  return JSON.stringify(value).replace(/["{}]/g, '').replaceAll(',', ', ').slice(0, 120);
}

const few = (list: readonly string[]): string =>
  `${list.slice(0, 6).join(', ')}${list.length > 6 ? ` and ${list.length - 6} more` : ''}`;

/** The head of a view on a job: its name, whether all is saved, undo and redo, and what others changed. */
export function JobBar({ inHand, view, children }: Props) {
  const { job, saving, conflicts, news, store, gone, lost, notMade } = inHand;
  const notKept = useNotKept();
  const quiet = saving.state === 'saved' || saving.state === 'saving';
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-2">
        <h1 className="mr-auto font-cond text-2xl font-semibold">
          {view ? (
            <>
              <Link href={`/jobs/${job.id}`} className="link" prefetch={false}>
                {job.name}
              </Link>
              , {view}
            </>
          ) : (
            job.name
          )}
        </h1>
        <span
          role="status"
          title={saving.why}
          className={`self-center text-sm ${quiet ? 'text-steel-700' : 'font-bold'}`}
        >
          {wordsOf(saving)}
        </span>
        {saving.signIn && (
          <a className="btn-next" href={`/sign-in?next=/jobs/${job.id}`}>
            Sign in to save
          </a>
        )}
        {children}
        <span className="flex gap-1 border-l border-steel-300 pl-2">
          <button type="button" className="btn" disabled={!inHand.canUndo} onClick={inHand.undo}>
            Undo
          </button>
          <button type="button" className="btn" disabled={!inHand.canRedo} onClick={inHand.redo}>
            Redo
          </button>
        </span>
      </div>
      {gone && (
        <p role="alert" className="plate flex flex-wrap items-center gap-3 border-l-8 border-l-danger p-3">
          <span className="mr-auto font-bold">
            This job is not on the server any more. What you change here waits until it is back.
          </span>
          <button type="button" className="btn-next" onClick={() => void store.bringBack()}>
            Bring it back
          </button>
        </p>
      )}
      {lost.length > 0 && (
        <p role="alert" className="plate flex flex-wrap items-center gap-3 border-l-8 border-l-brass p-3">
          <span className="mr-auto">
            The server was restored from an older copy that lacks: <strong>{few(lost)}</strong>.
          </span>
          <button type="button" className="btn-next" onClick={store.sendLost}>
            Send it again
          </button>
          <button type="button" className="btn" onClick={store.leaveLost}>
            Leave it as it is there
          </button>
        </p>
      )}
      {notKept && (
        <p role="status" className="text-sm">
          Not kept in this browser: {notKept}. Keep this page open until it says Saved.
        </p>
      )}
      {conflicts.length > 0 && (
        <section role="alert" aria-label="Changed in two places" className="plate border-l-8 border-l-brass p-3">
          {conflicts.map((conflict) => (
            <div key={`${conflict.target}.${conflict.field}`} className="flex flex-wrap items-center gap-2 py-1">
              <span className="mr-auto">
                <strong>{conflict.name}</strong> was changed elsewhere too. Yours:{' '}
                <strong>{shown(conflict, conflict.mine)}</strong>. Theirs:{' '}
                <strong>{shown(conflict, conflict.theirs)}</strong>.
              </span>
              <button type="button" className="btn-next" onClick={() => store.keepMine(conflict)}>
                Keep mine
              </button>
              <button type="button" className="btn" onClick={() => store.takeTheirs(conflict)}>
                Take theirs
              </button>
            </div>
          ))}
        </section>
      )}
      {saving.state === 'refused' && (
        <p role="alert" className="plate flex flex-wrap items-center gap-3 border-l-8 border-l-danger p-3">
          <span className="mr-auto font-bold text-danger">{saving.why}</span>
          <button type="button" className="btn" onClick={store.dropRefused}>
            Drop this change
          </button>
        </p>
      )}
      {notMade && (
        <p role="alert" className="plate border-l-8 border-l-danger p-3 font-bold text-danger">
          Not changed. {notMade}
        </p>
      )}
      {news.length > 0 && (
        <p role="status" className="plate flex flex-wrap items-center gap-3 px-3 py-1.5">
          <span className="mr-auto">Changed elsewhere: {few(news)}.</span>
          <button type="button" className="btn h-9" onClick={store.dismissNews}>
            OK
          </button>
        </p>
      )}
    </div>
  );
}
