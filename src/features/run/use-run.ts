'use client';

import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { FrozenRoute, RouteIssue } from '@/contracts/route-issue';
import { runOfIssue } from '@/core/inspection/run-of-issue';
import { plannerFor } from '@/core/job/plan-in-job';
import { wholeShop } from '@/core/shop/shop';
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

/** An issued route at work: its steps, what is done, and how each hole is made by now. */
export function useRun(jobId: string) {
  const { issue, none, fault } = useIssue(jobId);
  const bench = useBenchRecords(jobId);
  const { records } = bench;
  const work = useMemo(() => {
    if (!issue) return undefined;
    const shop = wholeShop(issue.inputs.shop);
    return { route: issue.route, job: issue.inputs.job, shop, planner: plannerFor(shop) };
  }, [issue]);
  const at = useMemo(() => work && runOfIssue(work, records, work.planner), [work, records]);
  return { issue, none, fault, job: work?.job, shop: work?.shop, at, bench };
}
export type Running = ReturnType<typeof useRun>;
