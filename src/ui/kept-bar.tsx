import Link from 'next/link';
import type { ReactNode } from 'react';

interface Props {
  job: { id: string; name: string };
  /** What of the job is shown: plate, holes. */
  view: string;
  state: { kept: boolean; fault?: string; undo: () => void; redo: () => void; canUndo: boolean; canRedo: boolean };
  /** What stands between the title and the keys. */
  children?: ReactNode;
}

/** The head of a view on a job that keeps itself: the job, whether all is kept, undo and redo. */
export function KeptBar({ job, view, state, children }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-2">
      <h1 className="mr-auto font-cond text-2xl font-semibold">
        <Link href={`/jobs/${job.id}`} className="link" prefetch={false}>
          {job.name}
        </Link>
        , {view}
      </h1>
      <span role="status" className={`self-center text-sm ${state.fault ? 'font-bold text-danger' : 'text-steel-700'}`}>
        {state.fault ?? (state.kept ? 'kept' : 'keeping ...')}
      </span>
      {children}
      <button type="button" className="btn" disabled={!state.canUndo} onClick={state.undo}>
        Undo
      </button>
      <button type="button" className="btn" disabled={!state.canRedo} onClick={state.redo}>
        Redo
      </button>
    </div>
  );
}
