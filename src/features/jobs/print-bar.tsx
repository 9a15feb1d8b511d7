'use client';

import Link from 'next/link';
import { PAPERS, type Paper } from './paper';

/** Above the card on the screen: paper, print, back. Not printed. */
export function PrintBar({ jobId, paper }: { jobId: string; paper: Paper }) {
  return (
    <div className="mx-auto flex max-w-3xl flex-wrap items-center gap-2 p-3 print:hidden">
      <Link className="btn" href={`/jobs/${jobId}`} prefetch={false}>
        Back to the job
      </Link>
      {(Object.keys(PAPERS) as Paper[]).map((id) => (
        <Link
          key={id}
          href={`/jobs/${jobId}/card?paper=${id}`}
          prefetch={false}
          aria-current={id === paper ? 'true' : undefined}
          className={`btn ${id === paper ? 'border-ink bg-ink text-white hover:bg-ink' : ''}`}
        >
          {PAPERS[id].label}
        </Link>
      ))}
      <button type="button" className="btn-next ml-auto" onClick={() => window.print()}>
        Print
      </button>
    </div>
  );
}
