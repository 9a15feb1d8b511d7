'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { Display } from '@/core/units/show';
import { useOwnUnits } from '@/ui/units';
import { PAPERS, type Paper } from '@/ui/paper';

interface Props {
  jobId: string;
  paper: Paper;
  display: Display;
  /** What is printed: last part of its address, and what else it asks for there. */
  view?: 'card' | 'sheet';
  more?: string;
  /** The issued route that is printed, and whether the job is still as it was then. */
  issue?: { number: number; current: boolean };
  /** View of the job to go back to; the job itself where left out. */
  back?: string;
}

/** Above the paper on the screen: size, print, back. Not printed. */
export function PrintBar({ jobId, paper, display, view = 'card', more = '', issue, back }: Props) {
  const router = useRouter();
  const address = useCallback(
    (id: Paper, units: Display): string => `/jobs/${jobId}/${view}?paper=${id}&units=${units}${more}`,
    [jobId, view, more],
  );
  const change = useCallback((units: Display) => router.replace(address(paper, units)), [router, address, paper]);
  useOwnUnits(display, change);
  return (
    <div className="mx-auto flex max-w-3xl flex-wrap items-center gap-2 p-3 print:hidden">
      <Link className="btn" href={back ? `/jobs/${jobId}/${back}` : `/jobs/${jobId}`} prefetch={false}>
        {back ? 'Back' : 'Back to the job'}
      </Link>
      {(Object.keys(PAPERS) as Paper[]).map((id) => (
        <Link
          key={id}
          href={address(id, display)}
          prefetch={false}
          aria-current={id === paper ? 'true' : undefined}
          className={`btn ${id === paper ? 'border-ink bg-ink text-white hover:bg-ink' : ''}`}
        >
          {PAPERS[id].label}
        </Link>
      ))}
      {issue && !issue.current && (
        <p className="basis-full text-[15px]">
          The job has changed since route {issue.number} was issued.{' '}
          <Link className="link" href={`${address(paper, display)}&route=none`} prefetch={false}>
            Card of the job as it is now
          </Link>
        </p>
      )}
      <button type="button" className="btn-next ml-auto" onClick={() => window.print()}>
        Print
      </button>
    </div>
  );
}
