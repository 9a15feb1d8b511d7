'use client';

import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import type { BenchRecord } from '@/core/run/bench-record';
import type { IssuedWork } from '@/core/run/issued-work';
import { followRun, type FollowedRun, type RunOfIssue } from '@/core/run/run-of-issue';
import { plannerFor, type Planner } from '@/core/job/plan-in-job';
import { tooManySteps } from '@/core/route/run-steps';
import { wholeShop } from '@/core/shop/shop';
import { tell } from '@/core/units/show';
import { send } from '@/ui/send';
import { readOnce } from '../job-store/outbox';
import { useBenchRecords } from '../job-store/use-records';

async function read<T>(url: string): Promise<T> {
  const got = await send<T>('GET', url);
  if (!got.ok) throw new Error(got.fault);
  return got.value;
}

/** How often a bench looks whether a new route was issued, ms. */
const ISSUES_MS = 20_000;

/** The latest issue of a job’s route, as it is kept here; frozen, so that one that is there is never read anew. */
export function useIssue(jobId: string) {
  const list = useQuery({
    queryKey: ['routes', jobId],
    queryFn: () => read<{ routes: RouteIssue[] }>(`/api/v1/jobs/${jobId}/routes`),
    refetchInterval: ISSUES_MS,
  });
  const number = list.data?.routes[0]?.number;
  const whole = useQuery({
    queryKey: ['route', jobId, number],
    queryFn: () =>
      readOnce(`route ${list.data?.routes[0]?.id}`, () => read<FrozenRoute>(`/api/v1/jobs/${jobId}/routes/${number}`)),
    meta: { keptApart: true },
    enabled: number !== undefined,
    staleTime: Infinity,
  });
  return {
    issue: whole.data,
    none: list.data !== undefined && !list.isFetching && number === undefined,
    fault: whole.data ? undefined : (whole.error?.message ?? list.error?.message),
  };
}

/** Follows a run from record to record; what is drawn of an older state meanwhile sees the newer one. */
function follower() {
  let now: { work: object; epoch: number; count: number; run: FollowedRun } | undefined;
  return (work: IssuedWork & { planner: Planner }, records: readonly BenchRecord[], epoch: number): RunOfIssue => {
    if (now?.work !== work || now.epoch !== epoch) now = { work, epoch, count: 0, run: followRun(work, work.planner) };
    if (records.length > now.count) {
      now.run.add(records.slice(now.count));
      now.count = records.length;
    }
    return now.run.now();
  };
}

/** An issued route at work: its steps, what is done, and how each hole is made by now. */
export function useRun(jobId: string) {
  const { issue, none, fault } = useIssue(jobId);
  const bench = useBenchRecords(jobId);
  const tooMany = useMemo(() => issue && tooManySteps(issue.route), [issue]);
  // Before all that was recorded is read, how far it is would be told wrong.
  const isRead = bench.known && bench.reading === undefined;
  const work = useMemo(() => {
    if (!issue || tooMany || !isRead) return undefined;
    const shop = wholeShop(issue.inputs.shop);
    return { route: issue.route, job: issue.inputs.job, shop, planner: plannerFor(shop) };
  }, [issue, tooMany, isRead]);
  const [follow] = useState(follower);
  const { records, epoch } = bench;
  const at = useMemo(() => work && follow(work, records, epoch), [follow, work, records, epoch]);
  const said = tooMany && `${tell(tooMany, 'mm')} ${tell(tooMany.remedy, 'mm')}`;
  const unread = bench.known ? undefined : bench.pollFault;
  return { issue, none, fault: said ?? fault ?? unread, job: work?.job, shop: work?.shop, at, bench };
}
export type Running = ReturnType<typeof useRun>;
