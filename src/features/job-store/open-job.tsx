'use client';

import { useSyncExternalStore, type ReactNode } from 'react';
import type { Job } from '@/contracts/job';
import { countHoles } from '@/core/layout/place';

/** Beyond these a job is planned and drawn in the browser alone, so that one that opens it keeps no other waiting. */
const MANY_HOLES = 200;
const MANY_FEATURES = 60;

const never = (): (() => void) => () => undefined;

/** A view of a job: a small one is there with the page, a large one opens in the browser. */
export function OpenJob({ job, children }: { job: Job; children: ReactNode }) {
  const inBrowser = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const holes = countHoles(job.holes);
  if (inBrowser || (holes <= MANY_HOLES && job.holes.length <= MANY_FEATURES)) return children;
  return (
    <main id="main" className="p-4">
      <h1 className="font-cond text-2xl font-semibold">{job.name}</h1>
      <p role="status">Opening {Math.max(holes, job.holes.length)} holes…</p>
    </main>
  );
}
